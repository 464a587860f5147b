'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { useEffect, useMemo } from 'react';
import { drawingOf } from '@/core/compose/drawing';
import type { Raster } from '@/core/raster/raster';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { asFiled, drawingKey, isBlank, pictureOf } from '@/core/site/picture';
import { putThumb, thumbOf } from '@/store/thumbs';
import { theDatabase, theEngine } from './services';

async function toPng(raster: Raster): Promise<Blob> {
  const canvas = new OffscreenCanvas(raster.width, raster.height);
  canvas
    .getContext('2d')!
    .putImageData(new ImageData(raster.data, raster.width, raster.height), 0, 0);
  return canvas.convertToBlob({ type: 'image/png' });
}

/** One drawing at a time, so that a page of slots does not hold up the bench. */
let line: Promise<void> = Promise.resolve();

/** Draws a slot's picture and keeps it, unless what is kept is of this very state. */
export function refreshThumb(site: Site, slot: Slot): Promise<void> {
  const picture = asFiled(pictureOf(site, slot));
  const key = drawingKey(picture, slot);
  line = line
    .then(async () => {
      const kept = await thumbOf(theDatabase(), site.id, slot.id);
      if (kept?.drawing === key) {
        return;
      }
      const raster = await theEngine().pixels(drawingOf(slot, picture));
      await putThumb(theDatabase(), site.id, slot.id, key, await toPng(raster));
    })
    .catch(() => {
      /* A drawing in a list may stay away; the bench says what is wrong with the picture. */
    });
  return line;
}

/** The last drawing of a slot's picture as pixels, if there is one. */
export async function thumbBitmap(
  siteId: string,
  slotId: string,
): Promise<ImageBitmap | undefined> {
  const kept = await thumbOf(theDatabase(), siteId, slotId);
  return kept && createImageBitmap(kept.png);
}

/**
 * Address of a drawing of the slot's picture, drawn anew when the picture has changed; undefined
 * while there is none.
 */
export function useThumb(site: Site, slot: Slot, fresh = true): string | undefined {
  const picture = asFiled(pictureOf(site, slot));
  const blank = isBlank(picture);
  const key = drawingKey(picture, slot);
  const row = useLiveQuery(() => thumbOf(theDatabase(), site.id, slot.id), [site.id, slot.id]);
  const png = row?.png;
  const url = useMemo(() => (png ? URL.createObjectURL(png) : undefined), [png]);
  useEffect(
    () => () => {
      if (url) {
        URL.revokeObjectURL(url);
      }
    },
    [url],
  );
  useEffect(() => {
    if (!fresh || blank) {
      return;
    }
    const timer = setTimeout(() => void refreshThumb(site, slot), 150);
    return () => clearTimeout(timer);
    // The key stands for everything that the drawing depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, fresh, blank]);
  return blank ? undefined : url;
}
