'use client';

import type { Site } from '@/core/site/model/site';
import { keysOf, useSiteFiles } from './useSiteFiles';

/** Bytes of each slot's file, by the slot's id, as they become known; of blank slots none. */
export function useWeights(site: Site): ReadonlyMap<string, number> {
  const files = useSiteFiles(site, 0);
  return new Map(
    [...keysOf(site)].flatMap(([slotId, key]) => {
      const file = files.get(key);
      if (key === '') {
        return [[slotId, 0] as const];
      }
      return file && file !== 'failed' ? [[slotId, file.bytes] as const] : [];
    }),
  );
}
