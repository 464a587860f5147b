import type { Rgb } from '../raster/raster';
import { oklabOf, oklabToLinear } from './oklab';
import { levelOfLinear } from './transfer';

/** A colour of OKLab by lightness 0..1, chroma, and hue in degrees. */
export interface Oklch {
  readonly lightness: number;
  readonly chroma: number;
  readonly hue: number;
}

export function oklchOf(colour: Rgb): Oklch {
  const [L, a, b] = oklabOf(colour);
  const hue = (Math.atan2(b, a) * 180) / Math.PI;
  return { lightness: L, chroma: Math.hypot(a, b), hue: (hue + 360) % 360 };
}

const cartesian = ({ lightness, chroma, hue }: Oklch): [number, number, number] => {
  const t = (hue * Math.PI) / 180;
  return oklabToLinear(lightness, chroma * Math.cos(t), chroma * Math.sin(t));
};

/** Half a level of black, in linear light. */
const slack = 0.00015;

const inGamut = (linear: readonly number[]): boolean =>
  linear.every((v) => v >= -slack && v <= 1 + slack);

/**
 * The levels of a colour; one that sRGB has not got loses chroma until it has, and keeps its
 * lightness and hue (what CSS Color Module Level 4, section 13, calls reduction in OKLCH).
 */
export function levelsOfOklch(wanted: Oklch): Rgb {
  let linear = cartesian(wanted);
  if (!inGamut(linear)) {
    let [low, high] = [0, wanted.chroma];
    for (let i = 0; i < 16; i++) {
      const middle = (low + high) / 2;
      if (inGamut(cartesian({ ...wanted, chroma: middle }))) {
        low = middle;
      } else {
        high = middle;
      }
    }
    linear = cartesian({ ...wanted, chroma: low });
  }
  const [r, g, b] = linear.map((v) => levelOfLinear(Math.min(1, Math.max(0, v))));
  return { r, g, b };
}
