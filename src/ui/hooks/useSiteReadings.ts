'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import type { Site } from '@/core/site/model/site';
import { pictureOf } from '@/core/site/picture';
import { pressedFile, pressKey, type File } from './pressing';

export interface SiteReadings {
  readonly bySlot: ReadonlyMap<string, readonly Reading[]>;
  /** Pictures whose file is still to be pressed. */
  readonly pending: number;
}

/** Before the plan has come to rest nothing is pressed for it, ms. */
const rest = 700;

/**
 * All readings of all slots: at once those that need no file, the others one picture after the
 * other.
 */
export function useSiteReadings(site: Site): SiteReadings {
  const [files, setFiles] = useState<ReadonlyMap<string, File | 'failed'>>(new Map());
  const wanted = site.slots
    .map((slot) => ({ slot, picture: pictureOf(site, slot) }))
    .map((w) => ({ ...w, key: pressKey(site, w.slot, w.picture) }));
  const keys = wanted.map((w) => w.key).join('\n');
  useEffect(() => {
    let current = true;
    const timer = setTimeout(async () => {
      for (const { slot, picture, key } of wanted) {
        if (!key || files.has(key)) {
          continue;
        }
        const file = await pressedFile(site, slot, picture, () => current).catch(
          () => 'failed' as const,
        );
        if (!current || !file) {
          return;
        }
        setFiles(
          (before) =>
            new Map(
              [...before, [key, file] as const].filter(([k]) => wanted.some((w) => w.key === k)),
            ),
        );
      }
    }, rest);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The keys stand for everything that the files depend on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [keys]);
  const bySlot = useMemo(
    () =>
      new Map(
        wanted.map(({ slot, picture, key }) => {
          const file = files.get(key);
          return [
            slot.id,
            takeReadings({ site, slot, picture, file: file === 'failed' ? undefined : file }),
          ] as const;
          // `wanted` is made of the site alone.
        }),
      ),
    [site, files],
  );
  return { bySlot, pending: wanted.filter((w) => w.key && !files.has(w.key)).length };
}
