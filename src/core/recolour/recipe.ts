import { drawFill } from '../layers/draw/fill';
import { drawHue, drawTone, drawTwoTone } from '../layers/draw/recolour';
import { drawTextureLayer } from '../layers/draw/texture';
import type { Draw, DrawContext } from '../layers/kind';
import { composite, type Paint } from '../raster/composite';
import { createRaster, isOpaque, type Raster, type Rgb } from '../raster/raster';
import type { Recipe, RecipeStep } from '../site/model/recipe';
import { activeSteps } from './activeSteps';
import { sparedShare } from './spare';

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
  /** What becomes of one colour; textures are left out. */
  colour(rgb: Rgb): Rgb;
  /** It has a texture, so that px of one colour may come out as several. */
  readonly textured: boolean;
  /** Nothing changes. */
  readonly idle: boolean;
}

/**
 * A recipe made ready once, to be laid on many rasters: on opaque ones each step comes out as the
 * composer draws the same layer, to the level. A wash at strength s gives (1 − s)·old + s·colour,
 * rounded half up.
 */
export function layRecipe({ steps: all, spare }: Pick<Recipe, 'steps' | 'spare'>): LaidRecipe {
  const steps = activeSteps({ steps: all });
  const prepared = steps.map((step) =>
    step.kind === 'texture' ? undefined : paintOf(step, { width: 1, height: 1 }),
  );
  const spared = new Map<number, number>();

  /**
   * Colours go back to what they were as far as they are to be left alone; each is looked at once.
   */
  function putBack(data: Uint8ClampedArray, before: Uint8ClampedArray): void {
    for (let k = 0; k < data.length; k += 4) {
      const key = (before[k] << 16) | (before[k + 1] << 8) | before[k + 2];
      let share = spared.get(key);
      if (share === undefined) {
        if (spared.size > 200_000) {
          spared.clear();
        }
        spared.set(
          key,
          (share = sparedShare({ r: before[k], g: before[k + 1], b: before[k + 2] })),
        );
      }
      if (share > 0) {
        for (let c = k; c < k + 3; c++) {
          data[c] = Math.floor(data[c] + share * (before[c] - data[c]) + 0.5);
        }
      }
    }
  }

  function lay(raster: Raster, scale: number, withTextures: boolean): void {
    if (steps.length === 0) {
      return;
    }
    const { data } = raster;
    const opaque = isOpaque(raster);
    const before = opaque && !spare ? undefined : data.slice();
    for (let k = 3; k < data.length && !opaque; k += 4) {
      data[k] = 255;
    }
    steps.forEach((step, i) => {
      if (step.kind === 'texture' && !withTextures) {
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
    if (before && spare) {
      putBack(data, before);
    }
    for (let k = 3; before && k < data.length; k += 4) {
      data[k] = before[k];
    }
  }

  return {
    on: (raster, scale = 1) => lay(raster, scale, true),
    colour({ r, g, b }) {
      const one = createRaster(1, 1);
      one.data.set([r, g, b, 255]);
      lay(one, 1, false);
      return { r: one.data[0], g: one.data[1], b: one.data[2] };
    },
    textured: steps.some((s) => s.kind === 'texture'),
    idle: steps.length === 0,
  };
}
