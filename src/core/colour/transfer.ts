/** The sRGB transfer curve of IEC 61966-2-1:1999, both ways; encoded and linear values in 0..1. */
export const toLinear = (v: number): number =>
  v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
export const toEncoded = (v: number): number =>
  v <= 0.0031308 ? v * 12.92 : 1.055 * v ** (1 / 2.4) - 0.055;

/** Linear light of each of the 256 levels. */
export const linearOfLevel = Float32Array.from({ length: 256 }, (_, level) =>
  toLinear(level / 255),
);

const steps = 65535;
/** Where each level begins is all that needs the curve: the worker starts with this table. */
function levelsOfSteps(): Uint8Array {
  const levels = new Uint8Array(steps + 1);
  for (let level = 1; level <= 255; level++) {
    levels.fill(level, Math.ceil(steps * toLinear((level - 0.5) / 255)));
  }
  return levels;
}

/** The level nearest to each of 65536 linear values from 0 to 1. */
export const levelOfStep = levelsOfSteps();

/**
 * The level nearest to a linear value; values outside 0..1 are clamped. At the steepest place a
 * table step is 0.05 levels.
 */
export const levelOfLinear = (v: number): number =>
  levelOfStep[(Math.max(0, Math.min(1, v)) * steps + 0.5) | 0];
