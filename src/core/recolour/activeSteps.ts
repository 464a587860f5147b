import type { Recipe, RecipeStep } from '../site/model/recipe';

/** Steps that are seen. */
export const activeSteps = ({ steps }: Pick<Recipe, 'steps'>): RecipeStep[] =>
  steps.filter((s) => !s.hidden && s.opacity > 0);
