import { largestStep } from '../colour/difference';
import type { Raster, Rgb } from '../raster/raster';
import { borderPixels, sides } from '../seam/edges';
import type { Side } from '../site/model/slot';

export interface BorderColour {
  readonly side: Side;
  /**
   * The colour that most of the border's pixels have; undefined where the border is see-through for
   * the most part.
   */
  readonly colour: Rgb | undefined;
  /** Share of the border that has exactly this colour, or is see-through, 0..1. */
  readonly share: number;
  /** Largest step of any channel between this colour and a seen pixel of the border, levels. */
  readonly spread: number;
}

function borderColour(raster: Raster, side: Side): BorderColour {
  const counts = new Map<number, number>();
  let clear = 0;
  let total = 0;
  const seen: Rgb[] = [];
  for (const at of borderPixels(raster, side)) {
    const [r, g, b, a] = raster.data.subarray(at, at + 4);
    total++;
    if (a < 128) {
      clear++;
      continue;
    }
    seen.push({ r, g, b });
    const key = (r << 16) | (g << 8) | b;
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  if (clear * 2 > total || seen.length === 0) {
    return { side, colour: undefined, share: clear / total, spread: 0 };
  }
  const [key, count] = [...counts].reduce((best, entry) => (entry[1] > best[1] ? entry : best));
  const colour = { r: key >> 16, g: (key >> 8) & 255, b: key & 255 };
  return {
    side,
    colour,
    share: count / total,
    spread: seen.reduce((most, c) => Math.max(most, largestStep(c, colour)), 0),
  };
}

/**
 * The colour along each border of a picture: what the page beside it must have to go on without a
 * line.
 */
export const borderColours = (raster: Raster): BorderColour[] =>
  sides.map((side) => borderColour(raster, side));
