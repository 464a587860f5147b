import { hasOverlap, overlapOf } from '../frame/overlap';
import { scaledLayer } from '../layers/registry';
import type { Picture } from '../site/model/picture';
import type { Slot } from '../site/model/slot';
import type { Drawing } from './compose';

/** What there is to draw of a picture in its slot. */
export function drawingOf(slot: Slot, picture: Picture): Drawing {
  const overlap = overlapOf(slot);
  const drawing = {
    width: slot.width,
    height: slot.height,
    ground: picture.ground,
    layers: picture.layers,
  };
  return hasOverlap(overlap) ? { ...drawing, overlap } : drawing;
}

/**
 * The same drawing with so many times as many px both ways: letters and edges are drawn anew,
 * photos from their own px.
 */
export function scaledDrawing(
  { width, height, ground, layers, overlap }: Drawing,
  k: number,
): Drawing {
  const times = (px: number) => Math.round(px * k);
  return {
    width: times(width),
    height: times(height),
    ground,
    layers: layers.map((layer) => scaledLayer(layer, k)),
    ...(overlap && {
      overlap: {
        top: times(overlap.top),
        right: times(overlap.right),
        bottom: times(overlap.bottom),
        left: times(overlap.left),
      },
    }),
  };
}
