import type { Hex } from './hex';
import type { FillLayer } from './blendLayers';
import type { RecolourLayer, TextureLayer } from './colourLayers';
import type { LayerBase } from './layerBase';

/**
 * What a recipe may consist of: washes that lie everywhere, recolourings of everything below,
 * textures.
 */
export type RecipeStep = FillLayer | RecolourLayer | TextureLayer;

/** A hue that goes a way of its own. */
export interface HueRecipe {
  readonly hue: Hex;
  /** What that colour is to become, and the steps there. */
  readonly to: Hex;
  readonly steps: readonly RecipeStep[];
}

/** Recolouring steps kept apart from any picture, to lay on many. */
export interface Recipe {
  readonly id: string;
  readonly name: string;
  /** From back to front; hidden ones are left out. */
  readonly steps: readonly RecipeStep[];
  /** Greys and near-whites keep their colour. */
  readonly spare: boolean;
  /** Colours whose hues alone it changes; null where it changes all. */
  readonly hues: readonly Hex[] | null;
  /** Hues that the steps do not change, and what does; left out where there are none. */
  readonly byHue?: readonly HueRecipe[];
}

/** A recipe laid on everything below it; see-through px stay as see-through as they are. */
export interface RecipeLayer extends LayerBase {
  readonly kind: 'recipe';
  readonly recipe: Recipe;
}
