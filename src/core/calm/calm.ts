import { lightnessOf } from '../colour/lightness';
import { drawTexture } from '../texture/textures';
import { softened } from '../raster/soften';
import { composite } from '../raster/composite';
import { crop, type Raster, type Rgb } from '../raster/raster';
import { colourOf } from '../colour/parse';
import { newTexture } from '../layers/texture';
import type { Axes } from '../site/model/blendLayers';
import type { Hex } from '../site/model/hex';

/*
 * How busy a background is under content: how much its lightness changes within the size of a few
 * words.
 */

/**
 * Side of the squares that lightness is compared within, px: about a word of body text (ours, by
 * looking).
 */
const square = 16;

/**
 * Nineteen of twenty squares are at least this calm: one figure for a picture that is busy in
 * places only.
 */
const share = 0.95;

/**
 * Local contrast of an opaque raster: the standard deviation of CIE L* within squares of 16 px, of
 * which nineteen of twenty are no larger; 0 for one colour, about 50 for a fine pattern of black
 * and white.
 */
export function localContrast(raster: Raster): number {
  const { width, height, data } = raster;
  const found: number[] = [];
  const across = Math.min(square, width);
  const down = Math.min(square, height);
  for (let top = 0; top + down <= height; top += down) {
    for (let left = 0; left + across <= width; left += across) {
      let sum = 0;
      let squares = 0;
      for (let y = top; y < top + down; y++) {
        for (let x = left, k = (y * width + x) * 4; x < left + across; x++, k += 4) {
          const l = lightnessOf(data[k], data[k + 1], data[k + 2]);
          sum += l;
          squares += l * l;
        }
      }
      const n = across * down;
      const mean = sum / n;
      found.push(Math.sqrt(Math.max(0, squares / n - mean * mean)));
    }
  }
  found.sort((a, b) => a - b);
  return found[Math.min(found.length - 1, Math.floor(found.length * share))];
}

export interface CalmReport {
  readonly contrast: number;
  /**
   * What brings it to the limit, where it is above: a veil's least percent, a mesh's least percent,
   * a blur's least px.
   */
  readonly veil: { readonly colour: Hex; readonly percent: number } | undefined;
  readonly mesh: { readonly colour: Hex; readonly percent: number } | undefined;
  readonly blur: number | undefined;
}

/** Side of the part that mends are searched on, px: the search lays dozens of them. */
const searched = 480;

/** The least whole number in 1..most that holds, or undefined; it must go on holding above. */
function least(most: number, holds: (n: number) => boolean): number | undefined {
  if (!holds(most)) {
    return undefined;
  }
  let low = 0;
  let high = most;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (holds(middle)) {
      high = middle;
    } else {
      low = middle;
    }
  }
  return high;
}

/** The part of a raster with the busiest middle that is no larger than what is searched on. */
function busiestPart(raster: Raster): Raster {
  if (raster.width <= searched && raster.height <= searched) {
    return raster;
  }
  const width = Math.min(searched, raster.width);
  const height = Math.min(searched, raster.height);
  let best: Raster | undefined;
  let most = -1;
  for (
    let y = 0;
    y + height <= raster.height;
    y += Math.max(1, Math.min(height, raster.height - y - height) || height)
  ) {
    for (
      let x = 0;
      x + width <= raster.width;
      x += Math.max(1, Math.min(width, raster.width - x - width) || width)
    ) {
      const part = crop(raster, { x, y, width, height });
      const c = localContrast(part);
      if (c > most) {
        most = c;
        best = part;
      }
    }
  }
  return best ?? raster;
}

/**
 * How busy a background is, and what would calm it.
 * @param raster opaque, as it is seen
 * @param limit largest local contrast, L*
 * @param veil colour of the veil, usually that of the page
 * @param wraps along which axes it is repeated
 */
export function calmReport(
  raster: Raster,
  limit: number,
  veil: Hex,
  wraps: Axes | 'none',
): CalmReport {
  const contrast = localContrast(raster);
  if (contrast <= limit) {
    return { contrast, veil: undefined, mesh: undefined, blur: undefined };
  }
  const part = busiestPart(raster);
  const colour: Rgb = colourOf(veil);
  const copy = (): Raster => ({ ...part, data: part.data.slice() });
  const under = (change: (out: Raster) => Raster) => localContrast(change(copy())) <= limit;
  const mesh = drawTexture(newTexture('mesh', 'mesh', veil), part.width, part.height);
  const veilPercent = least(99, (n) =>
    under((out) => {
      composite(out, { type: 'solid', colour }, n / 100);
      return out;
    }),
  );
  const meshPercent = least(100, (n) =>
    under((out) => {
      composite(out, { type: 'mask', mask: mesh, colour, x: 0, y: 0 }, n / 100);
      return out;
    }),
  );
  const blur = least(40, (n) => under((out) => softened(out, n, wraps)));
  return {
    contrast,
    veil: veilPercent === undefined ? undefined : { colour: veil, percent: veilPercent },
    mesh: meshPercent === undefined ? undefined : { colour: veil, percent: meshPercent },
    blur,
  };
}
