'use client';

import { useEffect, useState } from 'react';
import type { Mend, Verdict, Way } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import { applyEdit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf, slotOf } from '@/core/site/picture';
import { pressedFile, pressKey, type File } from './pressing';

/** A way as it was tried: what came of it, and at which price. */
export interface Tried {
  readonly id: string;
  readonly mend: Mend;
  readonly file: File;
  readonly verdict: Verdict;
  readonly figure: string;
}

/**
 * Presses what each way would make of the picture and takes the reading of it, one after the other,
 * in the background.
 * @param readingId whose figure tells what came of it
 * @param wait nothing is begun while it is true
 * @returns by the way's id; ways that are still to be tried are not in it
 */
export function useTried(
  site: Site,
  slot: Slot,
  readingId: string,
  ways: readonly Way[],
  wait: boolean,
): ReadonlyMap<string, Tried> {
  const [found, setFound] = useState<{ key: string; tried: ReadonlyMap<string, Tried> }>({
    key: '',
    tried: new Map(),
  });
  const key = `${readingId} ${pressKey(site, slot, pictureOf(site, slot))} ${JSON.stringify([slot.beside, site.pages, site.limits, ways.map((w) => w.tries.map((t) => t.label))])}`;
  useEffect(() => {
    if (wait || ways.length === 0) {
      return;
    }
    let current = true;
    const one = async ({ id, tries }: Way): Promise<Tried | undefined> => {
      let last: Tried | undefined;
      for (const mend of tries) {
        const edited = applyEdit(site, mend.edit);
        const there = slotOf(edited, slot.id);
        if (!there) {
          return last;
        }
        const picture = pictureOf(edited, there);
        const file = await pressedFile(edited, there, picture, () => current);
        if (!file) {
          return undefined;
        }
        const reading = takeReadings({ site: edited, slot: there, picture, file }).find(
          (r) => r.id === readingId,
        );
        // A reading that does not apply any more has nothing left to say against it.
        last = {
          id,
          mend,
          file,
          verdict: reading?.verdict ?? 'holds',
          figure: reading?.figure ?? '',
        };
        if (last.verdict === 'holds') {
          return last;
        }
      }
      return last;
    };
    const timer = setTimeout(async () => {
      for (const way of ways) {
        const tried = await one(way).catch(() => undefined);
        if (!current) {
          return;
        }
        if (tried) {
          setFound((before) => ({
            key,
            tried: new Map([...(before.key === key ? before.tried : []), [way.id, tried]]),
          }));
        }
      }
    }, 300);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // The key stands for everything that the ways depend on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, wait]);
  return found.key === key ? found.tried : new Map();
}
