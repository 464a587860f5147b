import { deltaE } from '../colour/difference';
import { separableModes, nonSeparableModes, isSeparable, type BlendMode } from '../raster/blend';
import type { Raster, Rgb } from '../raster/raster';
import { borderPixels, sides } from '../seam/edges';

/** Which pixels are brought towards the colour. */
export type MatchedPart = 'mean' | 'border';

export interface Match {
  /** Of the wash, in whole percent. */
  readonly strength: number;
  /** CIEDE2000 from the part's mean to the wanted colour, without the wash and with it. */
  readonly before: number;
  readonly after: number;
  /** The part's mean with the wash, levels with fractions. */
  readonly mean: Rgb;
}

function* partPixels(raster: Raster, part: MatchedPart): Generator<number> {
  if (part === 'border') {
    for (const side of sides) {
      yield* borderPixels(raster, side);
    }
    return;
  }
  // Every pixel of a small picture, every few of a large one: a mean over 200 000 of them stands to
  // the hundredth of a level.
  const pixels = raster.width * raster.height;
  const step = Math.max(1, Math.floor(pixels / 200_000));
  for (let p = 0; p < pixels; p += step) {
    yield p * 4;
  }
}

/** B(backdrop, source) of one channel or of three, in levels. */
function blended(
  mode: BlendMode,
  backdrop: readonly [number, number, number],
  source: readonly [number, number, number],
): [number, number, number] {
  const unit = (c: readonly number[]) => c.map((v) => v / 255) as [number, number, number];
  const b = unit(backdrop);
  const s = unit(source);
  const out = isSeparable(mode)
    ? (b.map((v, i) => separableModes[mode](v, s[i])) as [number, number, number])
    : nonSeparableModes[mode](b, s);
  return [out[0] * 255, out[1] * 255, out[2] * 255];
}

/**
 * The strength of a wash that brings the mean of a picture, or of its border, closest to a colour
 * by CIEDE2000. Exact, since every washed pixel, and so their mean, goes in a straight line from
 * the old colour to the blended one.
 * @param raster what lies below the wash
 * @returns undefined where nothing is to be seen
 */
export function matchWash(
  raster: Raster,
  wash: { readonly colour: Rgb; readonly mode: BlendMode },
  wanted: Rgb,
  part: MatchedPart,
): Match | undefined {
  const from = [0, 0, 0];
  const to = [0, 0, 0];
  const source = [wash.colour.r, wash.colour.g, wash.colour.b] as const;
  let weight = 0;
  for (const i of partPixels(raster, part)) {
    const a = raster.data[i + 3] / 255;
    if (a === 0) {
      continue;
    }
    const pixel = [raster.data[i], raster.data[i + 1], raster.data[i + 2]] as const;
    const mixed = blended(wash.mode, pixel, source);
    for (let c = 0; c < 3; c++) {
      from[c] += a * pixel[c];
      to[c] += a * mixed[c];
    }
    weight += a;
  }
  if (weight === 0) {
    return undefined;
  }
  const at = (s: number): Rgb => {
    const [r, g, b] = from.map((v, c) => (v + s * (to[c] - v)) / weight);
    return { r, g, b };
  };
  const off = (s: number) => deltaE(at(s), wanted);
  const strengths = Array.from({ length: 101 }, (_, percent) => percent);
  const strength = strengths.reduce(
    (best, percent) => (off(percent / 100) < off(best / 100) - 1e-9 ? percent : best),
    0,
  );
  return { strength, before: off(0), after: off(strength / 100), mean: at(strength / 100) };
}
