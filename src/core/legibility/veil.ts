import type { Rgb } from '../raster/raster';
import { inkRatio, unpack, type Behind, type Ink } from './measure';

/** A level under a veil, rounded as compositing rounds it. */
const veiled = (level: number, veil: number, strength: number): number =>
  Math.floor(level + strength * (veil - level) + 0.5 + 1e-7);

/** The veil leaves no px behind the words with less than the wanted contrast. */
export function veilReaches(
  { colours }: Pick<Behind, 'colours'>,
  ink: Ink,
  veil: Rgb,
  strength: number,
  wanted: number,
): boolean {
  for (const packed of colours) {
    const { r, g, b } = unpack(packed);
    if (
      inkRatio(ink, {
        r: veiled(r, veil.r, strength),
        g: veiled(g, veil.g, strength),
        b: veiled(b, veil.b, strength),
      }) < wanted
    ) {
      return false;
    }
  }
  return true;
}

/**
 * The least strength of a veil, in whole percent, at which the words have the wanted contrast
 * everywhere.
 * @returns undefined where not even the veil's own colour reaches it
 */
export function leastVeil(behind: Behind, ink: Ink, veil: Rgb, wanted: number): number | undefined {
  // The worst first, since one px that fails is enough.
  const colours = behind.colours.toSorted(
    (a, b) => inkRatio(ink, unpack(a)) - inkRatio(ink, unpack(b)),
  );
  for (let percent = 0; percent <= 100; percent++) {
    if (veilReaches({ colours }, ink, veil, percent / 100, wanted)) {
      return percent;
    }
  }
  return undefined;
}
