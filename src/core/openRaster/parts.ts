import type { Drawing } from '../compose/compose';
import { fileSize, noOverlap } from '../frame/overlap';
import { kindOf } from '../layers/registry';
import { isRecolour } from '../layers/recolour';
import { crop, type Raster, type Rect } from '../raster/raster';
import type { Layer } from '../site/model/layer';
import { oraModes } from './modes';
import type { BlendMode } from '../raster/blend';

/**
 * A part of a picture that can stand as one raster in a stack: drawn alone, and then laid with its
 * strength and mode.
 */
export interface Part {
  readonly name: string;
  readonly drawing: Drawing;
  readonly opacity: number;
  readonly blend: BlendMode;
  readonly hidden: boolean;
}

/** Changes what lies below it, so that it has no px of its own. */
const isChange = (layer: Layer): boolean =>
  (isRecolour(layer) && layer.reach === 'below') ||
  kindOf(layer).role === 'change' ||
  oraModes[layer.blend] === undefined;

/**
 * A picture as parts from back to front. Up to the last layer that changes what lies below it
 * everything is one part; each layer in front of that is one of its own, with the recolourings that
 * reach it alone.
 */
export function partsOf(drawing: Drawing): Part[] {
  const { ground, layers } = drawing;
  const last = layers.findLastIndex((l) => !l.hidden && isChange(l));
  const alone = (own: readonly Layer[]): Drawing => ({
    ...drawing,
    ground: { type: 'none' },
    layers: own,
  });
  const parts: Part[] = [];
  if (last >= 0) {
    parts.push({
      name: 'Below',
      drawing: { ...drawing, layers: layers.slice(0, last + 1) },
      opacity: 1,
      blend: 'normal',
      hidden: false,
    });
  } else if (ground.type !== 'none') {
    parts.push({
      name: 'Ground',
      drawing: { ...drawing, layers: [] },
      opacity: 1,
      blend: 'normal',
      hidden: false,
    });
  }
  for (let i = last + 1; i < layers.length; i++) {
    const layer = layers[i];
    const own: Layer[] = [{ ...layer, opacity: 1, blend: 'normal', hidden: false }];
    if (isChange(layer) || isRecolour(layer)) {
      continue;
    }
    for (
      let next = layers[i + 1];
      next && isRecolour(next) && next.reach === 'beneath';
      next = layers[++i + 1]
    ) {
      own.push(next);
    }
    parts.push({
      name: kindOf(layer).name(layer),
      drawing: alone(own),
      opacity: layer.opacity,
      blend: layer.blend,
      hidden: layer.hidden,
    });
  }
  return parts;
}

/** The least rectangle that holds everything that is not see-through; one px where nothing is. */
export function seenPart(raster: Raster): { raster: Raster; at: Rect } {
  const { data, width, height } = raster;
  let left = width;
  let top = height;
  let right = 0;
  let bottom = 0;
  for (let y = 0, k = 3; y < height; y++) {
    for (let x = 0; x < width; x++, k += 4) {
      if (data[k] === 0) {
        continue;
      }
      if (x < left) {
        left = x;
      }
      if (x >= right) {
        right = x + 1;
      }
      if (y < top) {
        top = y;
      }
      bottom = y + 1;
    }
  }
  const at =
    right > left
      ? { x: left, y: top, width: right - left, height: bottom - top }
      : { x: 0, y: 0, width: 1, height: 1 };
  return { raster: crop(raster, at), at };
}

/** Size of a drawing's raster. */
export const rasterSize = (drawing: Drawing) => fileSize(drawing, drawing.overlap ?? noOverlap);
