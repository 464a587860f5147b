'use client';

import { useMemo } from 'react';
import { layRecipe } from '@/core/recolour/recipe';
import { specimen } from '@/core/recolour/specimen';
import { crop, wholeRaster, type Raster } from '@/core/raster/raster';
import type { RecipeToApply } from '@/core/recolour/activeSteps';
import { useRasterCanvas } from '../useRasterCanvas';

const width = 48;
const height = 18;
let plain: Raster | undefined;

/** What a recipe makes of all hues and greys, at a glance. */
export function RecipeFace({ recipe }: { recipe: RecipeToApply }) {
  const raster = useMemo(() => {
    plain ??= specimen(width, height);
    const laid = crop(plain, wholeRaster(plain));
    layRecipe(recipe).on(laid, 0.5);
    return laid;
  }, [recipe]);
  return (
    <canvas
      ref={useRasterCanvas(raster)}
      aria-hidden
      width={width}
      height={height}
      className="block shrink-0 border border-hair"
    />
  );
}
