'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { inspectPicture } from '@/core/measure/inspect';
import type { PackedSite } from '@/core/handover/siteFile';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { sampleFiles, sampleSite } from '@/demo/sample';
import { shelfItem } from '@/core/shelf/item';
import { putAsset } from '@/store/assets';
import { addSiteFile, packSite } from '@/store/siteFiles';
import { addSite, listSites, removeSite, type ListedSite } from '@/store/sites';
import { theDatabase } from './services';
import { forgetSession } from './useSession';

export type { ListedSite } from '@/store/sites';

/** All sites, newest first; undefined until the database has answered. */
export const useSites = (): ListedSite[] | undefined =>
  useLiveQuery(() => listSites(theDatabase()), []);

async function shelveSampleFile(file: (typeof sampleFiles)[number]): Promise<[string, ShelfItem]> {
  const response = await fetch(file.url);
  if (!response.ok) {
    throw new Error(`${file.name}: expected the sample's file, found status ${response.status}.`);
  }
  const bytes = new Uint8Array(await response.arrayBuffer());
  const { format, width, height } = inspectPicture(file.name, bytes);
  const assetId = await putAsset(theDatabase(), bytes);
  return [
    file.key,
    shelfItem({
      assetId,
      name: file.name,
      width,
      height,
      format,
      bytes: bytes.length,
      maker: file.maker,
      source: 'Soyez sample',
      licence: 'own',
      rightsChecked: true,
      subject: file.subject,
      date: '2026-11-20',
    }),
  ];
}

/** Puts the sample site beside whatever is there and returns its id. */
export async function installSample(): Promise<string> {
  const shelf = Object.fromEntries(await Promise.all(sampleFiles.map(shelveSampleFile)));
  const id = crypto.randomUUID();
  await addSite(theDatabase(), sampleSite(id, shelf), Date.now());
  return id;
}

/** An empty site with one page; returns its id. */
export async function createSite(name: string): Promise<string> {
  const id = crypto.randomUUID();
  await addSite(theDatabase(), newSite(id, crypto.randomUUID(), name), Date.now());
  return id;
}

/**
 * Adds the site of a site file beside those there are; returns its id. @throws Error with a message
 * for people; nothing is stored then
 */
export async function openSiteFile(file: File): Promise<string> {
  return addSiteFile(
    theDatabase(),
    file.name,
    new Uint8Array(await file.arrayBuffer()),
    crypto.randomUUID(),
    Date.now(),
  );
}

export const packedSite = (site: Site): Promise<PackedSite> => packSite(theDatabase(), site);

export async function deleteSite(id: string): Promise<void> {
  await removeSite(theDatabase(), id);
  forgetSession(id);
}
