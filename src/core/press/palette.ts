import { oklabPlane } from '../colour/oklab';
import type { Raster } from '../raster/raster';
import { diffused, nearestColour, type PaletteColour } from './dither';

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

/** Every colour of a raster; see-through px are all one, and faint ones count less. */
function binsOf({ data }: Raster): Bin[] {
  const counts = new Map<number, number>();
  for (let k = 0; k < data.length; k += 4) {
    const p = pack(data, k);
    counts.set(p, (counts.get(p) ?? 0) + 1);
  }
  return coloursOf([...counts.keys()]).map(({ packed, at }) => ({
    packed,
    count: counts.get(packed)!,
    at,
  }));
}

interface Box {
  readonly bins: Bin[];
  readonly spread: number;
  readonly axis: number;
}

function boxOf(bins: Bin[]): Box {
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

/**
 * Cuts the box with the largest spread, where the sum of the two parts' spreads is least, until
 * there are enough (after X. Wu, "Efficient statistical computations for optimal color
 * quantization", Graphics Gems II, 1991, along one axis).
 */
function cutBoxes(bins: Bin[], wanted: number): Box[] {
  const boxes = [boxOf(bins)];
  while (boxes.length < wanted) {
    const i = boxes.reduce((best, b, k) => (b.spread > boxes[best].spread ? k : best), 0);
    const { bins: list, spread, axis } = boxes[i];
    if (spread <= 0) {
      break;
    }
    const sorted = list.toSorted((a, b) => a.at[axis] - b.at[axis]);
    let total = 0;
    let sum = 0;
    for (const b of sorted) {
      total += b.count;
      sum += b.count * b.at[axis];
    }
    let n = 0;
    let s = 0;
    let best = -1;
    let cut = 1;
    for (let k = 0; k < sorted.length - 1; k++) {
      n += sorted[k].count;
      s += sorted[k].count * sorted[k].at[axis];
      const gain = (s * s) / n + ((sum - s) * (sum - s)) / (total - n);
      if (gain > best) {
        best = gain;
        cut = k + 1;
      }
    }
    boxes.splice(i, 1, boxOf(sorted.slice(0, cut)), boxOf(sorted.slice(cut)));
  }
  return boxes;
}

/** The mean of a box's colours, by alpha. */
function meanOf({ bins }: Box): number {
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

/** Colours of the border px, the commonest first. */
function borderColours({ data, width, height }: Raster): number[] {
  const counts = new Map<number, number>();
  const add = (i: number) => {
    const p = pack(data, i * 4);
    counts.set(p, (counts.get(p) ?? 0) + 1);
  };
  for (let x = 0; x < width; x++) {
    add(x);
    add((height - 1) * width + x);
  }
  for (let y = 0; y < height; y++) {
    add(y * width);
    add(y * width + width - 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1]).map(([p]) => p);
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
  const bins = binsOf(raster);
  const there = new Set(bins.map((b) => b.packed));
  if (bins.length <= most) {
    return { raster, colours: bins.length };
  }
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
  for (const p of borderColours(raster)) {
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
      ).map(meanOf),
    ]),
  ];
  const palette = coloursOf(packed);
  const data = dithered
    ? diffused(raster, palette, (i) => kept.has(pack(raster.data, i * 4)))
    : nearestOfAll(raster, bins, palette);
  return { raster: { ...raster, data }, colours: palette.length };
}

/** Colours with where they lie. */
function coloursOf(packed: readonly number[]): (PaletteColour & { readonly packed: number })[] {
  const flat = new Uint8ClampedArray(packed.length * 4);
  packed.forEach((p, i) => flat.set(unpack(p), i * 4));
  const lab = oklabPlane(flat);
  return packed.map((p, i) => {
    const a = (p & 255) / 255;
    return {
      packed: p,
      levels: unpack(p),
      at: [lab[i * 3] * a, lab[i * 3 + 1] * a, lab[i * 3 + 2] * a, a],
    };
  });
}

/** Each px in the colour that is nearest to its own. */
function nearestOfAll(
  { data }: Raster,
  bins: readonly Bin[],
  palette: readonly PaletteColour[],
): Uint8ClampedArray<ArrayBuffer> {
  const nearest = new Map(
    bins.map((b) => [b.packed, palette[nearestColour(palette, b.at)].levels]),
  );
  const out = new Uint8ClampedArray(data.length);
  for (let k = 0; k < data.length; k += 4) {
    out.set(nearest.get(pack(data, k))!, k);
  }
  return out;
}
