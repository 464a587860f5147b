import { deltaE } from '../colour/difference';
import { lightnessOf } from '../colour/lightness';
import { hexOf } from '../colour/hex';
import { linearOfLevel, toEncoded } from '../colour/transfer';
import { newWash } from '../layers/fill';
import { newHue, newTone, newTwoTone } from '../layers/recolour';
import type { Rgb } from '../raster/raster';
import type { ToneLayer } from '../site/model/colourLayers';
import type { RecipeStep } from '../site/model/recipe';
import { layRecipe } from './recipe';

/** A colour that pieces have, and how much of them has it. */
export interface Sample {
  readonly colour: Rgb;
  /** Any measure that adds up, such as shares of a piece. */
  readonly share: number;
}

/** One way to bring the old colour to the new one. */
export interface Offer {
  readonly way: 'wash' | 'multiply' | 'screen' | 'hue' | 'two-tone';
  readonly steps: readonly RecipeStep[];
  /** CIEDE2000 from what becomes of the old colour to the new one. */
  readonly left: number;
  /**
   * How much of light and shade is kept: deviation of L* over the samples, after and before; 1
   * where they have none.
   */
  readonly kept: number;
}

const channels = ['r', 'g', 'b'] as const;
const each = (f: (c: 'r' | 'g' | 'b') => number): Rgb => ({ r: f('r'), g: f('g'), b: f('b') });
const whole = (rgb: Rgb): Rgb => each((c) => Math.round(rgb[c]));
const inside = (rgb: Rgb): boolean => channels.every((c) => rgb[c] >= -0.5 && rgb[c] <= 255.5);
const clamped = (rgb: Rgb): Rgb => each((c) => Math.min(255, Math.max(0, rgb[c])));

/**
 * A wash at the least strength at which some colour brings the old one exactly to the new one:
 * s·colour = new − (1 − s)·old.
 * The weaker it is, the more of what lies under it shows through.
 */
function washStep(from: Rgb, to: Rgb): RecipeStep {
  for (let percent = 30; percent < 100; percent++) {
    const s = percent / 100;
    const colour = each((c) => (to[c] - (1 - s) * from[c]) / s);
    if (inside(colour)) {
      return newWash('wash', hexOf(clamped(colour)), s);
    }
  }
  return newWash('wash', hexOf(to), 1);
}

/**
 * multiply gives old·colour, which can only darken; screen gives 1 − (1 − old)·(1 − colour), which
 * can only lighten.
 */
function multiplyStep(from: Rgb, to: Rgb): RecipeStep | undefined {
  const colour = each((c) => {
    if (from[c] === 0) {
      if (to[c] === 0) {
        return 255;
      }
      return 256;
    }
    return (255 * to[c]) / from[c];
  });
  return inside(colour)
    ? { ...newWash('multiply', hexOf(clamped(whole(colour))), 1), blend: 'multiply' }
    : undefined;
}

function screenStep(from: Rgb, to: Rgb): RecipeStep | undefined {
  const colour = each((c) => {
    if (from[c] === 255) {
      if (to[c] === 255) {
        return 0;
      }
      return -1;
    }
    return 255 - (255 * (255 - to[c])) / (255 - from[c]);
  });
  return inside(colour)
    ? { ...newWash('screen', hexOf(clamped(whole(colour))), 1), blend: 'screen' }
    : undefined;
}

/**
 * Two colours between which the old one's luminance lands on the new one, as far apart as the
 * levels allow.
 */
function twoToneStep(from: Rgb, to: Rgb): RecipeStep {
  const t = toEncoded(
    0.2126 * linearOfLevel[from.r] +
      0.7152 * linearOfLevel[from.g] +
      0.0722 * linearOfLevel[from.b],
  );
  const span = Math.min(
    ...channels.map((c) =>
      Math.min(t < 1 ? (255 - to[c]) / (1 - t) : Infinity, t > 0 ? to[c] / t : Infinity),
    ),
  );
  return newTwoTone(
    'twotone',
    hexOf(clamped(whole(each((c) => to[c] - t * span)))),
    hexOf(clamped(whole(each((c) => to[c] + (1 - t) * span)))),
  );
}

/**
 * Turned to the new hue first, then brought as near as brightness, contrast and saturation can,
 * each in whole percent, by going down one after the other.
 */
