'use client';

import { useCallback, useState } from 'react';
import { useStore } from 'zustand';
import { archiveLimits } from '@/core/files/unzip';
import { pageLimits, type OpenedPage } from '@/core/ownPage/openPages';
import { FileReading } from '@/work/fileReading';
import { say } from '../shared/notices';
import type { FolderFile } from './folderFiles';
import { theEngine } from './tab/engine';

const limits = { together: pageLimits.all, count: archiveLimits.entries };

export interface OwnPages {
  readonly opened: readonly OpenedPage[] | undefined;
  /** What is being read. */
  readonly busy: string | undefined;
  open(files: readonly FolderFile[]): Promise<void>;
  cancel(): void;
  clear(): void;
}

/** Reads saved pages in the worker; what is refused is said and changes nothing. */
export function useOwnPages(): OwnPages {
  const [reading] = useState(() => new FileReading((words) => say('bad', words)));
  const busy = useStore(reading.state, (s) => s.busy);
  const [opened, setOpened] = useState<readonly OpenedPage[]>();
  const open = useCallback(
    async (files: readonly FolderFile[]) => {
      const pages = await reading.read(files, limits, (read, signal) =>
        theEngine().openPages(read, signal),
      );
      if (pages) {
        setOpened(pages);
      }
    },
    [reading],
  );
  const cancel = useCallback(() => reading.cancel(), [reading]);
  const clear = useCallback(() => setOpened(undefined), []);
  return { opened, busy, open, cancel, clear };
}
