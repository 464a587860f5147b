import type { Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';

/** Levels of a stored colour; other ways to write a colour are read by `tryColour`. */
export function rgbOf(hex: Hex): Rgb {
  const n = parseInt(hex.slice(1), 16);
  return { r: n >> 16, g: (n >> 8) & 255, b: n & 255 };
}

/** Two digits for each level. */
const digits = Array.from({ length: 256 }, (_, level) => level.toString(16).padStart(2, '0'));

const two = (level: number): string => digits[Math.round(Math.min(255, Math.max(0, level)))];

/** #rrggbb, lower case; levels are rounded, and clamped to 0..255. */
export const hexOf = ({ r, g, b }: Rgb): Hex => `#${two(r)}${two(g)}${two(b)}`;

/** Equal channels mean grey. */
export const isGrey = ({ r, g, b }: Rgb): boolean => r === g && g === b;
