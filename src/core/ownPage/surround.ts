import type { Size } from '../frame/placement';
import type { Raster, Rgb } from '../raster/raster';
import type { SeenAt, Surround } from '../site/model/ownPage';
import type { Side } from '../site/model/slot';
import { runsOf } from './colourRuns';
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

const span = (from: number, length: number): readonly [number, number] => [
  Math.round(from),
  Math.round(from + length),
];

/** Px of a page along the edges of a picture, from its top or left end. */
type Edge = (of: Raster, by: 'inside' | 'beside') => readonly (Rgb | undefined)[];

/**
 * The edges of a picture that are seen whole on a page.
 * @param top px of the page that its pixels begin at
 * @param file px of the picture
 */
function edgesOf(
  top: number,
  { copy, area, repeatX, repeatY }: LaidPicture,
  file: Size,
): Readonly<Record<Side, Edge | undefined>> {
  // Browsers paint pictures on whole px.
  const [x0, x1] = span(copy.x, copy.width);
  const [y0, y1] = span(copy.y - top, copy.height);
  const [left, right] = span(area.x, area.width);
  const [above, below] = span(area.y - top, area.height);
  const wide = x0 >= left && x1 <= right && !repeatY;
  const high = y0 >= above && y1 <= below && !repeatX;
  const along = (length: number, from: number, to: number): readonly number[] =>
    Array.from({ length }, (_, i) =>
      Math.min(to - 1, Math.floor(from + ((i + 0.5) * (to - from)) / length)),
    );
  const level =
    (inside: number, beside: number): Edge =>
    (raster, by) =>
      along(file.width, x0, x1).map((x) => rgbAt(raster, x, by === 'inside' ? inside : beside));
  const upright =
    (inside: number, beside: number): Edge =>
    (raster, by) =>
      along(file.height, y0, y1).map((y) => rgbAt(raster, by === 'inside' ? inside : beside, y));
  return {
    top: wide && y0 >= above ? level(y0, y0 - 1) : undefined,
    bottom: wide && y1 <= below ? level(y1 - 1, y1) : undefined,
    left: high && x0 >= left ? upright(x0, x0 - 1) : undefined,
    right: high && x1 <= right ? upright(x1 - 1, x1) : undefined,
  };
}

function rgbAt({ width, height, data }: Raster, x: number, y: number): Rgb | undefined {
  if (x < 0 || y < 0 || x >= width || y >= height) {
    return undefined;
  }
  const k = (y * width + x) * 4;
  return { r: data[k], g: data[k + 1], b: data[k + 2] };
}

const eachSide = <T>(of: (side: Side) => T): Record<Side, T> => ({
  top: of('top'),
  right: of('right'),
  bottom: of('bottom'),
  left: of('left'),
});

/**
 * What a page has beside a picture, px by px along every side that is seen whole.
 * @param page opaque pixels of a part of the page, without the picture
 * @param top px of the page that they begin at
 * @param file px of the picture
 */
export function surroundOf(page: Raster, top: number, laid: LaidPicture, file: Size): Surround {
  const edges = edgesOf(top, laid, file);
  return eachSide((side) => {
    const colours = edges[side]?.(page, 'beside') ?? [];
    const known = colours.filter((colour) => colour !== undefined);
    return known.length > 0 && known.length === colours.length ? runsOf(known) : null;
  });
}

/**
 * Up to so many levels on average an edge is meant to go over into the page; further off it is one
 * that is to be seen (ours, by looking).
 */
const meeting = 8;

const off = (a: Rgb, b: Rgb): number =>
  Math.max(Math.abs(a.r - b.r), Math.abs(a.g - b.g), Math.abs(a.b - b.b));

/**
 * Sides at which a picture goes over into the page as it lies there.
 * @param page opaque pixels of a part of the page, with the picture
 * @param top px of the page that they begin at
 * @param file px of the picture
 */
export function meetingSides(page: Raster, top: number, laid: LaidPicture, file: Size): Side[] {
  const edges = edgesOf(top, laid, file);
  const all = eachSide((side) => {
    const inside = edges[side]?.(page, 'inside') ?? [];
    const beside = edges[side]?.(page, 'beside') ?? [];
    const steps = inside.flatMap((colour, i) => {
      const next = beside[i];
      return colour && next ? [off(colour, next)] : [];
    });
    return steps.length > 0 && steps.reduce((sum, step) => sum + step, 0) / steps.length <= meeting;
  });
  return (['top', 'right', 'bottom', 'left'] as const).filter((side) => all[side]);
}

/**
 * What a page shows of a picture, px of the picture; undefined where it shows nothing of it.
 * @param file px of the picture
 */
export function seenOf(
  { copy, area, repeatX, repeatY }: LaidPicture,
  file: Size,
): Omit<SeenAt, 'screen' | 'covered'> | undefined {
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
