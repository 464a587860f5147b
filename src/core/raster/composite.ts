import { kernels } from '../../kernels/kernels';
import { blendByKernels, type CompositedLayer } from './blendKernels';
import { adjust, type PixelMap } from './adjust';
import { isSeparable, type BlendMode, type SeparableMode } from './blend';
import {
  crop,
  intersect,
  isEmpty,
  wholePixels,
  wholeRaster,
  type Mask,
  type Raster,
  type Rect,
  type Rgb,
} from './raster';
import { half16, half22, half, tableOf, alphaSteps, type RowBlend, rowBlend } from './rowBlend';

/**
 * What is laid on: one colour everywhere, a colour through a mask or pixels at a place, a change of
 * the colours that are there, less of what is there, or the whole picture made anew from what is
 * there.
 */
export type Paint =
  | { readonly type: 'erase'; readonly mask: Mask; readonly x: number; readonly y: number }
  | { readonly type: 'rework'; readonly rework: (source: Raster) => Raster }
  | { readonly type: 'adjust'; readonly map: PixelMap }
  | { readonly type: 'solid'; readonly colour: Rgb }
  | {
      readonly type: 'mask';
      readonly mask: Mask;
      readonly colour: Rgb;
      readonly x: number;
      readonly y: number;
    }
  | { readonly type: 'raster'; readonly raster: Raster; readonly x: number; readonly y: number };

/** Where a paint can change pixels, before clipping; a solid reaches everywhere. */
function extent(paint: Paint, target: Raster): Rect {
  if (paint.type === 'solid' || paint.type === 'adjust' || paint.type === 'rework') {
    return wholeRaster(target);
  }
  const { width, height } = paint.type === 'raster' ? paint.raster : paint.mask;
  return { x: paint.x, y: paint.y, width, height };
}

function solidRow(colour: Rgb, pixels: number): Uint8ClampedArray {
  const row = new Uint8ClampedArray(pixels * 4);
  for (let i = 0; i < row.length; i += 4) {
    row[i] = colour.r;
    row[i + 1] = colour.g;
    row[i + 2] = colour.b;
    row[i + 3] = 255;
  }
  return row;
}

/*
 * One colour over opaque pixels gives each channel one of 256 results. These are looked up: they
 * are made by the very function that blends rows, so looking up changes no level.
 */

/**
 * The results for all 256 levels of red, of green and of blue, each at its place in a whole pixel.
 */
function lookup(blend: RowBlend, colour: Rgb): Int32Array {
  const ramp = Uint8ClampedArray.from({ length: 256 * 4 }, (_, i) =>
    (i & 3) === 3 ? 255 : i >> 2,
  );
  const table = new Int32Array(768);
  blend(ramp, 0, solidRow(colour, 256), 0, 256);
  for (let v = 0; v < 256; v++) {
    table[v] = ramp[v * 4];
    table[256 + v] = ramp[v * 4 + 1] << 8;
    table[512 + v] = (ramp[v * 4 + 2] << 16) | 0xff000000;
  }
  return table;
}

/** Below this many pixels making the table takes longer than it saves. */
const worthLookup = 20_000;

/** Below this many pixels calling a kernel takes longer than it saves. */
const worthKernels = 256;

function composeSolid(target: Raster, colour: Rgb, blend: RowBlend, area: Rect): void {
  const pixels = wholePixels(target);
  const table = lookup(blend, colour);
  const one = solidRow(colour, 1);
  for (let y = area.y; y < area.y + area.height; y++) {
    for (let i = y * target.width + area.x, end = i + area.width; i < end; i++) {
      const p = pixels[i];
      if (p >>> 24 === 255) {
        pixels[i] = table[p & 255] | table[256 + ((p >> 8) & 255)] | table[512 + ((p >> 16) & 255)];
      } else {
        blend(target.data, i * 4, one, 0, 1);
      }
    }
  }
}

