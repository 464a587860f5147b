'use client';

import { drawingOf } from '@/core/compose/drawing';
import { fileSize, overlapOf } from '@/core/frame/overlap';
import { inspectPicture } from '@/core/measure/inspect';
import { photoFrom, produceOpenRaster } from '@/core/openRaster/produce';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import type { Picture } from '@/core/site/model/picture';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Slot } from '@/core/site/model/slot';
import { shelveBytes } from './useIntake';
import { theEngine } from './tab/engine';
import { theHandOver } from './tab/handOver';

export const writePictureFile = (slot: Slot, picture: Picture): Promise<Uint8Array<ArrayBuffer>> =>
  produceOpenRaster(drawingOf(slot, picture), theHandOver());

export interface OpenedPicture {
  readonly layers: readonly PhotoLayer[];
  readonly items: readonly ShelfItem[];
  /** What is not as it was in the file. */
  readonly notes: readonly string[];
}

/**
 * Reads an OpenRaster file into layers for a slot. @throws Error with a message for people; nothing
 * is changed then
 */
export async function readPictureFile(file: File, slot: Slot): Promise<OpenedPicture> {
  const { width, height, layers, notes } = await theEngine().bulk.unpackPicture(
    file.name,
    new Uint8Array(await file.arrayBuffer()),
  );
  const size = fileSize(slot, overlapOf(slot));
  const same = size.width === width && size.height === height;
  for (const [i, layer] of layers.entries()) {
    inspectPicture(`${file.name}, ${layer.name || `layer ${i + 1}`}`, layer.png);
  }
  const out: PhotoLayer[] = [];
  const items: ShelfItem[] = [];
  for (const [i, { png, ...layer }] of layers.entries()) {
    const item = await shelveBytes(`${layer.name || `Layer ${i + 1}`}.png`, png, file.name);
    items.push(item);
    out.push(
      photoFrom(
        { ...layer, name: layer.name || item.name },
        item,
        crypto.randomUUID(),
        same ? overlapOf(slot) : undefined,
      ),
    );
  }
  return {
    layers: out,
    items,
    notes: same
      ? notes
      : [
          `The file is ${width} × ${height} px and the slot’s ${size.width} × ${size.height}: its layers lie from the upper left corner.`,
          ...notes,
        ],
  };
}
