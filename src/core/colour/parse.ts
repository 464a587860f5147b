import { parse, type Color } from 'culori/fn';
import type { Rgb } from '../raster/raster';
import './modes';
import { toRgb } from './rgb';

/** Characters of one colour, blanks and all (ours). */
const longest = 1000;

/** The library throws on some texts that break off in the middle; those are no colours either. */
export function parsed(text: string): Color | undefined {
  try {
    return text.length > longest ? undefined : parse(text.trim());
  } catch {
    return undefined;
  }
}

const level = (v: number): number => Math.round(255 * Math.min(1, Math.max(0, v)));

/** Levels of a colour of the library, clamped to sRGB, without its alpha. */
export function levelsOf(colour: Color | undefined): Rgb | undefined {
  const c = colour && toRgb(colour);
  return c && { r: level(c.r), g: level(c.g), b: level(c.b) };
}

/**
 * Reads any CSS colour: hex with or without its sign, rgb(), hsl(), oklch(), names. Colours outside
 * sRGB are clamped; alpha is dropped.
 * @returns levels 0..255, or undefined when the text is no colour
 */
export function tryColour(text: string): Rgb | undefined {
  return levelsOf(parsed(text) ?? parsed(`#${text.trim()}`));
}

/** A colour with how much it covers, 0 for nothing to 1. */
export interface Translucent {
  readonly colour: Rgb;
  readonly alpha: number;
}

/** The same with its alpha. @returns undefined when the text is no colour */
export function tryTranslucent(text: string): Translucent | undefined {
  const colour = tryColour(text);
  return colour && { colour, alpha: parsed(text)?.alpha ?? 1 };
}

/** A colour as a style sheet must write it, if it is opaque. */
export function tryOpaqueColour(text: string): Rgb | undefined {
  // The library takes hex digits without their sign, which in a style sheet are a word or a number.
  const colour = /^\s*[0-9a-f]+\s*$/i.test(text) ? undefined : parsed(text);
  return colour && (colour.alpha ?? 1) === 1 ? tryColour(text) : undefined;
}

/**
 * The same for colours that must be there.
 * @throws TypeError naming what was found
 */
export function colourOf(text: string): Rgb {
  const colour = tryColour(text);
  if (!colour) {
    throw new TypeError(`Expected a CSS colour, found “${text}”`);
  }
  return colour;
}
