import { colourOf } from '../../colour/parse';
import type { Size } from '../../frame/placement';
import type { Mask } from '../../raster/raster';
import type { Corner, FadeLayer } from '../../site/model/blendLayers';
import { fadeCurves } from '../fade';
import type { Draw } from '../kind';

/** What is left at each px along an axis: nothing at the very first, and all from `px` on. */
function along(
  length: number,
  px: number,
  fromEnd: boolean,
  curve: (t: number) => number,
): Float64Array {
  return Float64Array.from({ length }, (_, i) => {
    const at = fromEnd ? length - 1 - i : i;
    return at >= px ? 1 : curve(at / px);
  });
}

/**
 * How much of each px fades: 255 on the border of every side that fades, so that nothing of the
 * picture is left there.
 * Where fades meet, what is left is the product of what each leaves.
 */
export function fadeMask(
  { sides, corners, curve: name }: Pick<FadeLayer, 'sides' | 'corners' | 'curve'>,
  { width, height }: Size,
): Mask {
  const curve = fadeCurves[name];
  const data = new Uint8Array(width * height);
  const left = along(width, sides.left, false, curve);
  const right = along(width, sides.right, true, curve);
  const top = along(height, sides.top, false, curve);
  const bottom = along(height, sides.bottom, true, curve);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      data[i] = Math.round(255 * (1 - left[x] * right[x] * top[y] * bottom[y]));
    }
  }
  const places: readonly (readonly [Corner, number, number])[] = [
    ['topLeft', 0, 0],
    ['topRight', width - 1, 0],
    ['bottomRight', width - 1, height - 1],
    ['bottomLeft', 0, height - 1],
  ];
  for (const [corner, cx, cy] of places) {
    const r = corners[corner];
    for (
      let y = Math.max(0, cy - Math.ceil(r));
      r > 0 && y <= Math.min(height - 1, cy + Math.ceil(r));
      y++
    ) {
      for (
        let x = Math.max(0, cx - Math.ceil(r));
        x <= Math.min(width - 1, cx + Math.ceil(r));
        x++
      ) {
        const far = Math.hypot(x - cx, y - cy);
        const i = y * width + x;
        if (far < r) {
          data[i] = Math.round(255 - (255 - data[i]) * curve(far / r));
        }
      }
    }
  }
  return { width, height, data };
}

export const drawFade: Draw<FadeLayer> = (layer, { width, height }) => {
  const mask = fadeMask(layer, { width, height });
  return layer.into === null
    ? { type: 'erase', mask, x: 0, y: 0 }
    : { type: 'mask', mask, colour: colourOf(layer.into), x: 0, y: 0 };
};
