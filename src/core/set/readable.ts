import { linearToOklab, oklabToLinear } from '../colour/oklab';
import { levelOfLinear, linearOfLevel } from '../colour/transfer';
import { contrastRatio, luminance } from '../legibility/contrast';
import type { Rgb } from '../raster/raster';

const white: Rgb = { r: 255, g: 255, b: 255 };
const black: Rgb = { r: 0, g: 0, b: 0 };

/** Contrast of a text on the worst of what it lies on, 1..21 (WCAG 2.2). */
export const leastRatio = (text: Rgb, grounds: readonly Rgb[]): number =>
  Math.min(...grounds.map((ground) => contrastRatio(text, ground)));

/** A colour's own hue at other lightnesses, OKLab L from 0 to 1. */
function shadesOf({ r, g, b }: Rgb): { own: number; at: (lightness: number) => Rgb } {
  const [L, a, bb] = linearToOklab(linearOfLevel[r], linearOfLevel[g], linearOfLevel[b]);
  return {
    own: L,
    at: (l) => {
      // Towards black and white there is less room for chroma.
      const room = Math.min(1, l / Math.max(L, 0.01), (1 - l) / Math.max(1 - L, 0.01));
      const [red, green, blue] = oklabToLinear(l, a * room, bb * room);
      return { r: levelOfLinear(red), g: levelOfLinear(green), b: levelOfLinear(blue) };
    },
  };
}

/**
 * The colour nearest to a text's in lightness that reaches a contrast on all that it lies on, in
 * the text's own hue; black or white where no lightness of that hue does.
 * @param wanted contrast ratio, 1..21
 */
export function readableOn(grounds: readonly Rgb[], text: Rgb, wanted: number): Rgb {
  const { own, at } = shadesOf(text);
  for (let step = 0; step <= 100; step++) {
    for (const l of [own - step / 100, own + step / 100]) {
      if (l >= 0 && l <= 1 && leastRatio(at(l), grounds) >= wanted) {
        return at(l);
      }
    }
  }
  return leastRatio(black, grounds) >= leastRatio(white, grounds) ? black : white;
}

/** A colour made as light as another is, in its own hue: on anything it has the same contrast. */
export function withLuminance(colour: Rgb, like: Rgb): Rgb {
  const { at } = shadesOf(colour);
  const wanted = luminance(like);
  let low = 0;
  let high = 1;
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2;
    if (luminance(at(middle)) < wanted) {
      low = middle;
    } else {
      high = middle;
    }
  }
  return at(high);
}
