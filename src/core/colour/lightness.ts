import { linearOfLevel } from './transfer';

/**
 * CIE L* by relative luminance, in steps of 1/1024: fine enough, and far quicker than a root each.
 */
const table = Float32Array.from({ length: 1025 }, (_, i) => {
  const y = i / 1024;
  return y > 216 / 24389 ? 116 * Math.cbrt(y) - 16 : (y * 24389) / 27;
});

/**
 * CIE lightness L*, 0..100, of sRGB levels under D65 (CIE 15:2004; the constants of the CIE
 * standard as exact fractions).
 */
export function lightnessOf(r: number, g: number, b: number): number {
  const y =
    (0.2126 * linearOfLevel[r] + 0.7152 * linearOfLevel[g] + 0.0722 * linearOfLevel[b]) * 1024;
  const i = Math.min(1023, Math.floor(y));
  return table[i] + (table[i + 1] - table[i]) * (y - i);
}
