import { linearToOklab } from '../colour/oklab';
import { linearOfLevel } from '../colour/transfer';
import type { Rgb } from '../raster/raster';

/** A smooth way from 0 at one value to 1 at another. */
export const between = (from: number, to: number, v: number): number => {
  const t = Math.min(1, Math.max(0, (v - from) / (to - from)));
  return t * t * (3 - 2 * t);
};

const lab = ({ r, g, b }: Rgb) =>
  linearToOklab(linearOfLevel[r], linearOfLevel[g], linearOfLevel[b]);

/**
 * OKLab chroma against lightness: dark colours have little chroma and are none the less colours. A
 * tenth is added, since near black a level more or less is all of it.
 */
const strength = (L: number, a: number, b: number): number => Math.hypot(a, b) / (L + 0.1);

/**
 * Strength of colour up to which a colour is a grey, and from which on it is none (ours, by
 * looking: #22282e is a colour, #2b2f33 hardly one).
 */
const grey = [0.016, 0.032] as const;
/** Lightness up to which everything is black, and from which on it is not. */
const black = [0.08, 0.15] as const;
/**
 * Chroma of near-whites, and the lightness from which on they begin and are white through and
 * through.
 */
const tinted = [0.03, 0.045] as const;
const white = [0.88, 0.94] as const;

/**
 * How far a colour, in levels, is to be left alone: 1 for greys and near-whites, 0 for colours, and
 * without a step between.
 */
export function neutralShare(colour: Rgb): number {
  const [L, a, b] = lab(colour);
  const greyness = Math.max(
    1 - between(grey[0], grey[1], strength(L, a, b)),
    1 - between(black[0], black[1], L),
  );
  return Math.max(
    greyness,
    between(white[0], white[1], L) * (1 - between(tinted[0], tinted[1], Math.hypot(a, b))),
  );
}

/** Hue of a colour in OKLab, degrees; undefined for what is nearer to a grey. */
export function hueOf(colour: Rgb): number | undefined {
  const [L, a, b] = lab(colour);
  return strength(L, a, b) >= (grey[0] + grey[1]) / 2
    ? (Math.atan2(b, a) * 180) / Math.PI
    : undefined;
}