function hueSteps(from: Rgb, to: Rgb): RecipeStep[] {
  const hue = newHue('hue', hexOf(to));
  const keys = ['brightness', 'saturation', 'contrast'] as const;
  let best: ToneLayer = newTone('tone');
  const turned = layRecipe({ steps: [hue], spare: false, hues: null }).colour(from);
  const off = (tone: ToneLayer) =>
    deltaE(layRecipe({ steps: [tone], spare: false, hues: null }).colour(turned), to);
  let least = off(best);
  for (let stride = 32; stride >= 1; stride = stride === 1 ? 0 : stride >> 1) {
    for (let moved = true; moved;) {
      moved = false;
      for (const key of keys) {
        for (const by of [stride, -stride]) {
          // Little of contrast: it levels the design out or cuts it off.
          const value = Math.round(best[key] * 100 + by) / 100;
          const most = key === 'contrast' ? 1.2 : 3;
          const fewest = key === 'contrast' ? 0.8 : 0.2;
          if (value < fewest || value > most) {
            continue;
          }
          const tried = { ...best, [key]: value };
          const d = off(tried);
          if (d < least - 1e-9) {
            best = tried;
            least = d;
            moved = true;
          }
        }
      }
    }
  }
  const plain = keys.every((key) => best[key] === 1);
  return plain ? [hue] : [hue, best];
}

const deviation = (samples: readonly Sample[], of: (c: Rgb) => Rgb): number => {
  let n = 0;
  let sum = 0;
  let square = 0;
  for (const { colour, share } of samples) {
    const { r, g, b } = of(colour);
    const L = lightnessOf(r, g, b);
    n += share;
    sum += share * L;
    square += share * L * L;
  }
  return n > 0 ? Math.sqrt(Math.max(0, square / n - (sum / n) ** 2)) : 0;
};

/**
 * Recipes that bring an old colour to a new one, the nearest first and, of equally near ones, those
 * that keep more of light and shade.
 * @param samples colours of the pieces, levels in whole numbers
 */
export function offersFor(from: Rgb, to: Rgb, samples: readonly Sample[]): Offer[] {
  const before = deviation(samples, (c) => c);
  const offer = (way: Offer['way'], steps: readonly (RecipeStep | undefined)[]): Offer[] => {
    const present = steps.filter((s) => s !== undefined);
    if (present.length === 0) {
      return [];
    }
    const laid = layRecipe({ steps: present, spare: false, hues: null });
    return [
      {
        way,
        steps: present,
        left: deltaE(laid.colour(from), to),
        kept: before > 0 ? deviation(samples, laid.colour) / before : 1,
      },
    ];
  };
  const all = [
    ...offer('wash', [washStep(from, to)]),
    ...offer('multiply', [multiplyStep(from, to)]),
    ...offer('screen', [screenStep(from, to)]),
    ...offer('hue', hueSteps(from, to)),
    ...offer('two-tone', [twoToneStep(from, to)]),
  ];
  const near = (o: Offer) => Math.max(0, Math.round(o.left * 2) / 2 - 0.5);
  return all.sort((a, b) => near(a) - near(b) || b.kept - a.kept);
}

/**
 * Colours further than this from the old theme colour, by CIEDE2000, are another colour of the
 * theme's (ours, by looking).
 */
const ofTheColour = 12;

/**
 * How near a recipe brings pieces to a colour: of each piece the colour nearest to the old one, if
 * it is of it.
 * @returns undefined when no piece has the old colour
 */
export function leftOver(
  pieces: readonly (readonly Sample[])[],
  from: Rgb,
  to: Rgb,
  becomes: (c: Rgb) => Rgb,
): { mean: number; worst: number; pieces: number } | undefined {
  const list = pieces.flatMap((samples) => {
    const near = samples
      .map((s) => ({ s, d: deltaE(s.colour, from) }))
      .sort((a, b) => a.d - b.d)[0];
    return near && near.d <= ofTheColour ? [deltaE(becomes(near.s.colour), to)] : [];
  });
  return list.length === 0
    ? undefined
    : {
        mean: list.reduce((a, b) => a + b, 0) / list.length,
        worst: Math.max(...list),
        pieces: list.length,
      };
}
