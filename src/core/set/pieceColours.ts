import type { Rgb } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import type { Sample } from '../recolour/offers';
import type { SheetRecolourInput } from './recolourSheets';

/** A colour that less of a piece has is no ground of a text. */
const leastShare = 0.08;

/** Colours that text on a piece lies on. */
function groundsOf(samples: readonly Sample[]): readonly Rgb[] | undefined {
  const seen = samples.reduce((sum, { share }) => sum + share, 0);
  const grounds = samples.filter((s) => s.share >= leastShare).map((s) => s.colour);
  return seen > 0.5 && grounds.length > 0 ? grounds : undefined;
}

/** Paths of the pieces that text can lie on. */
export const groundPaths = (samples: SheetRecolourInput['samples']): string[] =>
  [...samples].flatMap(([path, list]) => (groundsOf(list) ? [path] : []));

/** What text on a piece lies on; undefined for one that is mostly see-through. */
export const groundsBefore =
  (samples: SheetRecolourInput['samples']) =>
  (path: string): readonly Rgb[] | undefined =>
    groundsOf(samples.get(path) ?? []);

/** The same, and what becomes of that. */
export const pieceColours = (samples: SheetRecolourInput['samples'], laid: LaidRecipe) => {
  const before = groundsBefore(samples);
  return { before, became: (path: string) => before(path)?.map(laid.colour) };
};
