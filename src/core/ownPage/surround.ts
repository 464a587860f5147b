import { hexOf, rgbOf } from '../colour/hex';
import type { Size } from '../frame/placement';
import type { Raster, Rgb } from '../raster/raster';
import type { ColourRun, SeenAt, Surround } from '../site/model/ownPage';
import type { Side } from '../site/model/slot';
import type { PageRect } from './survey';

/** Where a picture lies on a page, px of the page. */
export interface LaidPicture {
  /** The copy that others are counted from. */
  readonly copy: PageRect;
  /** The part of the page that can show it. */
  readonly area: PageRect;
  /** Other copies lie beside it. */
  readonly repeatX: boolean;
  readonly repeatY: boolean;
}

function runsOf(colours: readonly Rgb[]): ColourRun[] {
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

const span = (from: number, length: number): readonly [number, number] => [
  Math.round(from),
  Math.round(from + length),
];

/**
 * What a page has beside a picture, px by px along every side that is seen whole.
 * @param page opaque pixels of a part of the page, without the picture
 * @param top px of the page that they begin at
 * @param file px of the picture
 */
export function surroundOf(
  page: Raster,
  top: number,
  { copy, area, repeatX, repeatY }: LaidPicture,
  file: Size,
): Surround {
  // Browsers paint pictures on whole px.
  const [x0, x1] = span(copy.x, copy.width);
  const [y0, y1] = span(copy.y - top, copy.height);
  const [left, right] = span(area.x, area.width);
  const [above, below] = span(area.y - top, area.height);
  const wide = x0 >= left && x1 <= right;
  const high = y0 >= above && y1 <= below;
  const colourAt = (x: number, y: number): Rgb | undefined => {
    if (x < 0 || y < 0 || x >= page.width || y >= page.height) {
      return undefined;
    }
    const k = (y * page.width + x) * 4;
    return { r: page.data[k], g: page.data[k + 1], b: page.data[k + 2] };
  };
  const along = (
    seen: boolean,
    length: number,
    from: number,
    to: number,
    at: (v: number) => Rgb | undefined,
  ): readonly ColourRun[] | null => {
    const colours = Array.from({ length: seen ? length : 0 }, (_, i) =>
      at(Math.min(to - 1, Math.floor(from + ((i + 0.5) * (to - from)) / length))),
    );
    const known = colours.filter((colour) => colour !== undefined);
    return known.length > 0 && known.length === colours.length ? runsOf(known) : null;
  };
  const level = (seen: boolean, y: number) =>
    along(seen && wide && !repeatY, file.width, x0, x1, (x) => colourAt(x, y));
  const upright = (seen: boolean, x: number) =>
    along(seen && high && !repeatX, file.height, y0, y1, (y) => colourAt(x, y));
  return {
    top: level(y0 >= above, y0 - 1),
    bottom: level(y1 <= below, y1),
    left: upright(x0 >= left, x0 - 1),
    right: upright(x1 <= right, x1),
  };
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

/**
 * What a page shows of a picture, px of the picture; undefined where it shows nothing of it.
 * @param file px of the picture
 */
export function seenOf(
  { copy, area, repeatX, repeatY }: LaidPicture,
  file: Size,
): Omit<SeenAt, 'screen'> | undefined {
  const along = (
    at: number,
    length: number,
    from: number,
    whole: number,
    px: number,
    repeats: boolean,
  ) => {
    // Another copy shows what this one does not.
    if (repeats && whole >= length) {
      return [0, px] as const;
    }
    const k = px / length;
    return [Math.max(0, (from - at) * k), Math.min(px, (from + whole - at) * k)] as const;
  };
  const [left, right] = along(copy.x, copy.width, area.x, area.width, file.width, repeatX);
  const [top, bottom] = along(copy.y, copy.height, area.y, area.height, file.height, repeatY);
  return right > left && bottom > top && copy.width > 0
    ? { x: left, y: top, width: right - left, height: bottom - top, scale: copy.width / file.width }
    : undefined;
}

/** Sides at which something is known to lie. */
export const measuredSides = (surround: Surround | null): readonly Side[] =>
  (['top', 'right', 'bottom', 'left'] as const).filter((side) => surround?.[side]);
