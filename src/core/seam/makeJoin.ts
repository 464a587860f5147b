import { createRaster, type Raster } from '../raster/raster';
import type { Axes, JoinMethod } from '../site/model/blendLayers';
import { lineStep } from './join';

/*
 * Ways to make a picture join with itself when it is repeated. Each works along one axis at a time;
 * colours count by their alpha.
 */

const smooth = (t: number): number => {
  const k = Math.min(1, Math.max(0, t));
  return k * k * (3 - 2 * k);
};

/**
 * Px of a raster as lines along an axis: where line `l` begins and how far its px lie apart, in
 * bytes.
 */
function linesOf({ width, height }: Raster, axis: 'x' | 'y') {
  return axis === 'x'
    ? { lines: height, length: width, lineStep: width * 4, step: 4 }
    : { lines: width, length: height, lineStep: 4, step: width * 4 };
}

/** A share of one px and the rest of another, colours by alpha. */
function mix(
  out: Uint8ClampedArray,
  at: number,
  a: Uint8ClampedArray,
  ai: number,
  b: Uint8ClampedArray,
  bi: number,
  share: number,
): void {
  const wa = a[ai + 3] * share;
  const wb = b[bi + 3] * (1 - share);
  const alpha = wa + wb;
  for (let c = 0; c < 3; c++) {
    out[at + c] = alpha > 0 ? (a[ai + c] * wa + b[bi + c] * wb) / alpha : 0;
  }
  out[at + 3] = alpha;
}

/**
 * About half of a length: of the places in the middle fifth, the one where neighbours are most
 * alike, since they will meet at the join.
 */
function halfOf(source: Raster, axis: 'x' | 'y', length: number): number {
  let best = length >> 1;
  let least = Infinity;
  for (let i = Math.ceil(length * 0.4); i <= length * 0.6; i++) {
    const step = lineStep(source, axis, i - 1, i);
    if (step < least) {
      least = step;
      best = i;
    }
  }
  return best;
}

/** The farthest that blending or healing may reach from a join, so that the other is left alone. */
const most = (length: number): number => length * 0.4 - 1;

/**
 * Each line goes over, at its ends, into itself moved by half: there it is continuous, and its own
 * join lies in the middle, where nothing of it is seen.
 */
function overlapped(source: Raster, axis: 'x' | 'y', band: number): Raster {
  const { lines, length, lineStep, step } = linesOf(source, axis);
  const out = createRaster(source.width, source.height);
  const half = halfOf(source, axis, length);
  const width = Math.max(1, Math.min(band, most(length)));
  for (let i = 0; i < length; i++) {
    const share = smooth(Math.min(i, length - 1 - i) / width);
    const other = (i + half) % length;
    for (let l = 0, k = 0; l < lines; l++, k += lineStep) {
      mix(out.data, k + i * step, source.data, k + i * step, source.data, k + other * step, share);
    }
  }
  return out;
}

/** The first half of each line, and the same backwards. */
function mirrored(source: Raster, axis: 'x' | 'y'): Raster {
  const { lines, length, lineStep, step } = linesOf(source, axis);
  const out = createRaster(source.width, source.height);
  for (let i = 0; i < length; i++) {
    const from = Math.min(i, length - 1 - i);
    for (let l = 0, k = 0; l < lines; l++, k += lineStep) {
      out.data.set(source.data.subarray(k + from * step, k + from * step + 4), k + i * step);
    }
  }
  return out;
}

/**
 * Px along the join over which its step is averaged: what is finer is the picture's own grain, and
 * stays.
 */
const stepOver = 4;

/**
 * Moved by half, so that the ends join as neighbours did; the step that is now in the middle is
 * spread over both its sides and lost in them.
 */
function healed(source: Raster, axis: 'x' | 'y', band: number): Raster {
  const { lines, length, lineStep, step } = linesOf(source, axis);
  const out = createRaster(source.width, source.height);
  const half = halfOf(source, axis, length);
  const width = Math.max(1, Math.min(band, most(length)));
  for (let i = 0; i < length; i++) {
    const from = (i + half) % length;
    for (let l = 0, k = 0; l < lines; l++, k += lineStep) {
      out.data.set(source.data.subarray(k + from * step, k + from * step + 4), k + i * step);
    }
  }
  // The cross lies between `cut − 1` and `cut`. What a step there would be inside the picture is
  // left to it.
  const cut = length - half;
  const { data } = out;
  const steps = new Float64Array(lines * 4);
  const inner = (l: number, c: number, i: number) =>
    data[l * lineStep + ((i + length) % length) * step + c];
  for (let l = 0; l < lines; l++) {
    for (let c = 0; c < 4; c++) {
      const own =
        (inner(l, c, cut - 1) - inner(l, c, cut - 2) + inner(l, c, cut + 1) - inner(l, c, cut)) / 2;
      steps[l * 4 + c] = inner(l, c, cut) - inner(l, c, cut - 1) - Math.max(-8, Math.min(8, own));
    }
  }
  const even = new Float64Array(steps.length);
  const over = Math.min(stepOver, lines >> 1);
  for (let l = 0; l < lines; l++) {
    for (let c = 0; c < 4; c++) {
      let sum = 0;
      for (let d = -over; d <= over; d++) {
        sum += steps[((l + d + lines) % lines) * 4 + c];
      }
      even[l * 4 + c] = sum / (2 * over + 1);
    }
  }
  for (let d = 0; d < width; d++) {
    const share = 0.5 * (1 - smooth(d / width));
    const before = cut - 1 - d;
    const after = cut + d;
    for (let l = 0; l < lines; l++) {
      for (let c = 0; c < 4; c++) {
        if (before >= 0) {
          data[l * lineStep + before * step + c] += even[l * 4 + c] * share;
        }
        if (after < length) {
          data[l * lineStep + after * step + c] -= even[l * 4 + c] * share;
        }
      }
    }
  }
  return out;
}

/**
 * The raster made to join with itself.
 * @param band px from a join over which what is blended or healed goes over into the rest;
 * mirroring has none
 */
export function joined(
  source: Raster,
  { method, axes, band }: { method: JoinMethod; axes: Axes; band: number },
): Raster {
  const along: readonly ('x' | 'y')[] = axes === 'both' ? ['x', 'y'] : [axes];
  return along.reduce((raster, axis) => {
    if ((axis === 'x' ? raster.width : raster.height) < 4) {
      return raster;
    }
    if (method === 'mirror') {
      return mirrored(raster, axis);
    }
    if (method === 'overlap') {
      return overlapped(raster, axis, band);
    }
    return healed(raster, axis, band);
  }, source);
}
