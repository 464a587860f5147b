import type { Size } from '../frame/placement';
import type { Place } from '../arrange/box';
import type { LinePoint } from '../site/model/blendLayers';

/*
 * A line of the owner's own: its height over one repetition, through a few points, smooth between
 * them, and joined where it repeats.
 */

/** Places along one repetition at which a line is worked with before its points are found. */
const columns = 480;

/** How many points a line has at most. */
export const mostPoints = 64;

const wrap = (i: number, n: number): number => ((i % n) + n) % n;

/**
 * Slopes at the points of a line that repeats, so that it never goes beyond its points: M. Steffen,
 * "A simple method for monotonic interpolation in one dimension" (1990), equation 11.
 */
function slopesOf(points: readonly LinePoint[]): number[] {
  const n = points.length;
  const gap = (i: number) =>
    points[wrap(i + 1, n)].at - points[wrap(i, n)].at + (wrap(i, n) === n - 1 ? 1 : 0);
  const rise = (i: number) => (points[wrap(i + 1, n)].level - points[wrap(i, n)].level) / gap(i);
  return points.map((_, i) => {
    const [before, after] = [rise(i - 1), rise(i)];
    const [hBefore, hAfter] = [gap(i - 1), gap(i)];
    const mean = (before * hAfter + after * hBefore) / (hBefore + hAfter);
    const least = Math.min(Math.abs(before), Math.abs(after), 0.5 * Math.abs(mean));
    return (Math.sign(before) + Math.sign(after)) * least;
  });
}

/**
 * The height of a line as a function of the place in its repetition; it repeats beyond 0..1.
 *
 * @param points by place, no two at one; a line without any is flat at half its height
 * @returns height, 0..1
 */
export function ownHeight(points: readonly LinePoint[]): (u: number) => number {
  const n = points.length;
  if (n < 2) {
    const level = points[0]?.level ?? 0.5;
    return () => level;
  }
  const slopes = slopesOf(points);
  return (u) => {
    const at = u - Math.floor(u);
    // Before the first point lies the end of the repetition before.
    let i = n - 1;
    while (i >= 0 && points[i].at > at) {
      i--;
    }
    const k = wrap(i, n);
    const next = wrap(i + 1, n);
    const from = points[k].at - (i < 0 ? 1 : 0);
    const h = points[next].at + (k === n - 1 && i >= 0 ? 1 : 0) - from;
    const t = (at - from) / h;
    const [a, b] = [points[k].level, points[next].level];
    const t2 = t * t;
    const t3 = t2 * t;
    return (
      (2 * t3 - 3 * t2 + 1) * a +
      (t3 - 2 * t2 + t) * h * slopes[k] +
      (3 * t2 - 2 * t3) * b +
      (t3 - t2) * h * slopes[next]
    );
  };
}

const tidy = (v: number): number => Math.round(v * 1e4) / 1e4;

/** Heights at the middles of so many columns. */
const heightsOf = (points: readonly LinePoint[]): Float64Array => {
  const f = ownHeight(points);
  return Float64Array.from({ length: columns }, (_, i) => f((i + 0.5) / columns));
};

/**
 * The fewest points whose line keeps near to heights: the worst place gets a point until none is
 * farther off.
 *
 * @param heights one for each column of a repetition, 0..1
 * @param most how far off it may be, as a share of the height
 */
export function pointsThrough(heights: Float64Array, most: number): LinePoint[] {
  const n = heights.length;
  const pointAt = (i: number): LinePoint => ({ at: tidy((i + 0.5) / n), level: tidy(heights[i]) });
  let highest = 0;
  let lowest = 0;
  heights.forEach((v, i) => {
    highest = v > heights[highest] ? i : highest;
    lowest = v < heights[lowest] ? i : lowest;
  });
  const chosen = new Set([highest, lowest]);
  for (;;) {
    const points = [...chosen].sort((a, b) => a - b).map(pointAt);
    const f = ownHeight(points);
    let worst = 0;
    let off = 0;
    for (let i = 0; i < n; i++) {
      const away = Math.abs(f((i + 0.5) / n) - heights[i]);
      if (away > off && !chosen.has(i)) {
        off = away;
        worst = i;
      }
    }
    if (off <= most || points.length >= mostPoints) {
      return points;
    }
    chosen.add(worst);
  }
}

/** Heights along some columns, each the mean of those around it, weighted by a normal curve. */
function smoothed(
  heights: Float64Array,
  from: number,
  to: number,
  sigma: number,
  repeats: boolean,
): Float64Array {
  const reach = Math.ceil(3 * sigma);
  const out = heights.slice();
  for (let i = from; i <= to; i++) {
    let sum = 0;
    let weights = 0;
    for (let d = -reach; d <= reach; d++) {
      const j = i + d;
      if (!repeats && (j < from || j > to)) {
        continue;
      }
      const weight = Math.exp(-(d * d) / (2 * sigma * sigma));
      sum += weight * heights[wrap(j, columns)];
      weights += weight;
    }
    out[wrap(i, columns)] = sum / weights;
  }
  return out;
}

/** How much of a hand's trembling is taken away, and how near the points keep to it. */
const steadied = 5;
const near = 0.012;

