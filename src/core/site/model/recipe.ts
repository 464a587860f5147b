import type { Hex } from './hex';
import type { FillLayer } from './blendLayers';
import type { RecolourLayer, TextureLayer } from './colourLayers';
import type { LayerBase } from './layerBase';

/**
 * What a recipe may consist of: washes that lie everywhere, recolourings of everything below,
 * textures.
 */
export type RecipeStep = FillLayer | RecolourLayer | TextureLayer;

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
}

/** A recipe laid on everything below it; see-through px stay as see-through as they are. */
export interface RecipeLayer extends LayerBase {
  readonly kind: 'recipe';
  readonly recipe: Recipe;
}
