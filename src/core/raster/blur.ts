import { kernels, type Kernels } from '../../kernels/kernels';
import type { AlphaMask } from './alphaMask';

/**
 * Standard deviation below which the Gaussian's own weights are used, px; above, boxes are as near
 * and far quicker.
 */
const directBelow = 2;

/**
 * Share of a normal distribution below x: M. Abramowitz and I. Stegun, Handbook of Mathematical
 * Functions (1964), 7.1.26; off by less than 1e-7 (coefficients from memory, held against an
 * integral by the tests).
 */
export function normalShareBelow(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * z);
  const tail =
    (((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) *
      t *
      Math.exp(-z * z)) /
    2;
  return x >= 0 ? 1 - tail : tail;
}

/**
 * How much of a Gaussian lies over each pixel from the middle one on, cut at four standard
 * deviations; they add up to 1 over both sides.
 */
function gaussianWeights(sigma: number): Float64Array {
  const radius = Math.max(1, Math.ceil(4 * sigma));
  const half = Float64Array.from(
    { length: radius + 1 },
    (_, i) => normalShareBelow((i + 0.5) / sigma) - normalShareBelow((i - 0.5) / sigma),
  );
  const total = half.reduce((sum, w, i) => sum + (i === 0 ? w : 2 * w), 0);
  return half.map((w) => w / total);
}

/** What a pixel adds to a variance by being a px wide. */
const pixelVariance = 1 / 12;

/** One line of the weights' sum; outside of the line is 0. */
function weighLine(line: Float32Array, out: Float32Array, weights: Float64Array): void {
  const n = line.length;
  const radius = weights.length - 1;
  for (let i = 0; i < n; i++) {
    let sum = line[i] * weights[0];
    for (let k = 1; k <= radius; k++) {
      sum += weights[k] * ((i >= k ? line[i - k] : 0) + (i + k < n ? line[i + k] : 0));
    }
    out[i] = sum;
  }
}

const passes = 4;

/**
 * A box whose two end samples count in part, so that its variance is exactly the wanted one (P.
 * Gwosdek, S. Grewenig, A. Bruhn, J. Weickert, "Theoretical Foundations of Gaussian Convolution by
 * Extended Box Filtering", 2011; the formulas here are from memory and the tests hold them against
 * the variance they are to have).
 */
function extendedBox(variance: number): { radius: number; end: number } {
  const radius = Math.floor(0.5 * Math.sqrt(12 * variance + 1) - 0.5);
  const width = 2 * radius + 1;
  return {
    radius,
    end: (width * (radius * (radius + 1) - 3 * variance)) / (6 * (variance - (radius + 1) ** 2)),
  };
}

function boxLine(line: Float32Array, out: Float32Array, radius: number, end: number): void {
  const n = line.length;
  const scale = 1 / (2 * radius + 1 + 2 * end);
  let sum = 0;
  for (let i = 0; i < Math.min(radius, n); i++) {
    sum += line[i];
  }
  for (let i = 0; i < n; i++) {
    if (i + radius < n) {
      sum += line[i + radius];
    }
    if (i - radius - 1 >= 0) {
      sum -= line[i - radius - 1];
    }
    out[i] =
      (sum +
        end *
          ((i - radius - 1 >= 0 ? line[i - radius - 1] : 0) +
            (i + radius + 1 < n ? line[i + radius + 1] : 0))) *
      scale;
  }
}

/** Blurs each line of `length` values that lie `step` apart. */
function blurLines(
  data: Float32Array,
  lines: number,
  lineStep: number,
  length: number,
  step: number,
  sigma: number,
): void {
  let line = new Float32Array(length);
  let other = new Float32Array(length);
  const direct = sigma < directBelow ? gaussianWeights(sigma) : undefined;
  const { radius, end } = extendedBox((sigma * sigma + pixelVariance) / passes);
  for (let l = 0; l < lines; l++) {
    let at = l * lineStep;
    let empty = true;
    for (let i = 0; i < length; i++, at += step) {
      const v = data[at];
      line[i] = v;
      if (v !== 0) {
        empty = false;
      }
    }
    if (empty) {
      continue;
    }
    if (direct) {
      weighLine(line, other, direct);
      [line, other] = [other, line];
    } else {
      for (let p = 0; p < passes; p++) {
        boxLine(line, other, radius, end);
        [line, other] = [other, line];
      }
    }
    at = l * lineStep;
    for (let i = 0; i < length; i++, at += step) {
      data[at] = line[i];
    }
  }
}

/** Below this many px calling a kernel takes longer than it saves. */
const worthKernels = 256;

const eights = (n: number): number => (n + 7) & ~7;

/** The same by kernels, whose sums are of floats: within a ten-thousandth of full scale. */
function blurByKernels(k: Kernels, { width, height, data }: AlphaMask, sigma: number): void {
  const direct = sigma < directBelow ? gaussianWeights(sigma) : undefined;
  const box = extendedBox((sigma * sigma + pixelVariance) / passes);
  const radius = direct ? direct.length - 1 : box.radius;
  const scale = 1 / (2 * box.radius + 1 + 2 * box.end);
  const [wide, high] = [eights(width), eights(height)];
  const buffer = (Math.max(wide, high) + 2 * (radius + 1)) * 32;
  const [plane, line, other, weights] = k.rooms(
    wide * high * 4,
    buffer,
    buffer,
    (direct?.length ?? 0) * 4,
  );
  const whole = k.floats(plane, wide * high);
  whole.fill(0);
  for (let y = 0; y < height; y++) {
    whole.set(data.subarray(y * width, (y + 1) * width), y * wide);
  }
  if (direct) {
    k.put(weights, Float32Array.from(direct));
  }
  for (const along of [true, false]) {
    k.bytes.fill(0, line, line + buffer);
    k.bytes.fill(0, other, other + buffer);
    k.call.blurPlane(
      plane,
      wide,
      high,
      along ? width : height,
      along,
      line,
      other,
      passes,
      radius,
      box.end,
      scale,
      direct ? weights : 0,
    );
  }
  for (let y = 0; y < height; y++) {
    data.set(whole.subarray(y * wide, y * wide + width), y * width);
  }
}

/**
 * Gaussian blur of a cover, whose pixels are taken as squares; outside of it is 0. Small ones by
 * the Gaussian's own weights, larger ones by four boxes, which stay within 0.012 of the true
 * Gaussian of an edge (full scale 1).
 * @param sigma standard deviation, px; half of what CSS calls the radius of a blur
 */
export function blur({ width, height, data }: AlphaMask, sigma: number): AlphaMask {
  const out: AlphaMask = { width, height, data: data.slice() };
  if (sigma <= 0.01) {
    return out;
  }
  const simd = kernels();
  if (simd && width * height >= worthKernels) {
    blurByKernels(simd, out, sigma);
    return out;
  }
  blurLines(out.data, height, width, width, 1, sigma);
  blurLines(out.data, width, 1, height, width, sigma);
  return out;
}
