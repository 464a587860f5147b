'use client';

import { drawingOf } from '@/core/compose/drawing';
import type { Raster } from '@/core/raster/raster';
import type { Picture } from '@/core/site/model/picture';
import type { Slot } from '@/core/site/model/slot';
import { drawingKey } from '@/core/site/picture';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

/** All pixels of a picture in its slot; undefined while they are drawn. */
export function usePixels(slot: Slot, picture: Picture): Raster | undefined {
  const { value, current } = useLatestTask<Raster | undefined>(
    drawingKey(picture, slot),
    undefined,
    async ({ update }) => {
      const raster = await theEngine().pixels(drawingOf(slot, picture));
      update(() => raster);
    },
  );
  return current ? value : undefined;
}
