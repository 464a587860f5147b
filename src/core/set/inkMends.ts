import { hexOf } from '../colour/hex';
import { colourOf } from '../colour/parse';
import type { Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Ink } from './sheetsRead';
import type { LostWords } from './lostContrast';
import { leastRatio, readableOn } from './readable';

/** Lost words with the rule that says their colour, as the page tells it. */
export interface LostWithRule extends LostWords {
  readonly scheme: 'light' | 'dark';
  readonly rule: { readonly path: string; readonly selector: string } | undefined;
  /** What other words of that rule lie on, which can be read. */
  readonly beside: readonly Rgb[];
}

/** A little more than is wanted: what is measured has half a level more or less. */
const margin = 1.02;

/**
 * Where a sheet says the colour of words, for the scheme they are lost in; the last word on it
 * counts. Undefined where it says it for both schemes at once and they are lost in the dark one:
 * what would help there would not in the other.
 */
export function inkOf({ rule, scheme }: LostWithRule, inks: readonly Ink[]): Ink | undefined {
  return inks.findLast(
    (i) => i.file === rule?.path && i.selector === rule.selector && i.dark === (scheme === 'dark'),
  );
}

/**
 * Colours in which lost words would be read, one for all words that have theirs from the same
 * place: nearest to what they have now in lightness and in its hue. What can be
 * read by the same rule stays so. Words that no colour helps, or whose colour no sheet says, have
 * none.
 * @returns by the place's key
 */
export function inkMends(
  lost: readonly LostWithRule[],
  inks: readonly Ink[],
): ReadonlyMap<string, Hex> {
  const places = new Map<string, { grounds: Rgb[]; wanted: number; colour: Hex }>();
  for (const words of lost) {
    const ink = inkOf(words, inks);
    if (!ink) {
      continue;
    }
    const place = places.get(ink.key) ?? { grounds: [], wanted: 0, colour: words.colour };
    place.grounds.push(...words.grounds, ...words.beside);
    place.wanted = Math.max(place.wanted, words.wanted);
    places.set(ink.key, place);
  }
  return new Map(
    [...places].flatMap(([key, { grounds, wanted, colour }]) => {
      const mend = readableOn(grounds, colourOf(colour), wanted * margin);
      return leastRatio(mend, grounds) >= wanted ? [[key, hexOf(mend)] as const] : [];
    }),
  );
}
