import { isSeparable, nonSeparableModes, tabulate, type BlendMode, type SeparableMode } from './blend';
import { intersect, isEmpty, wholeRaster, type Mask, type Raster, type Rect, type Rgb } from './raster';

/** What is laid on: one colour everywhere, a colour through a mask, or pixels; the latter two at a place. */
export type Paint =
  | { readonly type: 'solid'; readonly colour: Rgb }
  | { readonly type: 'mask'; readonly mask: Mask; readonly colour: Rgb; readonly x: number; readonly y: number }
  | { readonly type: 'raster'; readonly raster: Raster; readonly x: number; readonly y: number };

/**
 * A level is rounded half up. The small surplus carries exact halves, which strengths in hundredths produce,
 * over the last bit that floating point may have lost.
 */
const half = 0.5 + 1e-7;

const tables = new Map<SeparableMode, Float32Array>();

function tableOf(mode: SeparableMode): Float32Array {
  let table = tables.get(mode);
  if (!table) tables.set(mode, (table = tabulate(mode)));
  return table;
}

type RowBlend = (target: Uint8ClampedArray, at: number, source: Uint8ClampedArray, from: number, pixels: number, opacity: number) => void;

const blendNormal: RowBlend = (target, at, source, from, pixels, opacity) => {
  const k = opacity / 255;
  for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
    const as = source[from + 3] * k;
    if (as === 0) continue;
    const ab = target[at + 3];
    if (ab === 255) {
      const r = target[at], g = target[at + 1], b = target[at + 2];
      target[at] = (r + as * (source[from] - r) + half) | 0;
      target[at + 1] = (g + as * (source[from + 1] - g) + half) | 0;
      target[at + 2] = (b + as * (source[from + 2] - b) + half) | 0;
    } else {
      const rest = (ab / 255) * (1 - as), ao = as + rest;
      target[at] = ((as * source[from] + rest * target[at]) / ao + half) | 0;
      target[at + 1] = ((as * source[from + 1] + rest * target[at + 1]) / ao + half) | 0;
      target[at + 2] = ((as * source[from + 2] + rest * target[at + 2]) / ao + half) | 0;
      target[at + 3] = (ao * 255 + half) | 0;
    }
  }
};

/** Sections 5 and 10 of the recommendation: cs' = (1 − αb)·cs + αb·B(cb, cs), then source-over. */
const blendByTable = (table: Float32Array): RowBlend => (target, at, source, from, pixels, opacity) => {
  const k = opacity / 255;
  for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
    const as = source[from + 3] * k;
    if (as === 0) continue;
    const ab = target[at + 3], r = target[at], g = target[at + 1], b = target[at + 2];
    const sr = source[from], sg = source[from + 1], sb = source[from + 2];
    if (ab === 255) {
      target[at] = (r + as * (table[(r << 8) | sr] - r) + half) | 0;
      target[at + 1] = (g + as * (table[(g << 8) | sg] - g) + half) | 0;
      target[at + 2] = (b + as * (table[(b << 8) | sb] - b) + half) | 0;
    } else {
      const abf = ab / 255, rest = abf * (1 - as), ao = as + rest, own = (1 - abf) * as, mixed = abf * as;
      target[at] = ((own * sr + mixed * table[(r << 8) | sr] + rest * r) / ao + half) | 0;
      target[at + 1] = ((own * sg + mixed * table[(g << 8) | sg] + rest * g) / ao + half) | 0;
      target[at + 2] = ((own * sb + mixed * table[(b << 8) | sb] + rest * b) / ao + half) | 0;
      target[at + 3] = (ao * 255 + half) | 0;
    }
  }
};

const blendTogether = (mode: keyof typeof nonSeparableModes): RowBlend => (target, at, source, from, pixels, opacity) => {
  const f = nonSeparableModes[mode], k = opacity / 255;
  for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
    const as = source[from + 3] * k;
    if (as === 0) continue;
    const ab = target[at + 3] / 255, rest = ab * (1 - as), ao = as + rest;
    const mixed = f(
      [target[at] / 255, target[at + 1] / 255, target[at + 2] / 255],
      [source[from] / 255, source[from + 1] / 255, source[from + 2] / 255],
    );
    for (let c = 0; c < 3; c++) {
      target[at + c] = (((1 - ab) * as * source[from + c] + ab * as * 255 * mixed[c] + rest * target[at + c]) / ao + half) | 0;
    }
    target[at + 3] = (ao * 255 + half) | 0;
  }
};

function rowBlend(mode: BlendMode): RowBlend {
  if (mode === 'normal') return blendNormal;
  return isSeparable(mode) ? blendByTable(tableOf(mode)) : blendTogether(mode);
}

/** Where a paint can change pixels, before clipping; a solid reaches everywhere. */
function extent(paint: Paint, target: Raster): Rect {
  if (paint.type === 'solid') return wholeRaster(target);
  const { width, height } = paint.type === 'mask' ? paint.mask : paint.raster;
  return { x: paint.x, y: paint.y, width, height };
}

function solidRow(colour: Rgb, pixels: number): Uint8ClampedArray {
  const row = new Uint8ClampedArray(pixels * 4);
  for (let i = 0; i < row.length; i += 4) { row[i] = colour.r; row[i + 1] = colour.g; row[i + 2] = colour.b; row[i + 3] = 255; }
  return row;
}

/**
 * Lays a paint on a raster, in place, within `clip`.
 * With a normal mode over an opaque target every channel becomes (1 − s)·old + s·new, rounded half up, where s is
 * `opacity` times the paint's own alpha.
 * @param opacity 0..1
 * @param clip pixels of the target that may change; the whole target if left out
 */
export function composite(target: Raster, paint: Paint, opacity = 1, mode: BlendMode = 'normal', clip: Rect = wholeRaster(target)): void {
  const area = intersect(intersect(extent(paint, target), clip), wholeRaster(target));
  if (isEmpty(area) || opacity <= 0) return;
  const blend = rowBlend(mode);
  if (paint.type === 'raster') {
    const { raster } = paint;
    for (let y = area.y; y < area.y + area.height; y++) {
      blend(target.data, (y * target.width + area.x) * 4, raster.data, ((y - paint.y) * raster.width + area.x - paint.x) * 4, area.width, opacity);
    }
    return;
  }
  const row = solidRow(paint.colour, area.width);
  for (let y = area.y; y < area.y + area.height; y++) {
    if (paint.type === 'mask') {
      const from = (y - paint.y) * paint.mask.width + area.x - paint.x;
      for (let i = 0; i < area.width; i++) row[i * 4 + 3] = paint.mask.data[from + i];
    }
    blend(target.data, (y * target.width + area.x) * 4, row, 0, area.width, opacity);
  }
}

/** Makes every pixel of `rect` the colour, opaque; without a colour, see-through. */
export function fillRect(target: Raster, colour: Rgb | undefined, rect: Rect = wholeRaster(target)): void {
  const area = intersect(rect, wholeRaster(target));
  const row = colour ? solidRow(colour, area.width) : new Uint8ClampedArray(area.width * 4);
  for (let y = area.y; y < area.y + area.height; y++) target.data.set(row, (y * target.width + area.x) * 4);
}
