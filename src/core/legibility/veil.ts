import { linearOfLevel } from '../colour/transfer';
import type { Rgb } from '../raster/raster';
import { luminance, ratioOf } from './contrast';
import { inkRatio, unpack, type Behind, type Ink } from './measure';

/** A level under a veil, rounded as compositing rounds it. */
const veiled = (level: number, veil: number, strength: number): number =>
  Math.floor(level + strength * (veil - level) + 0.5 + 1e-7);

/** What each level of a channel adds to the luminance under a veil. */
const lightUnder = (veil: number, strength: number, weight: number): Float64Array =>
  Float64Array.from({ length: 256 }, (_, v) => weight * linearOfLevel[veiled(v, veil, strength)]);

/**
 * The first colour behind the words that a veil leaves with less than the wanted contrast.
 * @returns its place among them; -1 where there is none
 */
function firstShort(
  colours: Uint32Array,
  ink: Ink,
  veil: Rgb,
  strength: number,
  wanted: number,
): number {
  if (ink.opacity < 1) {
    return colours.findIndex((packed) => {
      const { r, g, b } = unpack(packed);
      const under = {
        r: veiled(r, veil.r, strength),
        g: veiled(g, veil.g, strength),
        b: veiled(b, veil.b, strength),
      };
      return inkRatio(ink, under) < wanted;
    });
  }
  const own = luminance(ink.colour);
  const red = lightUnder(veil.r, strength, 0.2126);
  const green = lightUnder(veil.g, strength, 0.7152);
  const blue = lightUnder(veil.b, strength, 0.0722);
  for (let i = 0; i < colours.length; i++) {
    const packed = colours[i];
    const light = red[packed >> 16] + green[(packed >> 8) & 255] + blue[packed & 255];
    if (ratioOf(own, light) < wanted) {
      return i;
    }
  }
  return -1;
}

/** The veil leaves no px behind the words with less than the wanted contrast. */
export const veilReaches = (
  { colours }: Pick<Behind, 'colours'>,
  ink: Ink,
  veil: Rgb,
  strength: number,
  wanted: number,
): boolean => firstShort(colours, ink, veil, strength, wanted) < 0;

/**
 * The least strength of a veil, in whole percent, at which the words have the wanted contrast
 * everywhere.
 * @returns undefined where not even the veil's own colour reaches it
 */
export function leastVeil(
  behind: Pick<Behind, 'colours'>,
  ink: Ink,
  veil: Rgb,
  wanted: number,
): number | undefined {
  const colours = behind.colours.slice();
  for (let percent = 0; percent <= 100; percent++) {
    const short = firstShort(colours, ink, veil, percent / 100, wanted);
    if (short < 0) {
      return percent;
    }
    // What falls short under one veil mostly does under the next: it is asked first there.
    [colours[0], colours[short]] = [colours[short], colours[0]];
  }
  return undefined;
}
