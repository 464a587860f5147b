import type { ObjectSchema } from 'yup';
import type { Box, Place, Resize } from '../arrange/box';
import type { PhotoMipLevel, Photos } from '../frame/photos';
import type { Size } from '../frame/placement';
import type { Outsets } from '../effects/kind';
import type { Paint } from '../raster/composite';
import type { Raster, Rect } from '../raster/raster';
import type { Layer, ObjectLayer } from '../site/model/layer';
import type { CutOut } from '../site/model/photoLayer';
import type { GlyphRaster } from '../text/glyphs';

/** What drawing a layer may ask for. */
export interface DrawContext extends Size {
  readonly glyphs: GlyphRaster;
  /** Px beyond the slot that effects of the layer can bring in. */
  readonly outsets: Outsets;
  readonly photos: Photos;
  /** A photo without its surround, made now or as it was made before. */
  cutOut(key: string, photo: PhotoMipLevel, cutOut: CutOut): Raster;
}

/**
 * How a kind is drawn: its pixels as if the layer's point were at 0, 0; undefined while an asset is
 * missing. Apart from the definition, so that screens, which never draw, need not load it.
 */
export type Draw<L extends Layer = Layer> = (layer: L, context: DrawContext) => Paint | undefined;

/**
 * How a kind is drawn while it is in hand, where that is much quicker: the part in sight alone, not
 * as exactly; undefined where it is to be drawn as ever.
 * @param sight px of the slot
 */
export type RoughDraw<L extends Layer = Layer> = (
  layer: L,
  context: DrawContext,
  sight: Rect,
) => Paint | undefined;

/**
 * What a layer does to the picture: a thing lies at a place; a paint lies everywhere; a recolouring
 * changes the colours below it or of the layer beneath alone; a change makes anew all that is below.
 */
export type LayerRole = 'thing' | 'paint' | 'recolour' | 'change';

/** What lies somewhere in particular, to be moved, resized and turned on the picture. */
interface Arranged<L extends Layer> {
  /** Where it lies by its own figures, without anything being measured; undefined where it must. */
  readonly ownBox: ((layer: L) => Box) | undefined;
  /** @param context for measuring; undefined while a font is missing */
  box(layer: L, context: Pick<DrawContext, 'glyphs' | 'width' | 'height'>): Box | undefined;
  moved(layer: L, dx: number, dy: number): Partial<L>;
  resized(layer: L, resize: Resize): Partial<L>;
  /** Turned about a point by degrees clockwise. */
  turned(layer: L, degrees: number, pivot: Place): Partial<L>;
}

/** One kind of layer: everything the rest of the program needs to know of it. */
export interface LayerKind<L extends Layer = Layer> extends Partial<Arranged<L>> {
  readonly kind: L['kind'];
  readonly role: LayerRole;
  /** What the kind is called on a card. */
  readonly title: string;
  readonly schema: ObjectSchema<object>;
  /**
   * Two layers with the same key draw the same shapes; place, strength, blend mode and effects are
   * left out where they do not matter.
   */
  key(layer: L, slot: Size): string;
  /** Where the drawing's 0, 0 lies on the slot, in whole px. */
  place(layer: L, slot: Size): Place;
  /**
   * The layer for a slot so many times as large, where it does not lie at a place; left out where
   * nothing of it is in px.
   */
  scaled?(layer: L, k: number): Partial<L>;
  /** Assets that drawing needs: photos, and fonts of the owner's. */
  assets?(layer: L): readonly string[];
  /** Only its effects are seen. */
  hollow?(layer: L): boolean;
  /** The one figure a card shows. */
  figure(layer: L): string;
  /** Name of a layer the owner has not named. */
  name(layer: L): string;
}

/** What has to be said of a kind: of things, where they lie and how they are arranged too. */
export type DefinitionOf<L extends Layer> = LayerKind<L> &
  (L extends ObjectLayer
    ? Arranged<L> & { readonly role: 'thing' }
    : { readonly role: Exclude<LayerRole, 'thing'> });
