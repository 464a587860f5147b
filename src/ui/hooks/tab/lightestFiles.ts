'use client';

import { isOpaque } from '@/core/raster/raster';
import { lazily } from '@/core/lazily';
import { LightestFiles } from '@/work/lightestFiles';
import { theEngine } from './engine';
import { keepHanded } from './handOver';
import { theSearches } from './searches';

/** Searches for the lightest of all files of a site; it goes on when its screen is left. */
export const theLightestFiles = lazily(
  () =>
    new LightestFiles({
      searches: theSearches(),
      isOpaque: async (drawing) => isOpaque(await theEngine().pixels(drawing, 'later')),
      keep: keepHanded,
    }),
);
