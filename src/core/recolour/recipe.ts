import { drawFill } from '../layers/draw/fill';
import { drawHue, drawTone, drawTwoTone } from '../layers/draw/recolour';
import { drawTextureLayer } from '../layers/draw/texture';
import type { Draw, DrawContext } from '../layers/kind';
import { composite, type Paint } from '../raster/composite';
import { createRaster, isOpaque, wholePixels, type Raster, type Rgb } from '../raster/raster';
import type { Recipe, RecipeStep } from '../site/model/recipe';
import { activeSteps, type RecipeToApply } from './activeSteps';
import { selectedShare, selectionOfHue } from './hueSelection';
import { evenSlope, isOneSlope, keepSlopes } from './slopes';

const draws = {
  fill: drawFill,
  tone: drawTone,
  twotone: drawTwoTone,
  hue: drawHue,
  texture: drawTextureLayer,
} as const;

/** What the steps of a recipe draw; they need nothing but a size. */
function paintOf(step: RecipeStep, size: Pick<DrawContext, 'width' | 'height'>): Paint | undefined {
  return (draws[step.kind] as unknown as Draw<RecipeStep>)(step, size as DrawContext);
}

/** Lays a recipe on rasters. */
export interface LaidRecipe {
  /**
   * Changes the colours of a raster in place. Alpha is never touched, and a px that is see-through
   * in part takes the colour it would take if it were not.
   * @param scale of the raster: textures of one that was made smaller are made as much smaller
   */
  on(raster: Raster, scale?: number): void;
  /** Makes `colour` quick for many colours. */
  learn(colours: Iterable<Rgb>): void;
  /** What becomes of one colour; textures are left out. */
  colour(rgb: Rgb): Rgb;
  /**
   * The same for the colours of a picture whose table alone is changed: one that is one slope
   * follows as one.
   */
  colourIn(picture: Raster): (rgb: Rgb) => Rgb;
  /** It has a texture, so that px of one colour may come out as several. */
  readonly textured: boolean;
  /** Nothing changes. */
  readonly idle: boolean;
}

/** Colours that are remembered, at most. */
const mostColours = 50_000;

/** What several recipes make of a picture, each of its own hues: their changes add up. */
function together(parts: readonly LaidRecipe[]): LaidRecipe {
  const added = (before: Rgb, list: readonly Rgb[]): Rgb => {
    const level = (c: 'r' | 'g' | 'b') =>
      Math.min(
        255,
        Math.max(0, before[c] + list.reduce((sum, rgb) => sum + rgb[c] - before[c], 0)),
      );
    return { r: level('r'), g: level('g'), b: level('b') };
  };
  return {
    on(raster, scale) {
      const before = raster.data.slice();
      const laid = parts.map((part) => {
        const own = { ...raster, data: before.slice() };
        part.on(own, scale);
        return own.data;
      });
      for (let k = 0; k < before.length; k++) {
        // Levels are clamped where they are stored.
        raster.data[k] = laid.reduce((sum, data) => sum + data[k] - before[k], before[k]);
      }
    },
    learn: (colours) => {
      const list = [...colours];
      parts.forEach((part) => part.learn(list));
    },
    colour: (rgb) =>
      added(
        rgb,
        parts.map((part) => part.colour(rgb)),
      ),
    colourIn(picture) {
      const own = parts.map((part) => part.colourIn(picture));
      return (rgb) =>
        added(
          rgb,
          own.map((of) => of(rgb)),
        );
    },
    textured: parts.some((part) => part.textured),
    idle: parts.every((part) => part.idle),
  };
}

/**
 * A recipe made ready once, to be laid on many rasters: on opaque ones each step comes out as the
 * composer draws the same layer, to the level. A wash at strength s gives (1 − s)·old + s·colour,
 * rounded half up.
 */
export function layRecipe({ byHue = [], ...main }: RecipeToApply): LaidRecipe {
  const parts = [main, ...byHue.map(({ hue, steps }) => ({ steps, ...selectionOfHue(hue) }))].map(
    layPart,
  );
  return parts.length === 1 ? parts[0] : together(parts);
}

