import type { Raster } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import type { EncodeSettings } from '../site/model/picture';

/** How a file is written, beside its settings. */
export interface Writing {
  /** With little effort: about as alike as the file that is kept, and heavier. */
  readonly draft?: boolean;
  /** A PNG is not written as grey or as a palette, where it could be without loss. */
  readonly inFullColour?: boolean;
}

/**
 * Port: picture files to pixels and back. In the browser and in Node the same libvips build stands
 * behind it.
 */
export interface Codecs {
  /**
   * Pixels as they are meant to be seen: orientation applied, colour profile or CMYK converted to
   * sRGB, 16 bits brought to 8.
   * @throws Error when the file breaks off or cannot be read
   */
  decode(bytes: Uint8Array): Promise<Raster>;
  /**
   * Without metadata; JPEG lies on white where the picture is see-through.
   * @param pinned colours that a palette keeps exactly
   */
  encode(
    raster: Raster,
    settings: EncodeSettings,
    pinned: readonly Hex[],
    how?: Writing,
  ): Promise<Uint8Array<ArrayBuffer>>;
}

/** A file with its pixels as they decode again. */
export interface EncodedImage {
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly decoded: Raster;
}
