import { hexOf, rgbOf } from '../colour/hex';
import type { Rgb } from '../raster/raster';
import type { ColourRun, Surround } from '../site/model/ownPage';
import type { Side } from '../site/model/slot';

/** Colours along a side, one for each px, as runs of equal ones. */
export function runsOf(colours: readonly Rgb[]): ColourRun[] {
  const runs: { px: number; colour: ColourRun['colour'] }[] = [];
  for (const rgb of colours) {
    const colour = hexOf(rgb);
    const last = runs.at(-1);
    if (last?.colour === colour) {
      last.px++;
    } else {
      runs.push({ px: 1, colour });
    }
  }
  return runs;
}

/** The colour at each px along a side, as a function; the last one goes on. */
export function colourAlong(runs: readonly ColourRun[]): (i: number) => Rgb {
  const ends = runs.map(
    (
      (sum) => (run: ColourRun) =>
        (sum += run.px)
    )(0),
  );
  const colours = runs.map((run) => rgbOf(run.colour));
  return (i) => {
    const at = ends.findIndex((end) => i < end);
    return colours[at < 0 ? colours.length - 1 : at];
  };
}

/** Sides at which something is known to lie. */
export const measuredSides = (surround: Surround | null): Side[] =>
  (['top', 'right', 'bottom', 'left'] as const).filter((side) => surround?.[side]);
