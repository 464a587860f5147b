import type { PixelMap } from '../raster/adjust';
import { plainTone, type Tone } from './plainTone';

type Matrix = readonly [number, number, number, number, number, number, number, number, number];

const clamp01 = (v: number): number => Math.min(1, Math.max(0, v));

/**
 * brightness() and contrast() of the Filter Effects Module Level 1, sections 6.1.2 and 6.1.3: a
 * slope, and a slope about the middle; clamped after each.
 */
export const curveOf =
  ({ brightness, contrast }: Pick<Tone, 'brightness' | 'contrast'>) =>
  (v: number): number =>
    clamp01((clamp01(v * brightness) - 0.5) * contrast + 0.5);

/** saturate() of the Filter Effects Module Level 1, by its matrix for feColorMatrix. */
export const saturateMatrix = (s: number): Matrix => [
  0.213 + 0.787 * s,
  0.715 - 0.715 * s,
  0.072 - 0.072 * s,
  0.213 - 0.213 * s,
  0.715 + 0.285 * s,
  0.072 - 0.072 * s,
  0.213 - 0.213 * s,
  0.715 - 0.715 * s,
  0.072 + 0.928 * s,
];

/** grayscale() of the Filter Effects Module Level 1. */
export function greyscaleMatrix(amount: number): Matrix {
  const k = 1 - amount;
  return [
    0.2126 + 0.7874 * k,
    0.7152 - 0.7152 * k,
    0.0722 - 0.0722 * k,
    0.2126 - 0.2126 * k,
    0.7152 + 0.2848 * k,
    0.0722 - 0.0722 * k,
    0.2126 - 0.2126 * k,
    0.7152 - 0.7152 * k,
    0.0722 + 0.9278 * k,
  ];
}

/** Share by which red grows and blue shrinks at full warmth (ours, by looking). */
const warmest = 0.18;

/** Warmth as a gain of each channel, with the luminance of white kept. */
export function warmthMatrix(warmth: number): Matrix {
  const r = 1 + warmest * warmth;
  const b = 1 - warmest * warmth;
  const k = 1 / (0.2126 * r + 0.7152 + 0.0722 * b);
  return [r * k, 0, 0, 0, k, 0, 0, 0, b * k];
}

const isPlain = (tone: Tone): boolean =>
  (Object.keys(plainTone) as (keyof Tone)[]).every((key) => tone[key] === plainTone[key]);

/**
 * Brightness, contrast, saturation, warmth, greyscale and inversion, in this order, on
 * gamma-encoded levels as browsers' filters do.
 */
export function toneMap(tone: Tone): PixelMap {
  if (isPlain(tone)) {
    return (source, from, out, pixels) => out.set(source.subarray(from, from + pixels * 4));
  }
  const curve = curveOf(tone);
  const lut = Float32Array.from({ length: 256 }, (_, v) => 255 * curve(v / 255));
  const matrices: Matrix[] = [];
  if (tone.saturation !== 1) {
    matrices.push(saturateMatrix(tone.saturation));
  }
  if (tone.warmth !== 0) {
    matrices.push(warmthMatrix(tone.warmth));
  }
  if (tone.greyscale > 0) {
    matrices.push(greyscaleMatrix(tone.greyscale));
  }
  // invert(): a table from `amount` to `1 − amount`.
  const slope = 1 - 2 * tone.invert;
  const lift = 255 * tone.invert + 0.5;
  if (matrices.length === 0) {
    const levels = Uint8ClampedArray.from(lut, (v) => Math.floor(v * slope + lift));
    return (source, from, out, pixels) => {
      for (let k = 0, i = from; k < pixels * 4; k += 4, i += 4) {
        out[k] = levels[source[i]];
        out[k + 1] = levels[source[i + 1]];
        out[k + 2] = levels[source[i + 2]];
      }
    };
  }
  return (source, from, out, pixels) => {
    for (let k = 0, i = from; k < pixels * 4; k += 4, i += 4) {
      let r = lut[source[i]];
      let g = lut[source[i + 1]];
      let b = lut[source[i + 2]];
      for (const m of matrices) {
        const nr = m[0] * r + m[1] * g + m[2] * b;
        const ng = m[3] * r + m[4] * g + m[5] * b;
        const nb = m[6] * r + m[7] * g + m[8] * b;
        r = Math.max(0, Math.min(255, nr));
        g = Math.max(0, Math.min(255, ng));
        b = Math.max(0, Math.min(255, nb));
      }
      out[k] = (r * slope + lift) | 0;
      out[k + 1] = (g * slope + lift) | 0;
      out[k + 2] = (b * slope + lift) | 0;
    }
  };
}
