import { oklabOf } from '../colour/oklab';
import type { Raster } from '../raster/raster';
import { boxMipLevelOf } from './mipLevels';
import { resample } from './resample';

/** Longest side that detail is looked for at, px. */
const looked = 200;

/**
 * How much there is to see at each pixel: steps of lightness and colour to its neighbours, and
 * distance from the picture's mean colour.
 */
function detailOf(small: Raster): Float64Array {
  const { width, height } = small;
  const lab = new Float64Array(width * height * 3);
  const mean = [0, 0, 0];
  for (let p = 0; p < width * height; p++) {
    const c = oklabOf({ r: small.data[p * 4], g: small.data[p * 4 + 1], b: small.data[p * 4 + 2] });
    lab.set(c, p * 3);
    for (let k = 0; k < 3; k++) {
      mean[k] += c[k] / (width * height);
    }
  }
  const out = new Float64Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const p = y * width + x;
      const right = (y * width + Math.min(width - 1, x + 1)) * 3;
      const below = (Math.min(height - 1, y + 1) * width + x) * 3;
      let step = 0;
      let away = 0;
      for (let k = 0; k < 3; k++) {
        const v = lab[p * 3 + k];
        const weight = k === 0 ? 1 : 2;
        step += weight * ((lab[right + k] - v) ** 2 + (lab[below + k] - v) ** 2);
        away += weight * (v - mean[k]) ** 2;
      }
      out[p] = Math.sqrt(step) + 0.25 * Math.sqrt(away);
    }
  }
  return out;
}

/**
 * Sums over everything above and to the left, so that any rectangle's sum takes four look-ups (F.
 * Crow, SIGGRAPH 1984).
 */
export function integral(
  values: Float64Array,
  width: number,
  height: number,
): (x0: number, y0: number, x1: number, y1: number) => number {
  const sums = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += values[y * width + x];
      sums[(y + 1) * (width + 1) + x + 1] = sums[y * (width + 1) + x + 1] + row;
    }
  }
  return (x0, y0, x1, y1) =>
    sums[y1 * (width + 1) + x1] -
    sums[y0 * (width + 1) + x1] -
    sums[y1 * (width + 1) + x0] +
    sums[y0 * (width + 1) + x0];
}

/** A photo made small, and how much there is to see at each of its px. */
export interface Interest {
  readonly width: number;
  readonly height: number;
  /** Px of the small picture for each of the photo. */
  readonly k: number;
  readonly values: Float64Array;
  readonly small: Raster;
}

/** Of photos that were looked at; px of a photo do not change. */
const known = new WeakMap<Raster, Interest>();

export function interestOf(photo: Raster): Interest {
  const there = known.get(photo);
  if (there) {
    return there;
  }
  const found = lookAt(photo);
  known.set(photo, found);
  return found;
}

function lookAt(photo: Raster): Interest {
  const k = Math.min(1, looked / Math.max(photo.width, photo.height));
  const width = Math.max(1, Math.round(photo.width * k));
  const height = Math.max(1, Math.round(photo.height * k));
  // Most px of a large photo go into means of four: what is left is at least twice as wide and high.
  const smaller = Math.min(photo.width / width, photo.height / height);
  const from = boxMipLevelOf(photo, Math.floor(Math.log2(Math.max(2, smaller))) - 1);
  const small = resample(
    from,
    { x: 0, y: 0, scaleX: width / from.width, scaleY: height / from.height },
    width,
    height,
  );
  return { width, height, k, small, values: detailOf(small) };
}