/**
 * The same through a mask, whose cover changes from pixel to pixel: too many tables to look up, so
 * the sums of the row functions are done on whole pixels.
 */
function composeMask(
  target: Raster,
  { mask, colour: { r: cr, g: cg, b: cb }, x, y: top }: Extract<Paint, { type: 'mask' }>,
  mode: SeparableMode,
  opacity: number,
  area: Rect,
): void {
  const pixels = wholePixels(target);
  const { data } = mask;
  const blend = rowBlend(mode, opacity);
  const one = solidRow({ r: cr, g: cg, b: cb }, 1);
  const normal = mode === 'normal';
  const alphas = alphaSteps(opacity, normal ? 65536 : 32768);
  const table = normal ? undefined : tableOf(mode);
  const column = (c: number) =>
    Int32Array.from({ length: 256 }, (_, v) => (table ? table[(v << 8) | c] - (v << 7) : c - v));
  const dr = column(cr);
  const dg = column(cg);
  const db = column(cb);
  const shift = normal ? 16 : 22;
  const half = normal ? half16 : half22;
  for (let y = area.y; y < area.y + area.height; y++) {
    let from = (y - top) * mask.width + area.x - x;
    for (let i = y * target.width + area.x, end = i + area.width; i < end; i++, from++) {
      const a = alphas[data[from]];
      if (a === 0) {
        continue;
      }
      const p = pixels[i];
      if (p >>> 24 === 255) {
        const r = p & 255;
        const g = (p >> 8) & 255;
        const b = (p >> 16) & 255;
        pixels[i] =
          0xff000000 |
          ((((b << shift) + a * db[b] + half) >> shift) << 16) |
          ((((g << shift) + a * dg[g] + half) >> shift) << 8) |
          (((r << shift) + a * dr[r] + half) >> shift);
      } else {
        one[3] = data[from];
        blend(target.data, i * 4, one, 0, 1);
      }
    }
  }
}

/**
 * Takes away as much of what is there as the mask covers; where it covers all, nothing is left, not
 * even a colour.
 */
function erase(
  { data, width }: Raster,
  { mask, x: left, y: top }: Extract<Paint, { type: 'erase' }>,
  opacity: number,
  area: Rect,
): void {
  for (let y = area.y; y < area.y + area.height; y++) {
    for (
      let x = area.x, k = (y * width + x) * 4, m = (y - top) * mask.width + x - left;
      x < area.x + area.width;
      x++, k += 4, m++
    ) {
      const stays = 1 - (mask.data[m] / 255) * opacity;
      if (stays === 1) {
        continue;
      }
      data[k + 3] = (data[k + 3] * stays + half) | 0;
      if (data[k + 3] === 0) {
        data[k] = data[k + 1] = data[k + 2] = 0;
      }
    }
  }
}

/**
 * Goes over from what is there in an area to a raster of the area's size, alpha and all; colours
 * count by their alpha.
 */
function mixIn({ data, width }: Raster, other: Raster, opacity: number, area: Rect): void {
  for (let y = 0; y < area.height; y++) {
    const from = ((y + area.y) * width + area.x) * 4;
    const to = from + area.width * 4;
    const its0 = y * area.width * 4;
    if (opacity >= 1) {
      data.set(other.data.subarray(its0, its0 + area.width * 4), from);
      continue;
    }
    for (let k = from, o = its0; k < to; k += 4, o += 4) {
      const own = data[k + 3] * (1 - opacity);
      const its = other.data[o + 3] * opacity;
      const alpha = own + its;
      if (alpha > 0) {
        for (let c = 0; c < 3; c++) {
          data[k + c] = ((data[k + c] * own + other.data[o + c] * its) / alpha + half) | 0;
        }
      }
      data[k + 3] = (alpha + half) | 0;
    }
  }
}

/** Where a paint changes pixels of a target. */
const areaOf = (target: Raster, paint: Paint, clip: Rect): Rect =>
  intersect(intersect(extent(paint, target), clip), wholeRaster(target));

