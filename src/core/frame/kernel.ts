/**
 * Lanczos window with three lobes: sinc(x)·sinc(x/3) for |x| < 3 (C. E. Duchon, Journal of Applied
 * Meteorology 18, 1979).
 */
export function lanczos3(x: number): number {
  if (x === 0) {
    return 1;
  }
  if (x <= -3 || x >= 3) {
    return 0;
  }
  const px = Math.PI * x;
  return (3 * Math.sin(px) * Math.sin(px / 3)) / (px * px);
}

/**
 * For a run of output samples, which input samples feed each and by how much.
 * Output sample `first + i` reads `starts[i]` onwards, `taps` weights from `weights[i * taps]`;
 * weights of a sample add up to 1.
 */
export interface Windows {
  readonly first: number;
  readonly count: number;
  readonly taps: number;
  readonly starts: Int32Array;
  readonly weights: Float32Array;
}

/**
 * @param inputLength samples of the source along this axis
 * @param outputLength samples wanted; those that lie outside the placed source are left out of the
 * run
 * @param origin where the source's first edge lies, in output samples (may be negative or
 * fractional)
 * @param scale output samples per source sample, above 0
 */
export function windows(
  inputLength: number,
  outputLength: number,
  origin: number,
  scale: number,
): Windows {
  const first = Math.max(0, Math.round(origin));
  const count = Math.max(
    0,
    Math.min(outputLength, Math.round(origin + inputLength * scale)) - first,
  );
  const widen = Math.max(1, 1 / scale);
  const support = 3 * widen;
  const taps = Math.min(inputLength, Math.ceil(support * 2) + 1);
  const starts = new Int32Array(count);
  const weights = new Float32Array(count * taps);
  for (let i = 0; i < count; i++) {
    const centre = (first + i + 0.5 - origin) / scale - 0.5;
    const start = Math.min(Math.max(0, Math.ceil(centre - support)), inputLength - taps);
    let total = 0;
    for (let t = 0; t < taps; t++) {
      total += weights[i * taps + t] = lanczos3((start + t - centre) / widen);
    }
    for (let t = 0; t < taps; t++) {
      weights[i * taps + t] /= total;
    }
    starts[i] = start;
  }
  return { first, count, taps, starts, weights };
}
