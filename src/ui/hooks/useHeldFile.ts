'use client';

import { drawingOf } from '@/core/compose/drawing';
import type { Raster } from '@/core/raster/raster';
import type { Picture } from '@/core/site/model/picture';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { backdropOf } from '@/core/seam/adjacentColours';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

/** The pixels of a file that is held up; undefined while there is none or it is being decoded. */
export function useHeldFile(
  held: { readonly data: Uint8Array<ArrayBuffer> } | undefined,
): Raster | undefined {
  const { value, current } = useLatestTask<Raster | undefined>(
    held?.data,
    undefined,
    async ({ update }) => {
      // It was decoded when it was tried.
      const raster = await theEngine().decode(held!.data);
      update(() => raster);
    },
  );
  return held && current ? value : undefined;
}

/** How much stronger than it is the difference of a file is shown. */
const gain = 8;

/** What a file has lost of the picture, amplified, the worst place framed; undefined while it is worked out. */
export function useDifference(
  file: Raster | undefined,
  site: Site,
  slot: Slot,
  picture: Picture,
): Raster | undefined {
  const { value, current } = useLatestTask<Raster | undefined>(
    file,
    undefined,
    async ({ update }) => {
      const drawn = await theEngine().pixels(drawingOf(slot, picture));
      if (file && drawn.width === file.width && drawn.height === file.height) {
        const lost = await theEngine().bulk.difference(drawn, file, gain, backdropOf(site, slot));
        update(() => lost);
      }
    },
  );
  return file && current ? value : undefined;
}
