'use client';

import { useMemo } from 'react';
import type { Mend } from '@/core/readings/reading';
import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { pictureOf } from '@/core/site/picture';
import { theEngine } from './tab/engine';
import { useKeyed } from './useKeyed';
import { keysOf, useSiteFiles } from './useSiteFiles';

type BySlot = ReadonlyMap<string, readonly ToldReading[]>;

export interface SiteReadings {
  readonly bySlot: BySlot;
  /** They are of the site as it is now. */
  readonly current: boolean;
  /** Pictures whose file is still to be pressed. */
  readonly pending: number;
  /** What would put a reading right, as things are now. */
  mendOf(slot: Slot, readingId: string): Promise<Mend | undefined>;
}

/** Before the plan has come to rest nothing is pressed for it, ms. */
const rest = 700;
const none: BySlot = new Map();

/** All readings of all slots: at once those that need no file, the others one after the other. */
export function useSiteReadings(site: Site): SiteReadings {
  const files = useSiteFiles(site, rest);
  const subject = useMemo(() => {
    const keys = keysOf(site);
    const known = new Map(
      [...keys].flatMap(([slotId, key]) => {
        const file = files.get(key);
        return file && file !== 'failed' ? [[slotId, { key, file }] as const] : [];
      }),
    );
    const pending = [...keys.values()].filter((key) => key && !files.has(key)).length;
    return { known, pending };
  }, [site, files]);
  const { value: bySlot, current } = useKeyed<BySlot>(
    subject,
    none,
    async ({ put }) => {
      const found = await theEngine().bulk.readings(site, subject.known);
      put(() => found);
    },
    { carries: true, oneAtATime: true },
  );
  return {
    bySlot,
    current,
    pending: subject.pending,
    async mendOf(slot, readingId) {
      const { takeReadings } = await import('@/core/readings/registry');
      const { file } = subject.known.get(slot.id) ?? {};
      return takeReadings({ site, slot, picture: pictureOf(site, slot), file }).find(
        (reading) => reading.id === readingId,
      )?.mend;
    },
  };
}
