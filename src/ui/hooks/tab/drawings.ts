'use client';

import { putThumb, thumbOf } from '@/store/thumbs';
import { Drawings } from '@/work/drawings';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

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

/** Pictures of slots as they were last drawn. */
export const theDrawings = lazily(
  () =>
    new Drawings<Blob>({
      pixels: (drawing) => theEngine().pixels(drawing, 'soon'),
      toPng,
      keptKey: async (siteId, slotId) => (await thumbOf(theDatabase(), siteId, slotId))?.drawing,
      keep: (siteId, slotId, key, png) => putThumb(theDatabase(), siteId, slotId, key, png),
    }),
);
