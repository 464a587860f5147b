import { linearToOklab } from '../colour/oklab';
import { levelOfLinear, linearOfLevel } from '../colour/transfer';
import type { Raster } from '../raster/raster';

/**
 * Of what a px is off by so much goes on. All of it would make the mean right and the mixture seen as
 * grain: with half of it a file comes out more alike at the same number of colours, with all of it
 * less.
 */
const carried = 0.5;

/** Where what a px is off by goes: to the right and below, in sixteenths. */
const shares = [
  { dx: 1, dy: 0, of: 7 / 16 },
  { dx: -1, dy: 1, of: 3 / 16 },
  { dx: 0, dy: 1, of: 5 / 16 },
  { dx: 1, dy: 1, of: 1 / 16 },
];

/** Colours that a picture is brought to. */
export interface Palette {
  /** Their levels, red, green, blue and alpha of each. */
  readonly levels: Uint8ClampedArray;
  /** Where they lie in OKLab times alpha, with alpha: four numbers of each. */
  readonly places: Float64Array;
}

/** The index of the colour that is nearest to a place in OKLab times alpha, with alpha. */
export function nearestColour(
  { places }: Pick<Palette, 'places'>,
  l: number,
  a: number,
  b: number,
  alpha: number,
): number {
  let best = Infinity;
  let found = 0;
  for (let k = 0; k < places.length; k += 4) {
    const dl = l - places[k];
    const da = a - places[k + 1];
    const db = b - places[k + 2];
    const dt = alpha - places[k + 3];
    const d = dl * dl + da * da + db * db + dt * dt;
    if (d < best) {
      best = d;
      found = k;
    }
  }
  return found / 4;
}

/**
 * Brings a raster to a palette so that colours between two of its own come out as a mixture of both:
 * half of what a px is off by, in linear light times alpha, goes on to its neighbours, rows from left
 * to right and back in turn (after R. W. Floyd, L. Steinberg, "An adaptive algorithm for spatial
 * greyscale", Proceedings of the SID 17, 1976). The outermost px take and give nothing, and neither
 * do those of `spared`: they come out as the palette has them nearest.
 * @param spared whether a px, by its index, is one whose colour is kept
 * @returns RGBA levels, all of them of the palette
 */
export function diffused(
  { data, width, height }: Raster,
  palette: Palette,
  spared: (i: number) => boolean,
): Uint8ClampedArray<ArrayBuffer> {
  const out = new Uint8ClampedArray(data.length);
  const known = new Map<number, number>();
  const lookUp = (r: number, g: number, b: number, alpha: number): number => {
    const a = Math.round(alpha * 255);
    const of = (light: number) => (alpha > 0 ? levelOfLinear(light / alpha) : 0);
    const [lr, lg, lb] = [of(r), of(g), of(b)];
    const key = ((lr * 256 + lg) * 256 + lb) * 256 + a;
    const before = known.get(key);
    if (before !== undefined) {
      return before;
    }
    const lab = linearToOklab(linearOfLevel[lr], linearOfLevel[lg], linearOfLevel[lb]);
    const whole = a / 255;
    const found = nearestColour(palette, lab[0] * whole, lab[1] * whole, lab[2] * whole, whole);
    known.set(key, found);
    return found;
  };
  const { levels } = palette;
  const light = Float64Array.from(levels, (level, k) => {
    const alpha = levels[k | 3] / 255;
    return (k & 3) === 3 ? alpha : linearOfLevel[level] * alpha;
  });
  const isFree = (x: number, y: number): boolean =>
    x > 0 && y > 0 && x < width - 1 && y < height - 1 && !spared(y * width + x);
  // Of this row and the next one: what comes to each px.
  let here = new Float64Array(width * 4);
  let below = new Float64Array(width * 4);
  const wanted = new Float64Array(4);
  for (let y = 0; y < height; y++) {
    const forth = y % 2 === 0;
    for (let n = 0; n < width; n++) {
      const x = forth ? n : width - 1 - n;
      const k = (y * width + x) * 4;
      const free = isFree(x, y);
      const alpha = data[k + 3] / 255;
      for (let c = 0; c < 4; c++) {
        const own = c < 3 ? linearOfLevel[data[k + c]] * alpha : alpha;
        wanted[c] = free ? Math.max(0, Math.min(1, own + here[x * 4 + c])) : own;
      }
      const found = lookUp(wanted[0], wanted[1], wanted[2], wanted[3]);
      out.set(levels.subarray(found * 4, found * 4 + 4), k);
      if (!free) {
        continue;
      }
      for (const { dx, dy, of } of shares) {
        const to = x + (forth ? dx : -dx);
        if (isFree(to, y + dy)) {
          const row = dy === 0 ? here : below;
          for (let c = 0; c < 4; c++) {
            row[to * 4 + c] += (wanted[c] - light[found * 4 + c]) * carried * of;
          }
        }
      }
    }
    [here, below] = [below, here];
    below.fill(0);
  }
  return out;
}