/** Columns over which the two ends of a line are brought together. */
const joining = Math.round(columns * 0.14);

/** Brings what comes after the last column to where the first one begins. */
function joined(heights: Float64Array): Float64Array {
  const out = heights.slice();
  const half = (heights[columns - 1] - heights[0]) / 2;
  for (let i = 0; i < joining; i++) {
    const t = 1 - (i + 0.5) / joining;
    const ease = t * t * (3 - 2 * t);
    out[i] += half * ease;
    out[columns - 1 - i] -= half * ease;
  }
  return out.map((v) => Math.min(1, Math.max(0, v)));
}

/**
 * A line as it is after something was drawn on it: steadied, joined where it repeats, and what was
 * not drawn over stays.
 *
 * @param points of the line as it was; none for a new one
 * @param path where the pointer went, px of the slot
 * @returns the line's points; those that there were where nothing was drawn along the slot
 */
export function drawnOver(
  points: readonly LinePoint[],
  path: readonly Place[],
  { width, height }: Size,
): LinePoint[] {
  const column = (x: number) => Math.floor((x / width) * columns);
  const level = (y: number) => Math.min(1, Math.max(0, 1 - y / height));
  const drawn = new Float64Array(columns).fill(NaN);
  path.forEach((to, k) => {
    const from = path[k - 1] ?? to;
    const [a, b] = [column(from.x), column(to.x)];
    for (let i = Math.min(a, b); i <= Math.max(a, b); i++) {
      if (i >= 0 && i < columns) {
        const t = a === b ? 1 : (i - a) / (b - a);
        drawn[i] = level(from.y + t * (to.y - from.y));
      }
    }
  });
  const first = drawn.findIndex((v) => !Number.isNaN(v));
  const last = drawn.findLastIndex((v) => !Number.isNaN(v));
  if (last - first < 2) {
    return [...points];
  }
  const steady = smoothed(drawn, first, last, steadied, false);
  const whole = last - first > columns * 0.9;
  if (whole || points.length === 0) {
    return pointsThrough(joined(filled(steady, first, last)), near);
  }
  const heights = heightsOf(points);
  for (let i = first; i <= last; i++) {
    heights[i] = steady[i];
  }
  // Where the new part meets the old one there may be a step.
  const meeting = steadied * 2;
  const once = smoothed(heights, first - meeting, first + meeting, steadied, true);
  return pointsThrough(smoothed(once, last - meeting, last + meeting, steadied, true), near);
}

/** The columns before and after what was drawn, straight from its end to its beginning. */
function filled(heights: Float64Array, first: number, last: number): Float64Array {
  const gap = columns - 1 - last + first + 1;
  return heights.map((v, i) => {
    if (i >= first && i <= last) {
      return v;
    }
    const t = (i > last ? i - last : i + columns - last) / gap;
    return heights[last] + t * (heights[first] - heights[last]);
  });
}

/** A line with half of its bends taken away. */
export const smoother = (points: readonly LinePoint[]): LinePoint[] =>
  pointsThrough(smoothed(heightsOf(points), 0, columns - 1, columns / 60, true), near);

/** How near two points may come to each other, as a share of a repetition. */
const apart = 0.004;

/**
 * One of a line's points elsewhere: between its neighbours.
 * @param to place and height, 0..1
 */
export function movePoint(points: readonly LinePoint[], i: number, to: LinePoint): LinePoint[] {
  const least = i === 0 ? 0 : points[i - 1].at + apart;
  const most = i === points.length - 1 ? 1 - apart : points[i + 1].at - apart;
  const within = (v: number, from: number, until: number) => Math.min(until, Math.max(from, v));
  return points.map((p, k) =>
    k === i ? { at: tidy(within(to.at, least, most)), level: tidy(within(to.level, 0, 1)) } : p,
  );
}

/** A line with a point more, where it has none that near; its place in the list comes with it. */
export function addPoint(
  points: readonly LinePoint[],
  to: LinePoint,
): { readonly points: LinePoint[]; readonly index: number } | undefined {
  if (points.length >= mostPoints || points.some((p) => Math.abs(p.at - to.at) < 2 * apart)) {
    return undefined;
  }
  const point = { at: tidy(to.at), level: tidy(Math.min(1, Math.max(0, to.level))) };
  const list = [...points, point].sort((a, b) => a.at - b.at);
  return { points: list, index: list.indexOf(point) };
}

/**
 * Heights of a silhouette as a line, from its lowest place a little above the ground to its highest
 * at the top.
 *
 * @param tops where each column of the picture begins, px from its top
 */
export function lineAlong(tops: readonly number[], height: number): LinePoint[] {
  const highest = Math.min(...tops);
  const lowest = Math.max(...tops);
  const span = Math.max(1, lowest - highest, height * 0.02);
  const heights = Float64Array.from({ length: columns }, (_, i) => {
    const from = Math.floor((i * tops.length) / columns);
    const to = Math.max(from + 1, Math.floor(((i + 1) * tops.length) / columns));
    const mean = tops.slice(from, to).reduce((sum, v) => sum + v, 0) / (to - from);
    return 0.08 + 0.92 * ((lowest - mean) / span);
  });
  return pointsThrough(joined(heights), near);
}
