'use client';

import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import { findingsOf, keepFindings } from '@/store/findings';
import { built } from './built';
import { theDatabase } from './database';

type BySlot = ReadonlyMap<string, readonly ToldReading[]>;

/** What was asked for or kept in this tab, by the site as it was. */
const known = new WeakMap<Site, Promise<BySlot | undefined>>();

/** All readings of a site as it is, as an earlier visit left them. */
export function recallFindings(site: Site): Promise<BySlot | undefined> {
  const there = known.get(site);
  if (there) {
    return there;
  }
  const asked = findingsOf(theDatabase(), site, built).catch(() => undefined);
  known.set(site, asked);
  return asked;
}

/** Keeps them; what could not be kept is found out again. */
export function storeFindings(site: Site, bySlot: BySlot): Promise<void> {
  known.set(site, Promise.resolve(bySlot));
  return keepFindings(theDatabase(), site, built, bySlot).catch(() => {});
}
