import { deltaE } from '../colour/difference';
import type { Raster, Rgb } from '../raster/raster';
import type { GradientGround, GradientStop } from '../site/model/picture';
import type { Side } from '../site/model/slot';
import { hexOf } from '../colour/hex';
import { borderPixels } from './edges';

const at = ({ data, width }: Raster, x: number, y: number): Rgb => {
  const k = (y * width + x) * 4;
  return { r: data[k], g: data[k + 1], b: data[k + 2] };
};

/** Mean of each row of a raster, or of each column. */
function means(raster: Raster, axis: 'x' | 'y'): Rgb[] {
  const length = axis === 'y' ? raster.height : raster.width;
  const across = axis === 'y' ? raster.width : raster.height;
  return Array.from({ length }, (_, i) => {
    let r = 0;
    let g = 0;
    let b = 0;
    for (let n = 0; n < across; n++) {
      const p = axis === 'y' ? at(raster, n, i) : at(raster, i, n);
      r += p.r;
      g += p.g;
      b += p.b;
    }
    return { r: r / across, g: g / across, b: b / across };
  });
}

export interface Banding {
  /** Largest CIEDE2000 by which a step from row to row stands out from those around it. */
  readonly deltaE: number;
  /** The row below that step. */
  readonly at: number;
}

/** Rows on each side that a step is compared with. */
const near = 8;

/**
 * How much of bands is to be seen in a gradient: a step between two rows against the usual one
 * around it.
 */
export function banding(raster: Raster, axis: 'x' | 'y'): Banding {
  const rows = means(raster, axis);
  const steps = rows.slice(1).map((row, i) => deltaE(row, rows[i]));
  let worst = 0;
  let where = 0;
  steps.forEach((step, i) => {
    const around = steps.slice(Math.max(0, i - near), i + near + 1).sort((a, b) => a - b);
    // A steep gradient has steps of its own, which grow and shrink along it: those right beside
    // tell how large they are here.
    const out =
      step -
      Math.max(around[around.length >> 1], ((steps[i - 1] ?? step) + (steps[i + 1] ?? step)) / 2);
    if (out > worst) {
      worst = out;
      where = i + 1;
    }
  });
  return { deltaE: worst, at: where };
}

export interface EndRow {
  /** The commonest colour of the row. */
  readonly colour: string;
  /** Largest difference of any channel of any px from it, levels; 0 where the row is even. */
  readonly uneven: number;
}

/**
 * The last row of px at a side, which for strips is where they end: the colour that continues it
 * there, and whether one does.
 */
export function endRow({ data, width, height }: Raster, side: Side = 'bottom'): EndRow {
  const counts = new Map<number, number>();
  const pixels = [...borderPixels({ data, width, height }, side)];
  for (const k of pixels) {
    const rgb = (data[k] << 16) | (data[k + 1] << 8) | data[k + 2];
    counts.set(rgb, (counts.get(rgb) ?? 0) + 1);
  }
  const n = [...counts].sort((a, b) => b[1] - a[1])[0][0];
  const commonest = { r: n >> 16, g: (n >> 8) & 255, b: n & 255 };
  let uneven = 0;
  for (const k of pixels) {
    uneven = Math.max(
      uneven,
      Math.abs(data[k] - commonest.r),
      Math.abs(data[k + 1] - commonest.g),
      Math.abs(data[k + 2] - commonest.b),
    );
  }
  return { colour: hexOf(commonest), uneven };
}

/** Largest difference a straight mixture may leave, levels. */
const allowed = 1.5;

/**
 * A gradient read from a picture: the mean colour of its rows, as the fewest stops between which it
 * runs straight (the line simplification of D. Douglas and T. Peucker, 1973).
 * @returns a gradient downwards, mixed in sRGB
 */
export function gradientFrom(raster: Raster): GradientGround {
  const rows = means(raster, 'y');
  const last = rows.length - 1;
  const kept = new Set([0, last]);
  const channels = (c: Rgb) => [c.r, c.g, c.b];
  const part = (from: number, to: number): void => {
    let worst = 0;
    let where = -1;
    const a = channels(rows[from]);
    const b = channels(rows[to]);
    for (let i = from + 1; i < to; i++) {
      const t = (i - from) / (to - from);
      const d = Math.max(
        ...channels(rows[i]).map((v, c) => Math.abs(v - a[c] - (b[c] - a[c]) * t)),
      );
      if (d > worst) {
        worst = d;
        where = i;
      }
    }
    if (worst <= allowed || kept.size >= 16) {
      return;
    }
    kept.add(where);
    part(from, where);
    part(where, to);
  };
  if (last > 0) {
    part(0, last);
  }
  const round = ({ r, g, b }: Rgb): Rgb => ({
    r: Math.round(r),
    g: Math.round(g),
    b: Math.round(b),
  });
  const stops = [...kept]
    .sort((a, b) => a - b)
    .map((i): GradientStop => ({ at: last > 0 ? i / last : 0, colour: hexOf(round(rows[i])) }));
  return {
    type: 'gradient',
    shape: 'linear',
    angle: 180,
    stops: stops.length > 1 ? stops : [stops[0], { ...stops[0], at: 1 }],
    space: 'srgb',
  };
}
