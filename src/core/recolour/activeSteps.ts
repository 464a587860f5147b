import type { Recipe, RecipeStep } from '../site/model/recipe';

/** What of a recipe decides what it makes of colours. */
export type RecipeToApply = Pick<Recipe, 'steps' | 'spare' | 'hues' | 'byHue'>;

/** Steps that are seen. */
export const activeSteps = ({ steps }: Pick<Recipe, 'steps'>): RecipeStep[] =>
  steps.filter((s) => !s.hidden && s.opacity > 0);

/** It changes something. */
export const isActive = ({ steps, byHue = [] }: Pick<Recipe, 'steps' | 'byHue'>): boolean =>
  [{ steps }, ...byHue].some((part) => activeSteps(part).length > 0);

/** The recipe with its steps for every hue. */
export function forEveryHue<R extends RecipeToApply>({
  byHue: _byHue,
  ...recipe
}: R): Omit<R, 'byHue'> {
  return { ...recipe, hues: null } as Omit<R, 'byHue'>;
}

/** The same for recipes that make the same of every colour. */
export const recipeKey = ({ steps, spare, hues, byHue = [] }: RecipeToApply): string =>
  JSON.stringify([steps, spare, hues, byHue]);
