'use client';

import { useCallback, useState } from 'react';
import { useStore } from 'zustand';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { FolderFile } from './folderFiles';
import { newPageReading, readPages } from './readPages';

export interface OwnPages {
  readonly opened: readonly OpenedPage[] | undefined;
  /** What is being read. */
  readonly busy: string | undefined;
  open(files: readonly FolderFile[]): Promise<void>;
  cancel(): void;
  clear(): void;
}

/** @param brought pages that another screen read */
export function useOwnPages(brought?: readonly OpenedPage[]): OwnPages {
  const [reading] = useState(newPageReading);
  const busy = useStore(reading.state, (s) => s.busy);
  const [opened, setOpened] = useState(brought);
  const open = useCallback(
    async (files: readonly FolderFile[]) => {
      const pages = await readPages(files, reading);
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
