'use client';

import { inspectPicture } from '@/core/measure/inspect';
import { shelfItem } from '@/core/shelf/item';
import type { ShelfItem } from '@/core/site/model/shelf';
import { newSite } from '@/core/site/newSite';
import { sampleFiles, sampleSite } from '@/demo/sample';
import { addSite } from '@/store/addSite';
import { addSiteFile } from '@/store/siteFiles';
import { storeAsset } from './tab/assets';
import { theDatabase } from './tab/database';
import { theEngine } from './tab/engine';

/* Sites that come to those there are. Loaded when the first is wanted. */

type SampleFile = (typeof sampleFiles)[number];

async function shelveSampleFile(file: SampleFile): Promise<[string, ShelfItem]> {
  const response = await fetch(file.url);
  if (!response.ok) {
    throw new Error(`${file.name}: expected the sample's file, found status ${response.status}.`);
  }
  const bytes = new Uint8Array(await response.arrayBuffer());
  const { format, width, height } = inspectPicture(file.name, bytes);
  const assetId = await storeAsset(bytes);
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
