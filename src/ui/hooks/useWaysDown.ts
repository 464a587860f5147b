'use client';

import type { WayDown } from '@/core/lightest/waysDown';
import { subjectKey, type Subject } from '@/work/searches';
import type { TriedWayDown } from '@/work/waysDown';
import { theWaysDown } from './tab/waysDown';
import { useKeyed } from './useKeyed';

export type { TriedWayDown } from '@/work/waysDown';

const none: ReadonlyMap<string, TriedWayDown> = new Map();

/**
 * Searches the file of what each way makes of a picture, one after the other.
 * @param bytes the most that are wanted; nothing is begun while it is undefined
 * @returns by the way's id; ways that are still to be tried are not in it
 */
export function useWaysDown(
  subject: Subject,
  ways: readonly WayDown[],
  bytes: number | undefined,
): ReadonlyMap<string, TriedWayDown> {
  const labels = ways.map((w) => w.tries.map((t) => t.label));
  const key = `${subjectKey(subject)} ${bytes} ${JSON.stringify(labels)}`;
  const { value, current } = useKeyed(
    bytes === undefined || ways.length === 0 ? undefined : key,
    none,
    ({ wanted, put }) =>
      theWaysDown().all(subject.site, subject.slot, ways, bytes!, wanted, (tried) =>
        put((before) => new Map([...before, [tried.id, tried]])),
      ),
  );
  return current ? value : none;
}
