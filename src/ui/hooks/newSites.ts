'use client';

import { inspectPicture } from '@/core/measure/inspect';
import { shelfItem } from '@/core/shelf/item';
import type { ShelfItem } from '@/core/site/model/shelf';
import { applyEdit, renameSite } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { SlotKind } from '@/core/site/model/slot';
import { newSite } from '@/core/site/newSite';
import { pictureOf } from '@/core/site/picture';
import { freeSiteName, siteWithSlot } from '@/core/site/siteWithSlot';
import { sampleFiles, sampleSite } from '@/demo/sample';
import { served } from '@/served/address';
import { servedFile } from '@/served/file';
import { addSite } from '@/store/addSite';
import { addSiteFile } from '@/store/siteFiles';
import { storeAsset } from './tab/assets';
import { theDatabase } from './tab/database';
import { layingFirst } from './firstPlaces';
import { rememberSample } from './samples';
import { theEngine } from './tab/engine';
import { theSites } from './tab/sites';
import { shelveBytes } from './useIntake';

/* Sites that come to those there are. Loaded when the first is wanted. */

type SampleFile = (typeof sampleFiles)[number];

async function shelveSampleFile(file: SampleFile): Promise<[string, ShelfItem]> {
  const bytes = await servedFile(served(file.url), file.name);
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

/**
 * Puts the sample site, as it was, beside whatever is there and returns its id.
 * @param signal gives it up: no site is added
 */
export async function installSample(signal: AbortSignal): Promise<string> {
  const shelf = Object.fromEntries(await Promise.all(sampleFiles.map(shelveSampleFile)));
  signal.throwIfAborted();
  const id = crypto.randomUUID();
  await addSite(theDatabase(), sampleSite(id, shelf), Date.now());
  rememberSample(id);
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

async function add(site: Site): Promise<string> {
  await addSite(theDatabase(), site, Date.now());
  void askToKeep();
  return site.id;
}

const namesTaken = async (): Promise<string[]> =>
  (await theDatabase().sites.toArray()).map(({ site }) => String(site?.name ?? ''));

/** An empty site with one page; returns its id. */
export async function createSite(wanted: string): Promise<string> {
  const name = freeSiteName(await namesTaken(), wanted);
  return add(newSite(crypto.randomUUID(), crypto.randomUUID(), name));
}

/** What a slot is to be, before there is a site for it. */
export interface FirstSlot {
  readonly kind: SlotKind;
  readonly width: number;
  readonly height: number;
}

const untitled = 'My site';

/** A site with that one slot. @returns the ids of both */
export async function createSiteFor(slot: FirstSlot): Promise<{ site: string; slot: string }> {
  const ids = { site: crypto.randomUUID(), page: crypto.randomUUID(), slot: crypto.randomUUID() };
  await add(siteWithSlot(ids, freeSiteName(await namesTaken(), untitled), slot));
  return ids;
}

/**
 * A site with that one slot and a photo in it, framed to what matters.
 * @param signal gives it up: no site is made
 * @throws Error with a message for people where the photo cannot be read; nothing is stored then
 */
export async function createSiteWith(
  slot: FirstSlot,
  photo: File,
  signal: AbortSignal,
): Promise<{ site: string; slot: string }> {
  const bytes = new Uint8Array(await photo.arrayBuffer());
  const item = await shelveBytes(photo.name, bytes, 'own file');
  const ids = { site: crypto.randomUUID(), page: crypto.randomUUID(), slot: crypto.randomUUID() };
  const empty = siteWithSlot(ids, freeSiteName(await namesTaken(), untitled), slot);
  const [there] = empty.slots;
  const edit = await layingFirst(there, pictureOf(empty, there), item);
  signal.throwIfAborted();
  await add(applyEdit(empty, edit));
  return ids;
}

/** The same site once more, without its history; returns its id. */
export async function duplicateSite(site: Site): Promise<string> {
  const name = freeSiteName(await namesTaken(), `${site.name}, copy`);
  return add({ ...site, id: crypto.randomUUID(), name });
}

/** Gives a site another name, as one step of its history. */
export async function renameSiteTo(id: string, name: string): Promise<void> {
  const session = await theSites().open(id);
  session?.commit(`Call the site ${name}`, renameSite(name));
}

/**
 * Adds the site of a site file beside those there are; returns its id.
 * @param signal gives it up: no site is added
 * @throws Error with a message for people; nothing is stored then
 */
export async function openSiteFile(file: File, signal?: AbortSignal): Promise<string> {
  const packed = await theEngine().bulk.unpackSite(file.name, file);
  signal?.throwIfAborted();
  const id = await addSiteFile(theDatabase(), file.name, packed, crypto.randomUUID(), Date.now());
  void askToKeep();
  return id;
}
