import { scaledLayer } from '../layers/registry';
import type { Drawing } from './compose';

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
