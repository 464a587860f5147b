'use client';

import type { OpenedPage } from '@/core/ownPage/openPages';
import type { FolderFile } from '../folderFiles';

/** What was dropped on one screen, for another of the same site to take. */
export interface Arrivals {
  /** Pages that were read already. */
  readonly pages?: readonly OpenedPage[];
  /** Files of pages or of a theme. */
  readonly files?: readonly FolderFile[];
  /** Pictures for the shelf. */
  readonly pictures?: readonly File[];
}

const arrived = new Map<string, Arrivals>();

export const bring = (siteId: string, what: Arrivals): void => {
  arrived.set(siteId, what);
};

/** What was brought for a site, once; nothing where it is something else. */
export function takeArrived<K extends keyof Arrivals>(siteId: string, what: K): Arrivals[K] {
  const found = arrived.get(siteId)?.[what];
  if (found !== undefined) {
    arrived.delete(siteId);
  }
  return found;
}
