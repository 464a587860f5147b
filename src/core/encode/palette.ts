import { oklabPlane } from '../colour/oklab';
import type { Raster } from '../raster/raster';
import { colourTable, type ColourTable } from './colourTable';
import { diffused, nearestColour, type Palette } from './dither';

/** A raster brought to a palette. */
export interface Reduced {
  readonly raster: Raster;
  /** Colours that it has. */
  readonly colours: number;
}

/**
 * A colour with how many px have it, and where it lies in OKLab with its alpha; alike for the eye
 * where near.
 */
interface Bin {
  readonly packed: number;
  readonly count: number;
  readonly at: readonly [number, number, number, number];
}

const pack = (data: Uint8ClampedArray, k: number): number =>
  data[k + 3] === 0
    ? 0
    : ((data[k] << 24) | (data[k + 1] << 16) | (data[k + 2] << 8) | data[k + 3]) >>> 0;
const unpack = (packed: number): [number, number, number, number] => [
  packed >>> 24,
  (packed >>> 16) & 255,
  (packed >>> 8) & 255,
  packed & 255,
];

/** Every colour of a raster; see-through px are all one. */
function coloursOf({ data }: Raster): ColourTable {
  const packed = new Uint32Array(data.length / 4);
  for (let i = 0; i < packed.length; i++) {
    packed[i] = pack(data, i * 4);
  }
  return colourTable(packed);
}

/** Colours with their counts; faint ones count less. */
function binsOf({ colours, counts }: ColourTable): Bin[] {
  const { places } = paletteOf(colours);
  return Array.from(colours, (packed, i) => ({
    packed,
    count: counts[i],
    at: [places[i * 4], places[i * 4 + 1], places[i * 4 + 2], places[i * 4 + 3]],
  }));
}

interface Box {
  readonly bins: readonly Bin[];
  readonly spread: number;
  readonly axis: number;
}

function boxOf(bins: readonly Bin[]): Box {
  let total = 0;
  const mean = [0, 0, 0, 0];
  const square = [0, 0, 0, 0];
  for (const { count, at } of bins) {
    total += count;
    for (let c = 0; c < 4; c++) {
      mean[c] += count * at[c];
      square[c] += count * at[c] * at[c];
    }
  }
  const spreads = square.map((s, c) => s - (mean[c] * mean[c]) / total);
  const axis = spreads.indexOf(Math.max(...spreads));
  return { bins, spread: bins.length > 1 ? spreads[axis] : 0, axis };
}

/** Places along an axis at which a box may be cut. */
const cuts = 1024;

/** The two parts of a box that have the least spread together, along its axis. */
function halvesOf({ bins, axis }: Box): [Bin[], Bin[]] {
  let least = Infinity;
  let most = -Infinity;
  for (const { at } of bins) {
    least = Math.min(least, at[axis]);
    most = Math.max(most, at[axis]);
  }
  const cellOf = (bin: Bin): number =>
    Math.min(cuts - 1, Math.floor((cuts * (bin.at[axis] - least)) / (most - least)));
  const counts = new Float64Array(cuts);
  const sums = new Float64Array(cuts);
  let total = 0;
  let sum = 0;
  for (const bin of bins) {
    const cell = cellOf(bin);
    counts[cell] += bin.count;
    sums[cell] += bin.count * bin.at[axis];
    total += bin.count;
    sum += bin.count * bin.at[axis];
  }
  let n = 0;
  let s = 0;
  let best = -1;
  let cut = 0;
  // Both ends have a colour, so that neither part is empty.
  for (let cell = 0; cell < cuts - 1; cell++) {
    n += counts[cell];
    s += sums[cell];
    const gain = (s * s) / n + ((sum - s) * (sum - s)) / (total - n);
    if (gain > best) {
      best = gain;
      cut = cell;
    }
  }
  const below: Bin[] = [];
  const above: Bin[] = [];
  for (const bin of bins) {
    (cellOf(bin) <= cut ? below : above).push(bin);
  }
  return [below, above];
}

/**
 * Cuts the box with the largest spread, where the sum of the two parts' spreads is least, until
 * there are enough (after X. Wu, "Efficient statistical computations for optimal color
 * quantization", Graphics Gems II, 1991, along one axis).
 */
function cutBoxes(bins: readonly Bin[], wanted: number): Box[] {
  const boxes = [boxOf(bins)];
  while (boxes.length < wanted) {
    const i = boxes.reduce((best, b, k) => (b.spread > boxes[best].spread ? k : best), 0);
    if (boxes[i].spread <= 0) {
      break;
    }
    boxes.splice(i, 1, ...halvesOf(boxes[i]).map(boxOf));
  }
  return boxes;
}

/** The mean of colours, by alpha. */
function meanOf(bins: readonly Bin[]): number {
  let n = 0;
  let a = 0;
  let r = 0;
  let g = 0;
  let b = 0;
  for (const { packed, count } of bins) {
    const [pr, pg, pb, pa] = unpack(packed);
    const w = count * pa;
    n += count;
    a += w;
    r += w * pr;
    g += w * pg;
    b += w * pb;
  }
  if (a === 0) {
    return 0;
  }
  return (
    ((Math.round(r / a) << 24) |
      (Math.round(g / a) << 16) |
      (Math.round(b / a) << 8) |
      Math.round(a / n)) >>>
    0
  );
}

