import { intersect, type Raster, type Rgb } from '../raster/raster';
import type { EdgesOver } from '../site/model/ownPage';
import type { Side } from '../site/model/slot';
import type { LaidPicture } from './surround';

/** Stands in a picture's place while it is looked what lies over it: no page has it, and no grey is near. */
export const standIn: Rgb = { r: 220, g: 60, b: 180 };

/** Levels by which what a browser mixes may be off. */
const near = 3;

/** How much of the stand-in's light is left where black lies over it; undefined for anything else. */
function lightOf({ width, height, data }: Raster, x: number, y: number): number | undefined {
  if (x < 0 || y < 0 || x >= width || y >= height) {
    return undefined;
  }
  const k = (y * width + x) * 4;
  const left = data[k] / standIn.r;
  const fits = [standIn.r, standIn.g, standIn.b].every(
    (level, c) => Math.abs(data[k + c] - level * left) <= near,
  );
  return fits && left <= 1 + near / standIn.r ? Math.min(1, left) : undefined;
}

type Levels = readonly [number, number, number];

/** The nearest px that the raster has. */
function levelsAt({ width, height, data }: Raster, x: number, y: number): Levels {
  const k =
    (Math.max(0, Math.min(height - 1, y)) * width + Math.max(0, Math.min(width - 1, x))) * 4;
  return [data[k], data[k + 1], data[k + 2]];
}

/** How much of a mix of two colours is the second; 1 where they are alike. */
function shareOf(mix: Levels, first: Levels, second: Levels): number {
  const way = second.map((level, c) => level - first[c]);
  const length = way.reduce((sum, step) => sum + step * step, 0);
  const gone = way.reduce((sum, step, c) => sum + step * (mix[c] - first[c]), 0);
  return length === 0 ? 1 : gone / length;
}

const median = (list: readonly number[]): number | undefined =>
  list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)];

/**
 * Radius of a circle whose outermost row of px is less than half its own for so many px beside the
 * corner: half a px inside, radius − √(radius − ¼) px of it are gone.
 */
const radiusOf = (gone: number): number =>
  // One px is what smoothing makes of a right angle.
  gone > 1 ? Math.round(gone + 0.5 + Math.sqrt(gone)) : 0;

/**
 * What lies over the edges of a picture: how far its corners are rounded off, px of the page, and how
 * much light shadows take at each side, percent.
 * @param page opaque pixels with the stand-in in the picture's place
 * @param top px of the page that they begin at
 */
export function edgesOver(page: Raster, top: number, { copy, area }: LaidPicture): EdgesOver {
  const seen = intersect(copy, area);
  const [x0, y0] = [Math.round(seen.x), Math.round(seen.y - top)];
  const [x1, y1] = [Math.round(seen.x + seen.width), Math.round(seen.y + seen.height - top)];
  const along = (side: Side, i: number): readonly [number, number] =>
    ({
      top: [x0 + i, y0],
      bottom: [x0 + i, y1 - 1],
      left: [x0, y0 + i],
      right: [x1 - 1, y0 + i],
    })[side] as [number, number];
  const shadeAt = (side: Side): number => {
    const length = side === 'top' || side === 'bottom' ? x1 - x0 : y1 - y0;
    // Corners may be rounded off.
    const middle = Array.from({ length: Math.max(0, Math.floor(length / 2)) }, (_, i) =>
      along(side, i + Math.floor(length / 4)),
    );
    const light = middle.flatMap(([x, y]) => lightOf(page, x, y) ?? []);
    return light.length > middle.length / 2 ? Math.round((1 - (median(light) ?? 1)) * 100) : 0;
  };
  const most = Math.floor(Math.min(x1 - x0, y1 - y0) / 2);
  const middle = Math.round((x0 + x1) / 2);
  /** Px of a row that are less than half the picture's, from a corner on. */
  const corner = (x: number, step: number, y: number, outside: number): number => {
    if (lightOf(page, middle, y) === undefined) {
      return 0;
    }
    const inside = levelsAt(page, middle, y);
    const beyond = levelsAt(page, x - step, outside);
    for (let i = 0; i < most; i++) {
      if (shareOf(levelsAt(page, x + i * step, y), beyond, inside) >= 0.5) {
        return i;
      }
    }
    return 0;
  };
  const corners = [
    corner(x0, 1, y0, y0 - 1),
    corner(x1 - 1, -1, y0, y0 - 1),
    corner(x0, 1, y1 - 1, y1),
    corner(x1 - 1, -1, y1 - 1, y1),
  ];
  return {
    rounded: radiusOf(Math.max(...corners)),
    shade: {
      top: shadeAt('top'),
      right: shadeAt('right'),
      bottom: shadeAt('bottom'),
      left: shadeAt('left'),
    },
  };
}
