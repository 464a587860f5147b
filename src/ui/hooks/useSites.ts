'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { inspectPicture } from '@/core/measure/inspect';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { shelfItem } from '@/core/shelf/item';
import { putAsset } from '@/store/assets';
import { addSiteFile, packSite } from '@/store/siteFiles';
import { addSite, listSites, removeSite, storedText, type ListedSite } from '@/store/sites';
import { theDatabase, theEngine, theTab } from './services';

export type { ListedSite } from '@/store/sites';

/** All sites, newest first; undefined until the database has answered. */
export const useSites = (): ListedSite[] | undefined =>
  useLiveQuery(() => listSites(theDatabase()), []);

type SampleFile = (typeof import('@/demo/sample').sampleFiles)[number];

async function shelveSampleFile(file: SampleFile): Promise<[string, ShelfItem]> {
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
  const { sampleFiles, sampleSite } = await import('@/demo/sample');
  const shelf = Object.fromEntries(await Promise.all(sampleFiles.map(shelveSampleFile)));
  const id = crypto.randomUUID();
  await addSite(theDatabase(), sampleSite(id, shelf), Date.now());
  return id;
}

/**
 * Asks the browser once to keep what is stored even when its disk fills; sites of the owner's own
 * are worth it.
 */
async function askToKeep(): Promise<void> {
  try {
    if (!(await navigator.storage.persisted())) {
      await navigator.storage.persist();
    }
  } catch {
    /* A browser that cannot promise it keeps sites all the same. */
  }
}

/** A stored site that cannot be read, as it is, to be kept as a file. */
export const unreadText = (id: string): Promise<string> => storedText(theDatabase(), id);

/** An empty site with one page; returns its id. */
export async function createSite(name: string): Promise<string> {
  const id = crypto.randomUUID();
  await addSite(theDatabase(), newSite(id, crypto.randomUUID(), name), Date.now());
  void askToKeep();
  return id;
}

/**
 * Adds the site of a site file beside those there are; returns its id. @throws Error with a message
 * for people; nothing is stored then
 */
export async function openSiteFile(file: File): Promise<string> {
  const bytes = new Uint8Array(await file.arrayBuffer());
  const packed = await theEngine().bulk.unpackSite(file.name, bytes);
  const id = await addSiteFile(theDatabase(), file.name, packed, crypto.randomUUID(), Date.now());
  void askToKeep();
  return id;
}

/** A site with all it needs, as the bytes of a site file. */
export const packedSite = async (site: Site): Promise<Uint8Array<ArrayBuffer>> =>
  theEngine().bulk.packSite(await packSite(theDatabase(), site));

export async function deleteSite(id: string): Promise<void> {
  theTab().sites.forget(id);
  await removeSite(theDatabase(), id, Date.now());
  theTab().tabs.announce(id);
}
