import type { ObjectSchema } from 'yup';
import type { Paint } from '../raster/composite';
import type { Raster } from '../raster/raster';
import type { Layer } from '../site/model';
import type { GlyphRaster } from '../text/glyphs';

/** What drawing a layer may ask for. */
export interface DrawContext {
  readonly width: number;
  readonly height: number;
  readonly glyphs: GlyphRaster;
  /** Decoded pixels of an asset, or undefined while they are not there yet. */
  photo(assetId: string): Raster | undefined;
}

/** One kind of layer: everything the rest of the program needs to know of it. */
export interface LayerKind<L extends Layer = Layer> {
  readonly kind: L['kind'];
  /** What the kind is called on a card. */
  readonly title: string;
  readonly schema: ObjectSchema<object>;
  /** Two layers with the same key draw the same shapes; place, strength and blend mode are left out where they do not matter. */
  key(layer: L): string;
  /** Pixels as if the layer's point were at 0, 0; undefined while an asset is missing. */
  draw(layer: L, context: DrawContext): Paint | undefined;
  /** Where the drawing's 0, 0 lies on the slot, in whole px. */
  place(layer: L): { x: number; y: number };
  /** The one figure a card shows. */
  figure(layer: L): string;
  /** Name of a layer the owner has not named. */
  name(layer: L): string;
  /** Moves the layer; undefined for kinds that lie everywhere. */
  moved?(layer: L, dx: number, dy: number): Partial<L>;
}
