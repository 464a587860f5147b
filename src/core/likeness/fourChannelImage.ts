/**
 * Four values for each px, row by row: what of a picture is worked on together. Kernels take them
 * the same way.
 */
export interface FourChannelImage {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

export const createFourChannelImage = (width: number, height: number): FourChannelImage => ({
  width,
  height,
  data: new Float32Array(width * height * 4),
});

/**
 * Weights of a Gaussian from the middle on, cut off where a tenth of its height is left.
 * @param sigma standard deviation, px
 */
export function gaussianWeights(sigma: number): Float32Array {
  const radius = Math.max(1, Math.floor(2.25 * sigma));
  return Float32Array.from({ length: radius + 1 }, (_, i) =>
    Math.exp((-i * i) / (2 * sigma * sigma)),
  );
}

/**
 * For each place of a line the reciprocal of the weights that lie inside of it, so that what is
 * beyond an end does not count.
 */
export function shareInside(length: number, weights: Float32Array): Float32Array {
  const radius = weights.length - 1;
  return Float32Array.from({ length }, (_, at) => {
    let sum = 0;
    for (let k = -radius; k <= radius; k++) {
      if (at + k >= 0 && at + k < length) {
        sum += weights[Math.abs(k)];
      }
    }
    return 1 / sum;
  });
}

/** Blurs along lines that lie `step` apart, their values `stride` apart. */
function blurLines(
  from: Float32Array,
  to: Float32Array,
  lines: number,
  step: number,
  length: number,
  stride: number,
  weights: Float32Array,
): void {
  const radius = weights.length - 1;
  const shares = shareInside(length, weights);
  for (let line = 0; line < lines; line++) {
    for (let at = 0; at < length; at++) {
      const first = Math.max(-radius, -at);
      const last = Math.min(radius, length - 1 - at);
      const o = line * step + at * stride;
      let a = 0;
      let b = 0;
      let c = 0;
      let d = 0;
      for (let k = first; k <= last; k++) {
        const w = weights[k < 0 ? -k : k];
        const i = o + k * stride;
        a += w * from[i];
        b += w * from[i + 1];
        c += w * from[i + 2];
        d += w * from[i + 3];
      }
      const share = shares[at];
      to[o] = a * share;
      to[o + 1] = b * share;
      to[o + 2] = c * share;
      to[o + 3] = d * share;
    }
  }
}

/** Blurs each of the four; what is beyond the border does not count. */
export function blurFourChannels(
  { width, height, data }: FourChannelImage,
  sigma: number,
): FourChannelImage {
  const weights = gaussianWeights(sigma);
  const across = new Float32Array(data.length);
  const out = createFourChannelImage(width, height);
  blurLines(data, across, height, width * 4, width, 4, weights);
  blurLines(across, out.data, width, 4, height, width * 4, weights);
  return out;
}
