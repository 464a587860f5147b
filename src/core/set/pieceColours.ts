import type { Rgb } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import type { Sample } from '../recolour/offers';
import type { FollowInput } from './follow';

const meanOf = (samples: readonly Sample[]): Rgb | undefined => {
  let n = 0;
  let r = 0;
  let g = 0;
  let b = 0;
  for (const { colour, share } of samples) {
    n += share;
    r += share * colour.r;
    g += share * colour.g;
    b += share * colour.b;
  }
  return n > 0.5 ? { r: Math.round(r / n), g: Math.round(g / n), b: Math.round(b / n) } : undefined;
};

/**
 * What the mean of a piece is, and what becomes of it; undefined for one that is mostly
 * see-through.
 */
export const pieceColours = (samples: FollowInput['samples'], laid: LaidRecipe) => {
  const mean = (path: string) => meanOf(samples.get(path) ?? []);
  return {
    mean,
    became: (path: string) => {
      const m = mean(path);
      return m && laid.colour(m);
    },
  };
};
