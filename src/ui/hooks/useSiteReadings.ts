'use client';

import { useMemo } from 'react';
import type { Reading } from '@/core/readings/reading';
import { takeReadings } from '@/core/readings/registry';
import type { Site } from '@/core/site/model/site';
import { pictureOf } from '@/core/site/picture';
import { keysOf, useSiteFiles } from './useSiteFiles';

export interface SiteReadings {
  readonly bySlot: ReadonlyMap<string, readonly Reading[]>;
  /** Pictures whose file is still to be pressed. */
  readonly pending: number;
}

/** Before the plan has come to rest nothing is pressed for it, ms. */
const rest = 700;

/** All readings of all slots: at once those that need no file, the others one after the other. */
export function useSiteReadings(site: Site): SiteReadings {
  const files = useSiteFiles(site, rest);
  return useMemo(() => {
    const keys = keysOf(site);
    const bySlot = new Map(
      site.slots.map((slot) => {
        const found = files.get(keys.get(slot.id) ?? '');
        const file = found === 'failed' ? undefined : found;
        return [
          slot.id,
          takeReadings({ site, slot, picture: pictureOf(site, slot), file }),
        ] as const;
      }),
    );
    const pending = [...keys.values()].filter((key) => key && !files.has(key)).length;
    return { bySlot, pending };
  }, [site, files]);
}
