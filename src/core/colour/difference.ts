import { differenceCiede2000 } from 'culori/fn';
import type { Rgb } from '../raster/raster';
import './modes';
import './rgb';

/** CIEDE2000 over whatever the library takes for a colour; CIELAB D65 included. */
export const ciede2000 = differenceCiede2000();

/**
 * CIEDE2000 (CIE 142-2001; Sharma, Wu and Dalal 2005) between two sRGB colours; about 1 is just
 * noticeable.
 */
export const deltaE = (a: Rgb, b: Rgb): number =>
  ciede2000(
    { mode: 'rgb', r: a.r / 255, g: a.g / 255, b: a.b / 255 },
    { mode: 'rgb', r: b.r / 255, g: b.g / 255, b: b.b / 255 },
  );

/** Largest difference of any channel, in levels. */
export const largestStep = (a: Rgb, b: Rgb): number =>
  Math.max(Math.abs(a.r - b.r), Math.abs(a.g - b.g), Math.abs(a.b - b.b));
