'use client';

import { useEffect, useState } from 'react';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pressedFile, pressKey, type File } from './pressing';

export interface Press {
  /** The newest file there is, and whether it is of the state that is shown. */
  readonly file: File | undefined;
  readonly current: boolean;
  readonly failure: string | undefined;
}

/**
 * Presses a picture whenever it has come to rest, and keeps the last file until the next is done.
 * @param moving a gesture is going on: whatever it makes of the picture is not pressed yet
 */
export function usePressed(site: Site, slot: Slot, picture: Picture, moving: boolean): Press {
  const key = pressKey(site, slot, picture);
  const [done, setDone] = useState<{ key: string; file?: Press['file']; failure?: string }>({
    key: '',
  });
  useEffect(() => {
    if (!key || moving) {
      return;
    }
    let wanted = true;
    const timer = setTimeout(async () => {
      try {
        const file = await pressedFile(site, slot, picture, () => wanted);
        if (wanted && file) {
          setDone({ key, file });
        }
      } catch (error) {
        if (wanted) {
          setDone((d) => ({
            ...d,
            key,
            failure: error instanceof Error ? error.message : String(error),
          }));
        }
      }
    }, 180);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
    // The key stands for everything that the file depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, moving]);
  return key
    ? {
        file: done.file,
        current: done.key === key && !done.failure,
        failure: done.key === key ? done.failure : undefined,
      }
    : { file: undefined, current: false, failure: undefined };
}
