'use client';

import { useEffect, useMemo, useState } from 'react';
import type { Mend } from '@/core/readings/reading';
import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { isBlank, pictureOf } from '@/core/site/picture';
import { theEngine } from './tab/engine';
import { theFiles } from './tab/files';
import { recallFindings, storeFindings } from './tab/findings';
import { useLatestTask } from './useLatestTask';
import { keysOf, useSiteFiles } from './useSiteFiles';

type BySlot = ReadonlyMap<string, readonly ToldReading[]>;

export interface SiteReadings {
  readonly bySlot: BySlot;
  /** They are of the site as it is now. */
  readonly current: boolean;
  /** Pictures whose file is still to be pressed; undefined while it is looked for what is known. */
  readonly pending: number | undefined;
  /** What would put a reading right, as things are now. */
  mendOf(slot: Slot, readingId: string): Promise<Mend | undefined>;
}

/** Before the plan has come to rest nothing is pressed for it, ms. */
const rest = 700;
const none: BySlot = new Map();

/**
 * All readings of all slots: those that an earlier visit left of this very site; else at once those
 * that need no file, the others as their files are pressed.
 */
export function useSiteReadings(site: Site): SiteReadings {
  // Only the site as it was opened can be what an earlier visit left.
  const [opened] = useState(site);
  const left = useLatestTask<BySlot | 'none'>(opened, 'none', async ({ update }) => {
    const found = await recallFindings(opened);
    update(() => found ?? 'none');
  });
  const [caughtUp, setCaughtUp] = useState(false);
  const stands = !caughtUp && left.value !== 'none' ? left.value : undefined;
  const recalled = site === opened ? stands : undefined;
  const looked = site !== opened || (left.current && !left.running);
  const files = useSiteFiles(site, rest, looked && !recalled);
  const subject = useMemo(() => {
    const keys = keysOf(site);
    const known = new Map(
      [...keys].flatMap(([slotId, key]) => {
        const file = files.get(key);
        return file && file !== 'failed' ? [[slotId, { key, weight: file.weight }] as const] : [];
      }),
    );
    const filed = [...keys.values()].filter((key) => key);
    const pending = filed.filter((key) => !files.has(key)).length;
    return { known, pending, complete: known.size === filed.length };
  }, [site, files]);
  // What was left stays until all files are there again, so that no finding goes and comes back.
  const { value, current } = useLatestTask<BySlot>(
    looked && !recalled && (!stands || subject.pending === 0) ? subject : undefined,
    none,
    async ({ update, isCurrent }) => {
      let lost = false;
      const read = async (slot: Slot) => {
        try {
          return await theFiles().seen(site, slot, isCurrent);
        } catch (error) {
          lost = true;
          throw error;
        }
      };
      const files = new Map(
        site.slots.flatMap((slot) => {
          const known = subject.known.get(slot.id);
          return known ? [[slot.id, { ...known, read: () => read(slot) }] as const] : [];
        }),
      );
      const found = await theEngine().bulk.readings(site, files, isCurrent);
      if (!found) {
        return;
      }
      update(() => found);
      setCaughtUp(true);
      if (subject.complete && !lost) {
        await storeFindings(site, found);
      }
    },
    { keepPrevious: true, oneAtATime: true },
  );
  const pressed = recalled !== undefined || (looked && subject.pending === 0);
  useEffect(() => {
    if (pressed) {
      // A bench is likely to be opened next; of many photos the others read some.
      theEngine().warm();
      theEngine().warmBackground();
    }
  }, [pressed]);
  const pending = looked ? subject.pending : undefined;
  return {
    bySlot: stands ?? value,
    current: recalled !== undefined || current,
    pending: recalled ? 0 : pending,
    async mendOf(slot, readingId) {
      const { takeReadings } = await import('@/core/readings/registry');
      const picture = pictureOf(site, slot);
      const file = isBlank(picture)
        ? undefined
        : await theFiles().file(site, slot, picture, () => true);
      return takeReadings({ site, slot, picture, file }).find((r) => r.id === readingId)?.mend;
    },
  };
}