/** A border of more colours than can be kept keeps those that so much of it has. */
const plainBorder = 0.01;

/**
 * Colours of the border px that are kept exactly: all of them where there is room, else those that
 * much of it has, the commonest first. A border that is as busy as the picture takes no more of the
 * palette than anything else.
 */
function borderColours(
  { width, height }: Raster,
  { of, colours }: ColourTable,
  most: number,
): number[] {
  const counts = new Map<number, number>();
  const add = (i: number) => {
    counts.set(of[i], (counts.get(of[i]) ?? 0) + 1);
  };
  for (let x = 0; x < width; x++) {
    add(x);
    add((height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    add(y * width);
    add(y * width + width - 1);
  }
  const least = counts.size <= most ? 0 : plainBorder * 2 * (width + height);
  return [...counts]
    .filter(([, count]) => count >= least)
    .sort((a, b) => b[1] - a[1])
    .slice(0, most)
    .map(([n]) => colours[n]);
}

/**
 * A raster with at most so many colours. Those pinned come out exactly, and so do the commonest of
 * the border.
 * @param most 2..256
 * @param pinned colours #rrggbb that the picture may have, opaque
 * @param dithered colours between two of the palette come out as a mixture of both, but for those
 * that are kept exactly, so that a border and an even ground stay even
 */
export function toPalette(
  raster: Raster,
  most: number,
  pinned: readonly string[],
  dithered = false,
): Reduced {
  const table = coloursOf(raster);
  if (table.colours.length <= most) {
    return { raster, colours: table.colours.length };
  }
  const bins = binsOf(table);
  const there = new Set(table.colours);
  const kept = new Set<number>();
  for (const hex of pinned) {
    const p = ((parseInt(hex.slice(1), 16) << 8) | 255) >>> 0;
    if (there.has(p)) {
      kept.add(p);
    }
  }
  if (there.has(0)) {
    kept.add(0);
  }
  for (const p of borderColours(raster, table, most / 2)) {
    if (kept.size >= most / 2) {
      break;
    }
    kept.add(p);
  }
  const packed = [
    ...new Set([
      ...kept,
      ...cutBoxes(
        bins.filter((b) => !kept.has(b.packed)),
        most - kept.size,
      ).map((box) => meanOf(box.bins)),
    ]),
  ];
  const palette = paletteOf(refined(packed, kept.size, bins));
  const data = dithered
    ? diffused(raster, palette, (i) => kept.has(pack(raster.data, i * 4)))
    : nearestOfAll(bins, table, palette);
  return { raster: { ...raster, data }, colours: palette.places.length / 4 };
}

/** Turns in which a palette's colours are moved to the middle of the px that are nearest to them. */
const turns = 2;

/**
 * A palette whose colours lie in the middle of what they stand for (S. Lloyd, "Least squares
 * quantization in PCM", IEEE Transactions on Information Theory 28, 1982).
 * @param fixed so many of the first stay as they are
 */
function refined(packed: readonly number[], fixed: number, bins: readonly Bin[]): number[] {
  let colours = [...packed];
  for (let turn = 0; turn < turns; turn++) {
    const palette = paletteOf(colours);
    const near: Bin[][] = colours.map(() => []);
    for (const bin of bins) {
      const [l, a, b, alpha] = bin.at;
      near[nearestColour(palette, l, a, b, alpha)].push(bin);
    }
    colours = colours.map((colour, i) =>
      i < fixed || near[i].length === 0 ? colour : meanOf(near[i]),
    );
  }
  return [...new Set(colours)];
}

/** Colours with where they lie. */
function paletteOf(packed: ArrayLike<number>): Palette {
  const levels = new Uint8ClampedArray(packed.length * 4);
  for (let i = 0; i < packed.length; i++) {
    levels.set(unpack(packed[i]), i * 4);
  }
  const lab = oklabPlane(levels);
  const places = new Float64Array(levels.length);
  for (let k = 0, i = 0; k < levels.length; k += 4, i += 3) {
    const alpha = levels[k + 3] / 255;
    places[k] = lab[i] * alpha;
    places[k + 1] = lab[i + 1] * alpha;
    places[k + 2] = lab[i + 2] * alpha;
    places[k + 3] = alpha;
  }
  return { levels, places };
}

/** Each px in the colour that is nearest to its own. */
function nearestOfAll(
  bins: readonly Bin[],
  { of }: ColourTable,
  palette: Palette,
): Uint8ClampedArray<ArrayBuffer> {
  const colours = new Uint32Array(palette.levels.buffer);
  const nearest = Uint32Array.from(
    bins,
    ({ at: [l, a, b, alpha] }) => colours[nearestColour(palette, l, a, b, alpha)],
  );
  const out = new Uint32Array(of.length);
  for (let i = 0; i < out.length; i++) {
    out[i] = nearest[of[i]];
  }
  return new Uint8ClampedArray(out.buffer);
}