function layPart({ steps: all, ...reach }: Pick<Recipe, 'steps' | 'spare' | 'hues'>): LaidRecipe {
  const steps = activeSteps({ steps: all });
  const prepared = steps.map((step) =>
    step.kind === 'texture' ? undefined : paintOf(step, { width: 1, height: 1 }),
  );
  const share = selectedShare(reach);
  const known = new Map<number, number>();
  const colours = new Map<number, Rgb>();

  /** How far each px follows; each colour is looked at once. */
  function sharesOf(px: Int32Array): Float32Array {
    const shares = new Float32Array(px.length);
    for (let i = 0; i < px.length; i++) {
      const key = px[i] & 0xffffff;
      let found = known.get(key);
      if (found === undefined) {
        if (known.size > 200_000) {
          known.clear();
        }
        found = share!({ r: key & 255, g: (key >> 8) & 255, b: key >> 16 });
        known.set(key, found);
      }
      shares[i] = found;
    }
    return shares;
  }

  /** Colours go back to what they were as far as they are to be left alone. */
  function putBack({ data }: Raster, before: Raster, alone: boolean): void {
    const shares = sharesOf(wholePixels(before));
    let change = 0;
    for (let k = 0; k < data.length; k += 4) {
      for (let c = k; c < k + 3; c++) {
        change = Math.max(change, Math.abs(data[c] - before.data[c]));
      }
    }
    if (!alone) {
      keepSlopes(before, shares, change);
    }
    for (let k = 0; k < data.length; k += 4) {
      const left = 1 - shares[k >> 2];
      if (left > 0) {
        for (let c = k; c < k + 3; c++) {
          data[c] = Math.floor(data[c] + left * (before.data[c] - data[c]) + 0.5);
        }
      }
    }
  }

  /** @param alone each px is a colour of its own, and no part of a picture */
  function lay(raster: Raster, scale: number, alone: boolean): void {
    if (steps.length === 0) {
      return;
    }
    const { data } = raster;
    const opaque = isOpaque(raster);
    const before = opaque && !share ? undefined : { ...raster, data: data.slice() };
    const textures = !alone && steps.some((s) => s.kind === 'texture');
    const slope =
      !alone && data.length > 4 && !textures && isOneSlope(raster)
        ? { ...raster, data: data.slice() }
        : undefined;
    for (let k = 3; k < data.length && !opaque; k += 4) {
      data[k] = 255;
    }
    steps.forEach((step, i) => {
      if (step.kind === 'texture' && alone) {
        return;
      }
      const paint =
        prepared[i] ??
        paintOf(
          step.kind === 'texture' && scale !== 1
            ? { ...step, scale: Math.max(1, step.scale * scale) }
            : step,
          raster,
        );
      if (paint) {
        composite(raster, paint, step.opacity, step.blend);
      }
    });
    if (before && share) {
      putBack(raster, before, alone);
    }
    for (let k = 3; before && k < data.length; k += 4) {
      data[k] = before.data[k];
    }
    if (slope) {
      evenSlope(slope, raster);
    }
  }

  const keyOf = ({ r, g, b }: Rgb): number => (r << 16) | (g << 8) | b;

  /** Looks at several colours at once, which is much quicker than one after the other. */
  function learn(list: Iterable<Rgb>): void {
    const fresh = new Map<number, Rgb>();
    for (const rgb of list) {
      if (!colours.has(keyOf(rgb))) {
        fresh.set(keyOf(rgb), rgb);
      }
    }
    if (fresh.size === 0) {
      return;
    }
    if (colours.size + fresh.size > mostColours) {
      colours.clear();
    }
    const all = createRaster(fresh.size, 1);
    [...fresh.values()].forEach(({ r, g, b }, i) => all.data.set([r, g, b, 255], i * 4));
    lay(all, 1, true);
    [...fresh.keys()].forEach((key, i) => {
      const [r, g, b] = all.data.subarray(i * 4, i * 4 + 3);
      colours.set(key, { r, g, b });
    });
  }

  function colour(rgb: Rgb): Rgb {
    const key = keyOf(rgb);
    if (!colours.has(key)) {
      learn([rgb]);
    }
    return colours.get(key)!;
  }

  return {
    on: (raster, scale = 1) => lay(raster, scale, false),
    learn,
    colour,
    colourIn(picture) {
      if (!share || !isOneSlope(picture)) {
        return colour;
      }
      const most = sharesOf(wholePixels(picture)).reduce((a, b) => Math.max(a, b), 0);
      const whole = layPart({ steps: all, spare: false, hues: null });
      return (rgb) => {
        const to = whole.colour(rgb);
        const part = (a: number, b: number) => Math.floor(a + most * (b - a) + 0.5);
        return { r: part(rgb.r, to.r), g: part(rgb.g, to.g), b: part(rgb.b, to.b) };
      };
    },
    textured: steps.some((s) => s.kind === 'texture'),
    idle: steps.length === 0,
  };
}
