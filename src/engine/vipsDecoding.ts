import type { Size } from '@/core/frame/placement';
import { createRaster, type Raster, type Rect } from '@/core/raster/raster';
import { failure, scoped, type Own, type VipsImage, type VipsLibrary } from './vipsImages';

/** Rows are decoded together as far as they come to so much, bytes. */
const usualStrip = 8e6;

/**
 * Strips are so many rows high, or several times as many: the library's loaders read ahead by some
 * power of two below, and forget what they read ahead once a strip is done.
 */
const aligned = 128;

/** Goes on from “the picture … but”. */
const damaged = 'the file breaks off or is damaged';

const profile = 'icc-profile-data';

/** Four channels of sRGB, a byte each. */
function toSrgb(image: VipsImage, own: Own): VipsImage {
  let out = image;
  if (image.getTypeof(profile) !== 0) {
    out = own(
      image.iccTransform('srgb', {
        embedded: true,
        intent: 'relative',
        black_point_compensation: true,
      }),
    );
  } else if (image.interpretation === 'cmyk') {
    out = own(image.iccTransform('srgb', { input_profile: 'cmyk' }));
  }
  if (out.interpretation !== 'srgb') {
    out = own(out.colourspace('srgb'));
  }
  if (out.format !== 'uchar') {
    out = own(out.cast('uchar'));
  }
  return out.hasAlpha() ? out : own(out.bandjoin(255));
}

/** How a picture is stored, as Exif 2.32 counts it in tag Orientation: 1 is upright. */
const orientationOf = (image: VipsImage): number =>
  image.getTypeof('orientation') === 0 ? 1 : image.getInt('orientation');

/** Where rows that were decoded lie once they are upright, px; `y` counts in the stored picture. */
function placeOf(orientation: number, y: number, stored: VipsImage, strip: VipsImage): Rect {
  const isTurned = orientation >= 5;
  const isFromTheEnd = [3, 4, 6, 7].includes(orientation);
  const rows = isTurned ? strip.width : strip.height;
  const at = isFromTheEnd ? stored.height - y - rows : y;
  return {
    x: isTurned ? at : 0,
    y: isTurned ? 0 : at,
    width: strip.width,
    height: strip.height,
  };
}

function put(pixels: Uint8Array, { x, y, width, height }: Rect, into: Raster): void {
  for (let row = 0; row < height; row++) {
    into.data.set(
      pixels.subarray(row * width * 4, (row + 1) * width * 4),
      ((y + row) * into.width + x) * 4,
    );
  }
}

function asRaster(image: VipsImage): Raster {
  const out = createRaster(image.width, image.height);
  out.data.set(image.writeToMemory() as Uint8Array);
  return out;
}

/**
 * A picture as large as fits into some room, and not larger than it is: of formats that can, no more
 * is decoded than that takes. Near enough to be looked at, and not what is drawn from.
 * @throws Refusal with words that go on from "the file": what is wrong with it
 */
export const shrunk = (vips: VipsLibrary, bytes: Uint8Array, room: Size): Raster =>
  scoped((own) => {
    try {
      const { width, height } = room;
      const small = own(vips.Image.thumbnailBuffer(bytes, width, { height, size: 'down' }));
      return asRaster(toSrgb(small, own));
    } catch (error) {
      throw failure(error, damaged);
    }
  });

/**
 * Decodes a file to upright sRGB. Strip by strip from the top, where the format can, so that beside
 * the pixels themselves nothing of the size of the picture is in memory.
 * @param stripBytes that are decoded at a time
 * @throws Refusal with words that go on from "the file": what is wrong with it
 */
export function decoded(vips: VipsLibrary, bytes: Uint8Array, stripBytes = usualStrip): Raster {
  return scoped((own) => {
    try {
      const stored = own(
        vips.Image.newFromBuffer(bytes, '', { fail_on: 'truncated', access: 'sequential' }),
      );
      const orientation = orientationOf(stored);
      const image = toSrgb(stored, own);
      const { width, height } = image;
      const out = orientation >= 5 ? createRaster(height, width) : createRaster(width, height);
      const rows = Math.max(1, Math.floor(stripBytes / (width * 4 * aligned))) * aligned;
      for (let y = 0; y < height; y += rows) {
        scoped((ownStrip) => {
          const part = ownStrip(image.crop(0, y, width, Math.min(rows, height - y)));
          // Turning goes over rows and columns, decoding over rows alone.
          const strip = orientation === 1 ? part : ownStrip(ownStrip(part.copyMemory()).autorot());
          put(strip.writeToMemory() as Uint8Array, placeOf(orientation, y, image, strip), out);
        });
      }
      return out;
    } catch (error) {
      throw failure(error, damaged);
    }
  });
}
