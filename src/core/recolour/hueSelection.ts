import { colourOf } from '../colour/parse';
import type { Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { Recipe } from '../site/model/recipe';
import { between, hueOf, neutralShare } from './neutrals';

/** What of a recipe says which colours it changes. */
export type HueSelection = Pick<Recipe, 'spare' | 'hues' | 'byHue'>;

/** Degrees of OKLab hue up to which a colour is of a family (ours, by looking). */
export const sameHue = 28;
/** Degrees from which on it is not; between them it follows in part. */
const otherHue = 42;

/** Degrees between two hues, 0..180. */
export const hueApart = (a: number, b: number): number =>
  Math.abs(((((a - b) % 360) + 540) % 360) - 180);

/** Colours of a hue alone, and no greys. */
export const selectionOfHue = (hue: Hex): HueSelection => ({ spare: true, hues: [hue] });

/**
 * How far each colour follows a recipe, 0..1, without a step anywhere: greys and near-whites not
 * where they are spared, and of the others those whose hue is wanted.
 * @returns undefined where all colours follow whole
 */
export function selectedShare({
  spare,
  hues,
}: HueSelection): ((colour: Rgb) => number) | undefined {
  if (!spare && hues === null) {
    return undefined;
  }
  const wanted = hues?.flatMap((hex) => hueOf(colourOf(hex)) ?? []);
  // An old colour without a hue is a grey, and nothing tells its family from others.
  const near = wanted && wanted.length > 0 ? wanted : undefined;
  return (colour) => {
    const spared = neutralShare(colour);
    const hue = near && hueOf(colour);
    const off = hue === undefined ? 0 : Math.min(...near!.map((w) => hueApart(hue, w)));
    const ofHue = 1 - between(sameHue, otherHue, off);
    return (1 - spared) * ofHue + (spare ? 0 : spared);
  };
}

/** The same, with hues that go a way of their own. */
export function selectedShareOfAll(reach: HueSelection): ((colour: Rgb) => number) | undefined {
  const main = selectedShare(reach);
  const others = (reach.byHue ?? []).map(({ hue }) => selectedShare(selectionOfHue(hue))!);
  return main && ((colour) => Math.max(main(colour), ...others.map((share) => share(colour))));
}
