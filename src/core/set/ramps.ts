import { luminance } from '../legibility/contrast';
import type { Rgb } from '../raster/raster';

/** A colour of a value, where it stands in its sheet, with what it would become. */
interface Stop {
  readonly start: number;
  readonly before: Rgb;
  readonly after: Rgb;
}

const noStops: ReadonlySet<number> = new Set();

const gradient = /\b(?:repeating-)?(?:linear|radial|conic)-gradient\(/gi;

/** Where the bracket that opens at a place closes; the text's end where it does not. */
function closing(text: string, open: number): number {
  let depth = 0;
  for (let i = open; i < text.length; i++) {
    if (text[i] === '(') {
      depth++;
    } else if (text[i] === ')' && --depth === 0) {
      return i;
    }
  }
  return text.length;
}

/** Each is as light as the one before, or lighter; or none is lighter. */
function isMonotone(colours: readonly Rgb[]): boolean {
  const light = colours.map(luminance);
  const steps = light.slice(1).map((l, i) => l - light[i]);
  return steps.every((s) => s >= -1e-4) || steps.every((s) => s <= 1e-4);
}

/**
 * Stops of the gradients in a value that go one way in lightness and would not any more, because
 * some follow and some do not: all of such a gradient are to follow.
 * @param offset of the value in its sheet
 * @param colours of the value, asked only where it has a gradient
 * @returns where the stops stand
 */
export function tornRamps(
  value: string,
  offset: number,
  colours: () => readonly Stop[],
): ReadonlySet<number> {
  // Most values have none, and this is asked of all of them.
  if (!/gradient\(/i.test(value)) {
    return noStops;
  }
  const stops = colours();
  const torn = new Set<number>();
  for (const m of value.matchAll(gradient)) {
    const open = offset + m.index + m[0].length - 1;
    const end = offset + closing(value, open - offset);
    const own = stops.filter((s) => s.start > open && s.start < end);
    if (isMonotone(own.map((s) => s.before)) && !isMonotone(own.map((s) => s.after))) {
      for (const { start } of own) {
        torn.add(start);
      }
    }
  }
  return torn;
}
