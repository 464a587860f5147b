import type { Raster, Rgb } from '../raster/raster';

/** Sides of the squares a colour can be averaged over, px. */
export const sampleSizes = [1, 3, 5] as const;
export type SampleSize = (typeof sampleSizes)[number];

/**
 * The mean of a square around a pixel, in whole levels; the part of the square outside the raster
 * does not count.
 * @returns undefined outside the raster, and where everything is see-through
 */
export function sampleAt(raster: Raster, x: number, y: number, size: SampleSize): Rgb | undefined {
  const cx = Math.floor(x);
  const cy = Math.floor(y);
  const radius = (size - 1) / 2;
  if (cx < 0 || cy < 0 || cx >= raster.width || cy >= raster.height) {
    return undefined;
  }
  let r = 0;
  let g = 0;
  let b = 0;
  let weight = 0;
  for (let j = Math.max(0, cy - radius); j <= Math.min(raster.height - 1, cy + radius); j++) {
    for (let i = Math.max(0, cx - radius); i <= Math.min(raster.width - 1, cx + radius); i++) {
      const at = (j * raster.width + i) * 4;
      const a = raster.data[at + 3];
      r += a * raster.data[at];
      g += a * raster.data[at + 1];
      b += a * raster.data[at + 2];
      weight += a;
    }
  }
  return weight === 0
    ? undefined
    : { r: Math.round(r / weight), g: Math.round(g / weight), b: Math.round(b / weight) };
}
