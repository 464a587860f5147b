import { kernels, type Kernels } from '../../kernels/kernels';
import { createRaster, rowsOf, wholePixels, type Raster, type Rows } from '../raster/raster';
import type { Size } from './placement';
import { resampleRows } from './resample';

/** Halves of photos that were asked for; they are gone when their photo is. */
const known = new WeakMap<Raster, Raster[]>();

/**
 * A photo made half as large along each side, several times over. Pixels of a photo do not change,
 * so each half is worked out once for as long as the photo is there.
 * @param times how often; 0 is the photo itself
 */
export function mipLevelOf(photo: Raster, times: number): Raster {
  if (times <= 0) {
    return photo;
  }
  let halves = known.get(photo);
  if (!halves) {
    known.set(photo, (halves = []));
  }
  while (halves.length < times) {
    halves.push(halveRows(rowsOf(halves.at(-1) ?? photo)));
  }
  return halves[times - 1];
}

/** A picture halved once, row by row: none of it has to be there longer than it is looked at. */
export function halveRows(from: Rows): Raster {
  const width = Math.max(1, Math.round(from.width / 2));
  const height = Math.max(1, Math.round(from.height / 2));
  const placement = { x: 0, y: 0, scaleX: width / from.width, scaleY: height / from.height };
  return resampleRows(from, placement, width, height);
}

/** Px of a photo that is kept whole: about what cameras have. */
const mostWhole = 30e6;

/**
 * How often a photo is halved before it is kept and looked at, by its size alone: of a very large one
 * all its px are decoded again only where so many are drawn.
 */
export const mipLevelToKeep = ({ width, height }: Size): number =>
  Math.max(0, Math.ceil(Math.log2((width * height) / mostWhole) / 2));

/** Means of photos that were asked for; they are gone when their photo is. */
const means = new WeakMap<Raster, Raster[]>();

/**
 * A photo halved several times, each px the mean of four in gamma as it is: a tenth of the work of
 * `halved`, for what is not looked at closely.
 * @param times how often; 0 is the photo itself
 */
export function boxMipLevelOf(photo: Raster, times: number): Raster {
  if (times <= 0) {
    return photo;
  }
  let halves = means.get(photo);
  if (!halves) {
    means.set(photo, (halves = []));
  }
  return (halves[times - 1] ??= meanOfFour(boxMipLevelOf(photo, times - 1)));
}

/**
 * The same for what stands on the screen a moment: halves made already are taken as they are.
 * @param times how often; 0 is the photo itself
 */
export const quickMipLevelOf = (photo: Raster, times: number): Raster =>
  known.get(photo)?.[times - 1] ?? boxMipLevelOf(photo, times);

/** Half as wide and high, rounded down; px that are see-through in part lend what they have. */
function meanOfFour(from: Raster): Raster {
  const simd = kernels();
  return simd && from.width > 1 && from.height > 1 ? meanByKernel(simd, from) : meanByLoops(from);
}

/** Bytes that are halved at a time. */
const strip = 2 ** 20;

function meanByKernel(k: Kernels, { width, height, data }: Raster): Raster {
  const out = createRaster(width >> 1, height >> 1);
  const pair = 2 * width * 4;
  const most = Math.max(1, Math.floor(strip / pair));
  const [from, made] = k.rooms(most * pair + 32, most * out.width * 4 + 16);
  for (let y = 0; y < out.height; y += most) {
    const rows = Math.min(most, out.height - y);
    k.put(from, data.subarray(y * pair, (y + rows) * pair));
    k.call.meanOfFour(from, width, rows, made);
    const row = out.width * 4;
    out.data.set(k.bytes.subarray(made, made + rows * row), y * row);
  }
  return out;
}

function meanByLoops(from: Raster): Raster {
  const width = Math.max(1, from.width >> 1);
  const height = Math.max(1, from.height >> 1);
  const out = createRaster(width, height);
  const px = wholePixels(from);
  const to = wholePixels(out);
  const right = from.width > 1 ? 1 : 0;
  const down = from.height > 1 ? from.width : 0;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0, at = 2 * y * from.width; x < width; x++, i++, at += 2) {
      const a = px[at];
      const b = px[at + right];
      const c = px[at + down];
      const d = px[at + down + right];
      // Two channels at a time.
      const even = (a & 0xff00ff) + (b & 0xff00ff) + (c & 0xff00ff) + (d & 0xff00ff) + 0x20002;
      const odd =
        ((a >>> 8) & 0xff00ff) +
        ((b >>> 8) & 0xff00ff) +
        ((c >>> 8) & 0xff00ff) +
        ((d >>> 8) & 0xff00ff) +
        0x20002;
      to[i] = ((even >>> 2) & 0xff00ff) | (((odd >>> 2) & 0xff00ff) << 8);
    }
  }
  return out;
}

/**
 * How often a photo may be halved before it is drawn: what is left then is still to be made twice
 * as small, so that nothing of the filter's quality is lost.
 */
export const mipLevelFor = (scale: number): number =>
  Math.max(0, Math.floor(Math.log2(1 / Math.max(scale, 1e-4))) - 1);
