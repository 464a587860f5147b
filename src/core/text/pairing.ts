import type { FontFacts } from '../site/model/theme';
import { fonts, type Font } from './fonts';
import type { LetterFacts } from './letterFacts';

/** How a font stands beside another, in figures. */
export interface Pairing {
  /** Height of its small letters against the other's at the same size: 1 for equal. */
  readonly xHeight: number;
  /** Contrast of its strokes against the other's. */
  readonly contrast: number;
  readonly sitsWell: boolean;
}

/**
 * Small letters as tall to a fourteenth look of one size; strokes should be alike, or plainly not
 * (common practice, no source).
 */
const alikeHeight = 0.07;
const alikeStrokes = 1.3;
const otherStrokes = 1.8;

/**
 * A font beside another: it sits well where small letters are about as tall, and strokes are alike
 * or clearly different.
 */
export function pair(font: FontFacts, other: FontFacts): Pairing {
  const xHeight = other.xHeight > 0 ? font.xHeight / other.xHeight : 1;
  const contrast = other.contrast > 0 ? font.contrast / other.contrast : 1;
  const apart = Math.max(contrast, 1 / contrast);
  return {
    xHeight,
    contrast,
    sitsWell:
      Math.abs(xHeight - 1) <= alikeHeight && (apart <= alikeStrokes || apart >= otherStrokes),
  };
}

/** A font beside one that stays, with what shows when they stand together, each against the other's. */
export interface Partner extends Pairing {
  readonly font: Font;
  /** Thickness of its strokes, and the room its letters take. */
  readonly weight: number;
  readonly width: number;
}

/**
 * What long text can be set in: no letters of hairlines, none that are bold already, narrow or
 * written by hand (common practice, no source).
 */
const forText = ({ contrast, letters }: Font): boolean =>
  contrast <= 3 &&
  letters !== undefined &&
  letters.weight >= 0.065 &&
  letters.weight <= 0.11 &&
  letters.width >= 0.44;

const apart = (ratio: number): number => Math.abs(Math.log(ratio));

/**
 * How far two fonts are from going together, 0 for perfectly: small letters of one height count
 * most, then strokes that are neither alike nor plainly other, then weight and width.
 */
function farness({ xHeight, contrast, weight, width }: Omit<Partner, 'font' | 'sitsWell'>): number {
  const strokes = Math.max(contrast, 1 / contrast);
  const between =
    strokes <= alikeStrokes || strokes >= otherStrokes
      ? 0
      : Math.min(strokes - alikeStrokes, otherStrokes - strokes);
  return apart(xHeight) / alikeHeight + between * 4 + apart(weight) * 2 + apart(width) * 4;
}

/**
 * Fonts that ship and go with one that stays, the best first.
 * @param as what the other is to be
 * @param letters of the font that stays
 */
export function partnersOf(
  stays: Pick<Font, 'id'> & FontFacts,
  letters: LetterFacts,
  as: 'headings' | 'text',
  most = 4,
): Partner[] {
  return fonts
    .filter((f) => f.id !== stays.id && (as === 'headings' || forText(f)))
    .flatMap((font): Partner[] =>
      font.letters
        ? [
            {
              font,
              ...pair(font, stays),
              weight: font.letters.weight / letters.weight,
              width: font.letters.width / letters.width,
            },
          ]
        : [],
    )
    .sort((a, b) => Number(b.sitsWell) - Number(a.sitsWell) || farness(a) - farness(b))
    .slice(0, most);
}
