'use client';

import type { LighterOption } from '@/core/lightest/lighterOptions';
import { subjectKey, type Subject } from '@/work/searches';
import type { LighterCandidate } from '@/work/lighterCandidates';
import { theLighterCandidates } from './tab/lighterCandidates';
import { useLatestTask } from './useLatestTask';

export type { LighterCandidate as TriedWayDown } from '@/work/lighterCandidates';

const none: ReadonlyMap<string, LighterCandidate> = new Map();

/**
 * Searches the file of what each way makes of a picture, one after the other.
 * @param bytes the most that are wanted; nothing is begun while it is undefined
 * @returns by the way's id; ways that are still to be tried are not in it
 */
export function useLighterCandidates(
  subject: Subject,
  ways: readonly LighterOption[],
  bytes: number | undefined,
): ReadonlyMap<string, LighterCandidate> {
  const labels = ways.map((w) => w.tries.map((t) => t.label));
  const key = `${subjectKey(subject)} ${bytes} ${JSON.stringify(labels)}`;
  const { value, current } = useLatestTask(
    bytes === undefined || ways.length === 0 ? undefined : key,
    none,
    ({ isCurrent, update }) =>
      theLighterCandidates().all(subject.site, subject.slot, ways, bytes!, isCurrent, (tried) =>
        update((before) => new Map([...before, [tried.id, tried]])),
      ),
  );
  return current ? value : none;
}
