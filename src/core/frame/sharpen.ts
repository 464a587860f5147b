import type { Raster } from '../raster/raster';

/**
 * Reductions up to this need no sharpening; from the second on they get all of `fittingMost` (ours,
 * by looking).
 */
const from = 2;
const to = 5;
const fittingMost = 0.4;

/** Sharpening that fits a reduction: none up to half size, growing to 0.4 at a fifth. */
export const fittingSharpness = (scale: number): number =>
  fittingMost * Math.min(1, Math.max(0, (1 / scale - from) / (to - from)));

/**
 * Sharpens in place: the lightness of each pixel is moved away from that of its 3×3 surroundings
 * (binomial weights), all three channels by the same amount, so that no colour fringes come up.
 * Flat parts stay as they are to the level.
 * @param amount 0..1; 1 doubles the difference
 */
export function sharpen({ data, width, height }: Raster, amount: number): void {
  if (amount <= 0 || width < 2 || height < 2) {
    return;
  }
  const luma = (i: number): number =>
    0.2126 * data[i] + 0.7152 * data[i + 1] + 0.0722 * data[i + 2];
  const across = (row: number, out: Float32Array): Float32Array => {
    const start = row * width * 4;
    for (let x = 0; x < width; x++) {
      const i = start + x * 4;
      const left = x > 0 ? i - 4 : i;
      const right = x < width - 1 ? i + 4 : i;
      out[x] = luma(left) + 2 * luma(i) + luma(right);
    }
    return out;
  };
  // Rows are blurred before they are written over, and three are kept.
  let above = across(0, new Float32Array(width));
  let here = across(0, new Float32Array(width));
  let below = across(Math.min(1, height - 1), new Float32Array(width));
  for (let y = 0; y < height; y++) {
    const centre = Float32Array.from({ length: width }, (_, x) => luma((y * width + x) * 4));
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4;
      const by = amount * (centre[x] - (above[x] + 2 * here[x] + below[x]) / 16);
      data[i] += by;
      data[i + 1] += by;
      data[i + 2] += by;
    }
    [above, here, below] = [here, below, y + 2 < height ? across(y + 2, above) : below.slice()];
  }
}
