import { recipeKey } from '@/core/recolour/activeSteps';
import { layRecipe, type LaidRecipe } from '@/core/recolour/recipe';
import type { Recipe } from '@/core/site/model/recipe';

/** A recipe made ready once for as long as it is the one that is asked for. */
export function lastRecipe(): (recipe: Recipe) => LaidRecipe {
  let last: { key: string; laid: LaidRecipe } | undefined;
  return (recipe) => {
    const key = recipeKey(recipe);
    if (last?.key !== key) {
      last = { key, laid: layRecipe(recipe) };
    }
    return last.laid;
  };
}
