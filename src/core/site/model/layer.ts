import type { BlurLayer, FadeLayer, FillLayer, JoinLayer, ProfileLayer } from './blendLayers';
import type { RecolourLayer, TextureLayer } from './colourLayers';
import type { ShapeLayer, TextLayer } from './objectLayers';
import type { PhotoLayer } from './photoLayer';
import type { RecipeLayer } from './recipe';

export type Layer =
  | PhotoLayer
  | FillLayer
  | RecolourLayer
  | TextureLayer
  | TextLayer
  | ShapeLayer
  | FadeLayer
  | JoinLayer
  | BlurLayer
  | ProfileLayer
  | RecipeLayer;

/** Layers that lie at a place and not everywhere: they are arranged, and can have effects. */
export type ObjectLayer = PhotoLayer | TextLayer | ShapeLayer;

export type LayerKindName = Layer['kind'];
