import { nearestMark } from '../raster/nearestMark';
import type { Raster } from '../raster/raster';

/**
 * Px from the surround within which a pixel may be a mixture of it and of what stands before it.
 */
const edgeWidth = 3;
/** Steps inwards at most to where a pixel is no mixture any more. */
const deepest = 5;
/**
 * A pixel farther from the surround's colour than the one before by less than this is no less of a
 * mixture.
 */
const risingBy = 1.03;
/** Shares this near to all are all: grain is no see-through edge. */
const solidFrom = 0.95;

/** What passed for surround less than this share is surround: its own grain. */
const nothingBelow = 0.04;

/**
 * Marks the pixels of the surround that touch something else; they may be mixtures that passed for
 * surround.
 */
function rimOf(surround: Uint8Array, width: number, height: number): Uint8Array {
  const out = new Uint8Array(surround.length);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!surround[i]) {
        continue;
      }
      for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1) && !out[i]; v++) {
        for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
          if (!surround[v * width + u]) {
            out[i] = 1;
            break;
          }
        }
      }
    }
  }
  return out;
}

/**
 * Mean of the surround's pixels around a place; of those at its rim only where there are no others.
 */
function surroundColour(
  { data, width, height }: Raster,
  surround: Uint8Array,
  rim: Uint8Array,
  i: number,
  out: Float64Array,
): void {
  const cx = i % width;
  const cy = (i - cx) / width;
  const sum = [0, 0, 0, 0, 0, 0, 0, 0];
  for (let y = Math.max(0, cy - 2); y <= Math.min(height - 1, cy + 2); y++) {
    for (let x = Math.max(0, cx - 2); x <= Math.min(width - 1, cx + 2); x++) {
      const k = y * width + x;
      if (!surround[k]) {
        continue;
      }
      const at = rim[k] * 4;
      sum[at] += data[k * 4];
      sum[at + 1] += data[k * 4 + 1];
      sum[at + 2] += data[k * 4 + 2];
      sum[at + 3]++;
    }
  }
  const at = sum[3] > 0 ? 0 : 4;
  for (let c = 0; c < 3; c++) {
    out[c] = sum[at + c] / sum[at + 3];
  }
}

/**
 * The first pixel on the way inwards that is no farther from the surround's colour than the one
 * before it: the thing's own colour.
 */
function inwards(
  { width, height }: Raster,
  surround: Uint8Array,
  away: Float32Array,
  i: number,
  from: number,
): number {
  const x = i % width;
  const y = (i - x) / width;
  const fx = from % width;
  const fy = (from - fx) / width;
  const length = Math.hypot(x - fx, y - fy);
  const dx = (x - fx) / length;
  const dy = (y - fy) / length;
  let found = i;
  for (let k = 1; k <= deepest; k++) {
    const u = Math.round(x + dx * k);
    const v = Math.round(y + dy * k);
    const o = v * width + u;
    if (
      u < 0 ||
      v < 0 ||
      u >= width ||
      v >= height ||
      surround[o] ||
      away[o] <= away[found] * risingBy
    ) {
      break;
    }
    found = o;
  }
  return found;
}

/**
 * Takes the surround off a raster, in place. Along its edge every pixel is taken apart into the
 * surround's colour and the thing's own: a share of each, in gamma-encoded sRGB as edges are drawn,
 * and only the thing's own stays, so that none of the old surround shows over another ground.
 * @param surround 1 where it is
 * @param away difference of every pixel from the surround's colours
 * @param softness px over which the edge fades inwards
 */
export function takeOff(
  raster: Raster,
  surround: Uint8Array,
  away: Float32Array,
  softness: number,
): void {
  const { data, width, height } = raster;
  const nearest = nearestMark(surround, width, height);
  const rim = rimOf(surround, width, height);
  const farthest = Math.max(edgeWidth, softness);
  const pure = data.slice();
  const source: Raster = { ...raster, data: pure };
  const b = new Float64Array(3);

  /** Takes one pixel apart, on the way from a pixel of the surround to it and on. */
  function takeApart(i: number, from: number, own: number): void {
    const k = i * 4;
    const o = own * 4;
    surroundColour(source, surround, rim, from, b);
    const fr = pure[o] - b[0];
    const fg = pure[o + 1] - b[1];
    const fb = pure[o + 2] - b[2];
    const length = fr * fr + fg * fg + fb * fb;
    const share =
      own === i || length < 36
        ? 1
        : ((pure[k] - b[0]) * fr + (pure[k + 1] - b[1]) * fg + (pure[k + 2] - b[2]) * fb) / length;
    if (surround[i] ? share < nothingBelow || own === i : share >= solidFrom) {
      return;
    }
    const a = Math.min(1, Math.max(0, share));
    // What is left after the surround's part is taken out; where that is little, too uncertain to
    // be told, it is the thing's own colour.
    for (let c = 0; c < 3; c++) {
      data[k + c] = a > 0.25 ? (pure[k + c] - (1 - a) * b[c]) / a : pure[o + c];
    }
    data[k + 3] = Math.round(pure[k + 3] * a);
  }

  for (let i = 0; i < surround.length; i++) {
    const k = i * 4;
    const x = i % width;
    const y = (i - x) / width;
    if (surround[i]) {
      data[k + 3] = 0;
      if (!rim[i]) {
        data[k] = data[k + 1] = data[k + 2] = 0;
        continue;
      }
      // From the other side of it, straight to the neighbour that differs most.
      let other = -1;
      for (let v = Math.max(0, y - 1); v <= Math.min(height - 1, y + 1); v++) {
        for (let u = Math.max(0, x - 1); u <= Math.min(width - 1, x + 1); u++) {
          const n = v * width + u;
          if (!surround[n] && (other < 0 || away[n] > away[other])) {
            other = n;
          }
        }
      }
      const bx = Math.min(width - 1, Math.max(0, 2 * x - (other % width)));
      const by = Math.min(height - 1, Math.max(0, 2 * y - Math.floor(other / width)));
      const back = by * width + bx;
      if (surround[back] && back !== i) {
        takeApart(i, back, inwards(source, surround, away, i, back));
      }
      continue;
    }
    const from = nearest[i];
    if (from < 0) {
      continue;
    }
    const distance = Math.hypot(x - (from % width), y - Math.floor(from / width));
    if (distance > farthest) {
      continue;
    }
    if (distance <= edgeWidth) {
      takeApart(i, from, inwards(source, surround, away, i, from));
    }
    if (softness > 0) {
      const t = Math.min(1, distance / (softness + 1));
      data[k + 3] = Math.round(data[k + 3] * t * t * (3 - 2 * t));
    }
  }
}
