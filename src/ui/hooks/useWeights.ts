'use client';

import { useEffect, useState } from 'react';
import type { Site } from '@/core/site/model/site';
import { isBlank, pictureOf } from '@/core/site/picture';
import { pressedFile, pressKey } from './pressing';

/** Bytes of each slot's file, by the slot's id, as they become known; of blank slots none. */
export function useWeights(site: Site): ReadonlyMap<string, number> {
  const [known, setKnown] = useState<ReadonlyMap<string, { key: string; bytes: number }>>(
    new Map(),
  );
  const wanted = site.slots
    .map((slot) => ({ slot, picture: pictureOf(site, slot) }))
    .map((w) => ({ ...w, key: pressKey(site, w.slot, w.picture) }));
  const keys = wanted.map((w) => w.key).join('\n');
  useEffect(() => {
    let current = true;
    void (async () => {
      for (const { slot, picture, key } of wanted) {
        if (!key || !current) {
          continue;
        }
        const file = await pressedFile(site, slot, picture, () => current).catch(() => undefined);
        if (!current) {
          return;
        }
        if (file) {
          setKnown((before) => new Map([...before, [slot.id, { key, bytes: file.bytes }]]));
        }
      }
    })();
    return () => {
      current = false;
    };
    // The keys stand for everything that the files depend on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [keys]);
  return new Map(
    wanted.flatMap(({ slot, picture, key }) => {
      const found = known.get(slot.id);
      if (isBlank(picture)) {
        return [[slot.id, 0] as const];
      }
      if (found?.key === key) {
        return [[slot.id, found.bytes] as const];
      }
      return [];
    }),
  );
}
