'use client';

import { putThumb, thumbOf } from '@/store/thumbs';
import { Drawings } from '@/work/drawings';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { pictureFile } from './pictureFile';
import { lazily } from '@/core/lazily';

/** Pictures of slots as they were last drawn. */
export const theDrawings = lazily(
  () =>
    new Drawings<Blob>({
      pixels: (drawing) => theEngine().pixels(drawing, 'soon'),
      toPng: (raster) => pictureFile(raster, 'image/png'),
      keptKey: async (siteId, slotId) => (await thumbOf(theDatabase(), siteId, slotId))?.drawing,
      keep: (siteId, slotId, key, png) => putThumb(theDatabase(), siteId, slotId, key, png),
    }),
);
