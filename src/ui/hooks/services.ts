'use client';

import { OwnFonts } from '@/work/ownFonts';
import { Drawings } from '@/work/drawings';
import { keepingFiles } from '@/work/keepingFiles';
import { Intake } from '@/work/intake';
import { OpenSites } from '@/work/openSites';
import { PictureFiles } from '@/work/pictureFiles';
import { Searches } from '@/work/searches';
import { SetFiles } from '@/work/setFiles';
import { Tries } from '@/work/tries';
import type { WorkerLike } from '@/engine/channel';
import { createEngine, type Engine } from '@/engine/engine';
import { addOwnFace } from '@/engine/fontFaces';
import { fontFolder } from '@/engine/vendor';
import { assetBytes, putAsset } from '@/store/assets';
import { Database } from '@/store/database';
import { keepSearch, searchOf } from '@/store/searches';
import { siteStore } from '@/store/siteStore';
import { tabsOf } from '@/store/tabs';
import { putThumb, thumbOf } from '@/store/thumbs';
import { say } from '../shared/notices';

export type { View } from '@/engine/engine';
/** Fonts for words drawn by the page itself: cards, the font list, headings of the plan. */
export { fontStyles } from '@/engine/fontFaces';

/** Calls once after so many ms. @returns how to call it off */
export function later(ms: number, call: () => void): () => void {
  const timer = setTimeout(call, ms);
  return () => clearTimeout(timer);
}

const asWorker = (worker: Worker): WorkerLike => worker as unknown as WorkerLike;

/** Bundlers find a worker by these very words. */
const engineOver = (database: Database): Engine =>
  createEngine({
    spawnRender: () =>
      asWorker(
        new Worker(new URL('../../engine/render.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnCodec: () =>
      asWorker(
        new Worker(new URL('../../engine/codec.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnTheme: () =>
      asWorker(
        new Worker(new URL('../../engine/theme.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnSet: () =>
      asWorker(
        new Worker(new URL('../../engine/set.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnBulk: () =>
      asWorker(
        new Worker(new URL('../../engine/bulk.worker.ts', import.meta.url), { type: 'module' }),
      ),
    assetBytes: (id) => assetBytes(database, id),
  });

async function toPng(raster: {
  width: number;
  height: number;
  data: Uint8ClampedArray<ArrayBuffer>;
}): Promise<Blob> {
  const canvas = new OffscreenCanvas(raster.width, raster.height);
  const pixels = new ImageData(raster.data, raster.width, raster.height);
  canvas.getContext('2d')!.putImageData(pixels, 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
}

async function shippedFont({ file }: { readonly file: string }): Promise<Uint8Array<ArrayBuffer>> {
  const response = await fetch(`${fontFolder}/${file}`);
  if (!response.ok) {
    throw new Error(`Expected the font file ${file}, found status ${response.status}.`);
  }
  return new Uint8Array(await response.arrayBuffer());
}

/** Everything that lives as long as the tab: the store, the workers, and the work on them. */
function openTab() {
  const database = new Database();
  const tabs = tabsOf(database.name);
  const engine = engineOver(database);
  const asset = (id: string) => assetBytes(database, id);
  const store = (bytes: Uint8Array<ArrayBuffer>) => putAsset(database, bytes);
  const refused = (words: string) => say('bad', words);
  const sites = new OpenSites({
    store: siteStore(database, tabs),
    now: () => Date.now(),
    newId: () => crypto.randomUUID(),
    later,
    tell: refused,
  });
  const files = new PictureFiles(engine);
  const setFiles = new SetFiles({
    asset,
    sheets: engine.set.sheets,
    look: engine.set.look,
    follow: engine.set.follow,
    recolour: engine.set.recolour,
    handed: engine.set.handed,
  });
  const intakePorts = { decode: engine.decode, store, adopt: engine.adopt, refused };
  return {
    database,
    tabs,
    engine,
    sites,
    files,
    setFiles,
    tries: new Tries(files),
    newIntake: () => new Intake(intakePorts),
    drawings: new Drawings<Blob>({
      pixels: engine.pixels,
      toPng,
      keptKey: async (siteId, slotId) => (await thumbOf(database, siteId, slotId))?.drawing,
      keep: (siteId, slotId, key, png) => putThumb(database, siteId, slotId, key, png),
    }),
    searches: new Searches({
      pixels: engine.pixels,
      search: engine.search,
      patches: engine.patches,
      recall: (key) => searchOf(database, key),
      keep: (key, found) => keepSearch(database, key, found),
      now: () => Date.now(),
    }),
    fonts: new OwnFonts({
      asset,
      store,
      // The reader of font files is large, and few owners ever need it.
      read: async (name, bytes) => (await import('@/core/text/readFont')).readFont(name, bytes),
      tryOut: (bytes) => new FontFace('tried', bytes).load(),
      register: (id, bytes) => addOwnFace(document.fonts, id, bytes),
    }),
    handOver: keepingFiles({
      draw: engine.pixels,
      encode: engine.encode,
      asset,
      resize: engine.bulk.resize,
      packSite: engine.bulk.packSite,
      packPicture: engine.bulk.packPicture,
      theme: (set, listener) => setFiles.theme(set, listener),
      shippedFont,
    }),
  };
}

type Tab = ReturnType<typeof openTab>;

let tab: Tab | undefined;

/** The one of this tab; opened by the first who asks, and never on the server. */
export const theTab = (): Tab => (tab ??= openTab());

export const theEngine = (): Engine => theTab().engine;
export const theDatabase = (): Database => theTab().database;
