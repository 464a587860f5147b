import { layRecipe } from '../../recolour/recipe';
import type { RecipeLayer } from '../../site/model/recipe';
import type { Draw } from '../kind';

export const drawRecipe: Draw<RecipeLayer> = (layer) => {
  const laid = layRecipe(layer.recipe);
  return {
    type: 'rework',
    rework(source) {
      laid.on(source);
      return source;
    },
  };
};