/** A paint with how it is laid on. */
export interface LaidPaint {
  readonly paint: Paint;
  /** 0..1 */
  readonly opacity: number;
  readonly mode: BlendMode;
  readonly clip: Rect;
}

/** Lays paints on a raster, one after the other, as `composite` does each. */
export function compositeAll(target: Raster, paints: readonly LaidPaint[]): void {
  const simd = kernels();
  /** Sources that follow each other, and are laid on row by row. */
  let run: CompositedLayer[] = [];
  const flush = () => {
    if (simd && run.length > 0) {
      blendByKernels(simd, target, run);
    }
    run = [];
  };
  for (const { paint, opacity, mode, clip } of paints) {
    const area = areaOf(target, paint, clip);
    const isRows = paint.type === 'raster' || paint.type === 'mask' || paint.type === 'solid';
    if (simd && isRows && opacity > 0 && area.width * area.height >= worthKernels) {
      run.push({ source: paint, mode, opacity, area });
    } else {
      flush();
      composite(target, paint, opacity, mode, clip);
    }
  }
  flush();
}

/**
 * Lays a paint on a raster, in place, within `clip`. A change of colours, taking away and making
 * anew take no notice of the mode.
 * With a normal mode over an opaque target every channel becomes (1 − s)·old + s·new, rounded half
 * up, where s is `opacity` times the paint's own alpha.
 * @param opacity 0..1
 * @param clip pixels of the target that may change; the whole target if left out
 */
export function composite(
  target: Raster,
  paint: Paint,
  opacity = 1,
  mode: BlendMode = 'normal',
  clip: Rect = wholeRaster(target),
): void {
  const area = areaOf(target, paint, clip);
  if (isEmpty(area) || opacity <= 0) {
    return;
  }
  if (paint.type === 'adjust') {
    return adjust(target, paint.map, opacity, area);
  }
  if (paint.type === 'erase') {
    return erase(target, paint, opacity, area);
  }
  if (paint.type === 'rework') {
    return mixIn(target, paint.rework(crop(target, area)), opacity, area);
  }
  const simd = kernels();
  if (simd && area.width * area.height >= worthKernels) {
    return blendByKernels(simd, target, [{ source: paint, mode, opacity, area }]);
  }
  const blend = rowBlend(mode, opacity);
  const channelsAlone = isSeparable(mode) && area.width * area.height >= worthLookup;
  if (paint.type === 'raster') {
    const { raster } = paint;
    for (let y = area.y; y < area.y + area.height; y++) {
      blend(
        target.data,
        (y * target.width + area.x) * 4,
        raster.data,
        ((y - paint.y) * raster.width + area.x - paint.x) * 4,
        area.width,
      );
    }
    return;
  }
  if (channelsAlone) {
    return paint.type === 'solid'
      ? composeSolid(target, paint.colour, blend, area)
      : composeMask(target, paint, mode as SeparableMode, opacity, area);
  }
  const row = solidRow(paint.colour, area.width);
  for (let y = area.y; y < area.y + area.height; y++) {
    if (paint.type === 'mask') {
      const from = (y - paint.y) * paint.mask.width + area.x - paint.x;
      for (let i = 0; i < area.width; i++) {
        row[i * 4 + 3] = paint.mask.data[from + i];
      }
    }
    blend(target.data, (y * target.width + area.x) * 4, row, 0, area.width);
  }
}

/** Makes every pixel of `rect` the colour, opaque; without a colour, see-through. */
export function fillRect(
  target: Raster,
  colour: Rgb | undefined,
  rect: Rect = wholeRaster(target),
): void {
  const area = intersect(rect, wholeRaster(target));
  const row = colour ? solidRow(colour, area.width) : new Uint8ClampedArray(area.width * 4);
  for (let y = area.y; y < area.y + area.height; y++) {
    target.data.set(row, (y * target.width + area.x) * 4);
  }
}
