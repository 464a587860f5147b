import { deltaE } from '../colour/difference';
import type { Raster, Rgb } from '../raster/raster';
import type { Side } from '../site/model/slot';

export const sides: readonly Side[] = ['top', 'right', 'bottom', 'left'];

export interface EdgeDifference {
  /** Largest difference of any channel of any border pixel, levels 0..255. */
  readonly levels: number;
  /** Mean over the border of each pixel's largest channel difference, levels. */
  readonly mean: number;
  /** CIEDE2000 at the pixel with the largest step. */
  readonly deltaE: number;
  /** Place along the side, px from its top or left end, of that pixel. */
  readonly at: number;
}

/**
 * Index of the first pixel of a side and the step between pixels, in pixels, and how many there
 * are.
 */
function walk(
  { width, height }: Raster,
  side: Side,
): { start: number; step: number; count: number } {
  if (side === 'top') {
    return { start: 0, step: 1, count: width };
  }
  if (side === 'bottom') {
    return { start: (height - 1) * width, step: 1, count: width };
  }
  return { start: side === 'left' ? 0 : width - 1, step: width, count: height };
}

/** Where the pixels of a side begin in the raster's data, from its top or left end. */
export function* borderPixels(raster: Raster, side: Side): Generator<number> {
  const { start, step, count } = walk(raster, side);
  for (let i = 0; i < count; i++) {
    yield (start + i * step) * 4;
  }
}

/** What a pixel looks like over a colour, whole levels. */
function over(raster: Raster, index: number, under: Rgb): Rgb {
  const a = raster.data[index + 3] / 255;
  const mix = (c: number, u: number) => Math.round(u + a * (c - u));
  return {
    r: mix(raster.data[index], under.r),
    g: mix(raster.data[index + 1], under.g),
    b: mix(raster.data[index + 2], under.b),
  };
}

/**
 * How far one border of a picture is from the colour that lies next to it on the page. See-through
 * pixels show the page's colour, so they count as they are seen.
 * @param besideAt the colour next to a px of the side, counted from its top or left end
 * @param skips px that do not count: a layer hangs out over the side there
 */
export function edgeDifference(
  raster: Raster,
  side: Side,
  besideAt: (i: number) => Rgb,
  skips: (i: number) => boolean = () => false,
): EdgeDifference {
  const { start, step, count } = walk(raster, side);
  let levels = 0;
  let sum = 0;
  let at = 0;
  let counted = 0;
  let worst: Rgb | undefined;
  for (let i = 0; i < count; i++) {
    if (skips(i)) {
      continue;
    }
    counted++;
    const beside = besideAt(i);
    const seen = over(raster, (start + i * step) * 4, beside);
    const d = Math.max(
      Math.abs(seen.r - beside.r),
      Math.abs(seen.g - beside.g),
      Math.abs(seen.b - beside.b),
    );
    sum += d;
    if (d > levels) {
      levels = d;
      at = i;
      worst = seen;
    }
  }
  return {
    levels,
    mean: counted > 0 ? sum / counted : 0,
    deltaE: worst ? deltaE(worst, besideAt(at)) : 0,
    at,
  };
}

/**
 * The colour that all px of a side have, as they are seen over what lies next to them; undefined
 * where they have several.
 */
export function evenEdge(
  raster: Raster,
  side: Side,
  besideAt: (i: number) => Rgb,
): Rgb | undefined {
  const { start, step, count } = walk(raster, side);
  const first = over(raster, start * 4, besideAt(0));
  for (let i = 1; i < count; i++) {
    const seen = over(raster, (start + i * step) * 4, besideAt(i));
    if (seen.r !== first.r || seen.g !== first.g || seen.b !== first.b) {
      return undefined;
    }
  }
  return first;
}
