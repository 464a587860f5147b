import { linearOfLevel } from '../colour/transfer';
import type { Rgb } from '../raster/raster';

/**
 * Relative luminance, 0..1 (WCAG 2.2, definition of “relative luminance”, on the sRGB curve of IEC
 * 61966-2-1).
 */
export const luminance = ({ r, g, b }: Rgb): number =>
  0.2126 * linearOfLevel[r] + 0.7152 * linearOfLevel[g] + 0.0722 * linearOfLevel[b];

/** Contrast ratio of two luminances, 1..21 (WCAG 2.2, definition of “contrast ratio”). */
export const ratioOf = (a: number, b: number): number =>
  (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

export const contrastRatio = (a: Rgb, b: Rgb): number => ratioOf(luminance(a), luminance(b));

/** Black reads better on it than white does. */
export const isLight = (colour: Rgb): boolean => {
  const own = luminance(colour);
  return ratioOf(own, 0) > ratioOf(own, 1);
};

/**
 * Px of a bold letter and of any letter from which text is large: 14 and 18 points at 96 px an inch
 * (WCAG 2.2, definition of “large scale”).
 */
const largeBold = 14 / 0.75;
const large = 18 / 0.75;

/** The contrast wanted of a text: success criterion 1.4.3 of WCAG 2.2, level AA. */
export const wantedContrast = ({
  sizePx,
  weight,
}: {
  readonly sizePx: number;
  readonly weight: number;
}): number => (sizePx >= large || (weight >= 700 && sizePx >= largeBold) ? 3 : 4.5);
