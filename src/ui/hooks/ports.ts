'use client';

import type { HandOverPorts } from '@/core/handover/produce';
import { assetBytes } from '@/store/assets';
import { fontFolder } from '@/engine/vendor';
import { recolouredTheme } from './recolouring';
import { theDatabase, theEngine } from './services';

/**
 * Files that were written in this tab, newest last, so that handing over again writes only what has
 * changed.
 */
const written = new Map<string, Uint8Array<ArrayBuffer>>();
const mostBytes = 120e6;

/** What a hand-over is made with in the browser. */
export const browserPorts: HandOverPorts = {
  draw: (drawing) => theEngine().pixels(drawing),
  encode: (raster, settings, pinned) => theEngine().encode(raster, settings, pinned),
  asset: (id) => assetBytes(theDatabase(), id),
  resize: (raster, width, height) => theEngine().archive.resize(raster, width, height),
  packSite: (packed) => theEngine().archive.packSite(packed),
  packPicture: (picture, merged, thumbnail) =>
    theEngine().archive.packPicture(picture, merged, thumbnail),
  theme: recolouredTheme,
  async shippedFont({ file }) {
    const response = await fetch(`${fontFolder}/${file}`);
    if (!response.ok) {
      throw new Error(`Expected the font file ${file}, found status ${response.status}.`);
    }
    return new Uint8Array(await response.arrayBuffer());
  },
  async kept(key, make) {
    const bytes = written.get(key) ?? (await make());
    written.delete(key);
    written.set(key, bytes);
    let total = [...written.values()].reduce((sum, b) => sum + b.length, 0);
    for (const [oldest, b] of written) {
      if (total <= mostBytes) {
        break;
      }
      written.delete(oldest);
      total -= b.length;
    }
    return bytes;
  },
};
