import { hexOf } from '../colour/hex';
import type { Rgb } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import type { TextPair } from './contrast';
import { leastRatio, readableOn } from './readable';
import { leastContrast } from './sheetLine';

/** Contrast wanted on a picture, against a plain ground: some of it is lighter than what is known. */
const onPictures = 1.15;

const keys = new WeakMap<TextPair, string>();

/** The same for pairs of the same colours. */
function coloursOf(pair: TextPair): string {
  let key = keys.get(pair);
  if (key === undefined) {
    const { text, grounds, picture } = pair;
    key = `${hexOf(text)} ${grounds.map(hexOf).join('')} ${picture}`;
    keys.set(pair, key);
  }
  return key;
}

/**
 * Text that the recipe would fade into its ground: a recipe that lightens a theme is not to lighten
 * its dark text away. It takes the new hue, with the contrast it had on the recoloured ground as
 * far as there is room.
 * @returns what it becomes, by file, line and colour; `sure` where it could be read and its
 * selector says what it lies on
 */
export function textsThatFade(
  pairs: readonly TextPair[],
  laid: LaidRecipe,
): Map<string, { readonly readable: Rgb; readonly sure: boolean }> {
  /** What texts become, null where they can be read: many are of few colours. */
  const known = new Map<string, Rgb | null>();
  const made = ({ text, grounds, ratio, picture }: TextPair): Rgb | null => {
    const under = grounds.map(laid.colour);
    const became = laid.colour(text);
    const then = leastRatio(became, under);
    const least = leastContrast * (picture ? onPictures : 1);
    return then < least && then < ratio - 0.005
      ? readableOn(under, became, Math.max(least, ratio))
      : null;
  };
  const fading = new Map<string, { readonly readable: Rgb; readonly sure: boolean }>();
  for (const pair of pairs) {
    const { text, ratio, at, sure } = pair;
    const key = coloursOf(pair);
    let readable = known.get(key);
    if (readable === undefined) {
      readable = made(pair);
      known.set(key, readable);
    }
    if (readable) {
      fading.set(`${at.file}:${at.line} ${hexOf(text)}`, {
        readable,
        sure: sure && ratio >= leastContrast,
      });
    }
  }
  return fading;
}
