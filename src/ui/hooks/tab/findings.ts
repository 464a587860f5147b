'use client';

import type { ToldReading } from '@/core/readings/told';
import type { Site } from '@/core/site/model/site';
import { findingsOf, keepFindings } from '@/store/findings';
import { built } from './built';
import { theDatabase } from './database';

type BySlot = ReadonlyMap<string, readonly ToldReading[]>;

/** All readings of a site as it is, as an earlier visit left them. */
export const recallFindings = (site: Site): Promise<BySlot | undefined> =>
  findingsOf(theDatabase(), site, built);

/** Keeps them; what could not be kept is found out again. */
export const storeFindings = (site: Site, bySlot: BySlot): Promise<void> =>
  keepFindings(theDatabase(), site, built, bySlot).catch(() => {});
