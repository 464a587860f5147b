'use client';

import type { Site } from '@/core/site/model/site';
import { packSite } from '@/store/siteFiles';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';

/** A site with all it needs, as the bytes of a site file. */
export const packedSite = async (site: Site): Promise<Uint8Array<ArrayBuffer>> =>
  theEngine().bulk.packSite(await packSite(theDatabase(), site));
