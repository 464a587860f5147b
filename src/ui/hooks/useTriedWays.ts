'use client';

import type { Way } from '@/core/readings/reading';
import { fileKey } from '@/core/readings/survey';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import type { TriedWay } from '@/work/tries';
import { theTries } from './tab/tries';
import { useKeyed } from './useKeyed';

export type { TriedWay as Tried } from '@/work/tries';

const none: ReadonlyMap<string, TriedWay> = new Map();

/**
 * Presses what each way would make of the picture and takes the reading of it, one after the other,
 * in the background.
 * @param readingId whose figure tells what came of it
 * @param wait nothing is begun while it is true
 * @returns by the way's id; ways that are still to be tried are not in it
 */
export function useTriedWays(
  site: Site,
  slot: Slot,
  readingId: string,
  ways: readonly Way[],
  wait: boolean,
): ReadonlyMap<string, TriedWay> {
  const state = fileKey(site, slot, pictureOf(site, slot));
  const labels = ways.map((w) => w.tries.map((t) => t.label));
  const key = `${readingId} ${state} ${JSON.stringify([slot.beside, site.pages, site.limits, labels])}`;
  const { value, current } = useKeyed(
    wait || ways.length === 0 ? undefined : key,
    { key: '', tried: none },
    ({ wanted, put }) =>
      theTries().all(site, slot, readingId, ways, wanted, (tried) =>
        put((before) => ({ key, tried: new Map([...before.tried, [tried.id, tried]]) })),
      ),
    { rest: 300 },
  );
  return current || value.key === key ? value.tried : none;
}
