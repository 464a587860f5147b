'use client';

import { useCallback, useRef, useState } from 'react';
import { limits } from '@/core/measure/inspect';
import type { OpenedTheme } from '@/core/theme/openTheme';
import { theEngine } from '../hooks/tab/engine';
import { say } from '../shared/notices';

export interface ThemeFiles {
  readonly opened: OpenedTheme | undefined;
  /** Names of the files being read. */
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
  const [opened, setOpened] = useState<OpenedTheme>();
  const [busy, setBusy] = useState<string>();
  const stop = useRef<AbortController>(undefined);
  const open = useCallback(async (files: readonly File[]) => {
    if (files.length === 0) {
      return undefined;
    }
    stop.current?.abort();
    const own = new AbortController();
    stop.current = own;
    setBusy(files.map((f) => f.name).join(', '));
    try {
      const large = files.find((f) => f.size > limits.bytes);
      if (large) {
        throw new Error(
          `${large.name}: expected at most ${limits.bytes / 2 ** 20} MB, found ${Math.round(large.size / 2 ** 20)} MB.`,
        );
      }
      const read = await Promise.all(
        files.map(async (f) => ({ name: f.name, bytes: new Uint8Array(await f.arrayBuffer()) })),
      );
      const theme = await theEngine().openTheme(read, own.signal);
      if (stop.current !== own) {
        return undefined;
      }
      setOpened(theme);
      return theme;
    } catch (error) {
      if (!own.signal.aborted) {
        say('bad', error instanceof Error ? error.message : String(error));
      }
      return undefined;
    } finally {
      if (stop.current === own) {
        setBusy(undefined);
      }
    }
  }, []);
  const cancel = useCallback(() => {
    stop.current?.abort();
    stop.current = undefined;
    setBusy(undefined);
  }, []);
  const clear = useCallback(() => setOpened(undefined), []);
  return { opened, busy, open, cancel, clear };
}
