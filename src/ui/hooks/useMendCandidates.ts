'use client';

import type { Way } from '@/core/readings/reading';
import { fileKey } from '@/core/readings/survey';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import type { MendCandidate } from '@/work/mendCandidates';
import { theMendCandidates } from './tab/mendCandidates';
import { useLatestTask } from './useLatestTask';

export type { MendCandidate as Tried } from '@/work/mendCandidates';

const none: ReadonlyMap<string, MendCandidate> = new Map();

/**
 * Presses what each way would make of the picture and takes the reading of it, one after the other,
 * in the background.
 * @param readingId whose figure tells what came of it
 * @param wait nothing is begun while it is true
 * @returns by the way's id; ways that are still to be tried are not in it
 */
export function useMendCandidates(
  site: Site,
  slot: Slot,
  readingId: string,
  ways: readonly Way[],
  wait: boolean,
): ReadonlyMap<string, MendCandidate> {
  const state = fileKey(site, slot, pictureOf(site, slot));
  const labels = ways.map((w) => w.tries.map((t) => t.label));
  const key = `${readingId} ${state} ${JSON.stringify([slot.beside, site.pages, site.limits, labels])}`;
  const { value, current } = useLatestTask(
    wait || ways.length === 0 ? undefined : key,
    { key: '', tried: none },
    ({ isCurrent, update }) =>
      theMendCandidates().all(site, slot, readingId, ways, isCurrent, (tried) =>
        update((before) => ({ key, tried: new Map([...before.tried, [tried.id, tried]]) })),
      ),
    { debounceMs: 300 },
  );
  return current || value.key === key ? value.tried : none;
}
