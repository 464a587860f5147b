'use client';

import { fileKey } from '@/core/readings/survey';
import type { Site } from '@/core/site/model/site';
import { pictureOf } from '@/core/site/picture';
import { fileWeight } from '@/engine/siteReader';
import { theFiles } from './tab/files';
import { useLatestTask } from './useLatestTask';

/** What stays of a file that is known; its pixels are kept elsewhere, and only of some. */
interface KnownFile {
  readonly bytes: number;
  /** Bytes of its pixels. */
  readonly weight: number;
}

export type SiteFiles = ReadonlyMap<string, KnownFile | 'failed'>;

const none: SiteFiles = new Map();

/** What tells each slot's file, by the slot's id; empty for blank slots. */
export const keysOf = (site: Site): ReadonlyMap<string, string> =>
  new Map(site.slots.map((slot) => [slot.id, fileKey(site, slot, pictureOf(site, slot))]));

/**
 * What is known of the files of all slots as they are there, by what tells them; those of states
 * that are over are forgotten.
 * @param rest ms without a change before anything is pressed
 * @param asked nothing is pressed while it is false
 */
export function useSiteFiles(site: Site, rest: number, asked = true): SiteFiles {
  const keys = [...keysOf(site).values()];
  const { value: files } = useLatestTask<SiteFiles>(
    asked ? keys.join('\n') : undefined,
    none,
    ({ isCurrent, value, update }) =>
      theFiles().ofSite(
        site,
        (key) => value().has(key),
        isCurrent,
        (key, file) => {
          const known = file === 'failed' ? file : { bytes: file.bytes, weight: fileWeight(file) };
          update((before) => {
            const all = [...before, [key, known] as const];
            return new Map(all.filter(([k]) => keys.includes(k)));
          });
        },
      ),
    { debounceMs: rest, keepPrevious: true },
  );
  return files;
}
