'use client';

import { useCallback, useState } from 'react';
import { useStore } from 'zustand';
import { archiveLimits } from '@/core/files/unzip';
import type { OpenedTheme } from '@/core/theme/openTheme';
import { FileReading } from '@/work/fileReading';
import { theEngine } from './tab/engine';
import { notify } from '../shared/notices';

export interface ThemeFiles {
  readonly opened: OpenedTheme | undefined;
  /** What is being read. */
  readonly busy: string | undefined;
  open(files: readonly File[]): Promise<OpenedTheme | undefined>;
  cancel(): void;
  clear(): void;
}

/**
 * Reads dropped style sheets and theme zips in the worker; what is refused is said and changes
 * nothing.
 */
export function useThemeFiles(): ThemeFiles {
  const [reading] = useState(() => new FileReading((words) => notify('bad', words)));
  const busy = useStore(reading.state, (s) => s.busy);
  const [opened, setOpened] = useState<OpenedTheme>();
  const open = useCallback(
    async (files: readonly File[]) => {
      const placed = files.map((file) => ({ path: file.name, file }));
      const theme = await reading.read(placed, { each: archiveLimits.bytes }, (read, signal) =>
        theEngine().openTheme(
          read.map(({ path, bytes }) => ({ name: path, bytes })),
          signal,
        ),
      );
      if (theme) {
        setOpened(theme);
      }
      return theme;
    },
    [reading],
  );
  const cancel = useCallback(() => reading.cancel(), [reading]);
  const clear = useCallback(() => setOpened(undefined), []);
  return { opened, busy, open, cancel, clear };
}
