'use client';

import type { OpenedPage } from '@/core/ownPage/openPages';

/** Pages that were dropped on one screen, for the plan of a site to show. */
const arrived = new Map<string, readonly OpenedPage[]>();

export const bring = (siteId: string, pages: readonly OpenedPage[]): void => {
  arrived.set(siteId, pages);
};

/** What was brought for a site, once. */
export function takeArrived(siteId: string): readonly OpenedPage[] | undefined {
  const pages = arrived.get(siteId);
  arrived.delete(siteId);
  return pages;
}
