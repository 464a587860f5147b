import { mipLevelOf, halveRows } from '@/core/frame/mipLevels';
import type { ReadPhoto } from '@/core/frame/photos';
import type { Size } from '@/core/frame/placement';
import { createRaster, wholeRaster, type Raster, type Rect, type Rows } from '@/core/raster/raster';
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

/** It lies on its side as it is stored. */
const isOnItsSide = (orientation: number): boolean => orientation >= 5;

/** What is stored last comes first once it is upright, of rows or of columns. */
const endsFirst = {
  rows: (orientation: number) => [3, 4, 6, 7].includes(orientation),
  columns: (orientation: number) => [2, 3, 7, 8].includes(orientation),
};

/** A picture as it is stored: it can be read once, from the top. */
interface Stored {
  readonly image: VipsImage;
  readonly orientation: number;
}

function stored(vips: VipsLibrary, bytes: Uint8Array, own: Own): Stored {
  const image = own(
    vips.Image.newFromBuffer(bytes, '', { fail_on: 'truncated', access: 'sequential' }),
  );
  return { image: toSrgb(image, own), orientation: orientationOf(image) };
}

/** Of the whole picture once it is upright, px. */
const uprightSize = ({ image: { width, height }, orientation }: Stored): Size =>
  isOnItsSide(orientation) ? { width: height, height: width } : { width, height };

/** Where rows of the upright picture are stored, px. */
function storedPart({ image, orientation }: Stored, y: number, rows: number): Rect {
  const { width, height } = image;
  return isOnItsSide(orientation)
    ? { x: endsFirst.columns(orientation) ? width - y - rows : y, y: 0, width: rows, height }
    : { x: 0, y: endsFirst.rows(orientation) ? height - y - rows : y, width, height: rows };
}

/**
 * Where rows that were decoded lie once they are upright, px, within the part they are of; `y`
 * counts in that part as it is stored.
 */
function placeOf(orientation: number, y: number, part: Rect, strip: VipsImage): Rect {
  const rows = isOnItsSide(orientation) ? strip.width : strip.height;
  const at = endsFirst.rows(orientation) ? part.height - y - rows : y;
  return {
    x: isOnItsSide(orientation) ? at : 0,
    y: isOnItsSide(orientation) ? 0 : at,
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
 * Decodes part of a stored picture, upright, strip by strip so that beside its pixels nothing of
 * that size is in memory.
 * @param out of the part's size once it is upright
 */
function decodePart(
  { image, orientation }: Stored,
  part: Rect,
  stripBytes: number,
  out: Raster,
): void {
  const { x, width, height } = part;
  const rows = Math.max(1, Math.floor(stripBytes / (image.width * 4 * aligned))) * aligned;
  for (let y = 0; y < height; y += rows) {
    scoped((own) => {
      const taken = own(image.crop(x, part.y + y, width, Math.min(rows, height - y)));
      // Turning goes over rows and columns, decoding over rows alone.
      const strip = orientation === 1 ? taken : own(own(taken.copyMemory()).autorot());
      put(strip.writeToMemory() as Uint8Array, placeOf(orientation, y, part, strip), out);
    });
  }
}

function wholePicture(picture: Stored, stripBytes: number): Raster {
  const { width, height } = uprightSize(picture);
  const out = createRaster(width, height);
  decodePart(picture, wholeRaster(picture.image), stripBytes, out);
  return out;
}

/**
 * A picture whose rows are not stored in their order is decoded at once up to so much, and a larger
 * one in bands, each of which takes as long as decoding all of it, bytes.
 */
const mostAtOnce = 250e6;
const usualBand = 110e6;

/** How much is decoded at a time, bytes. */
export interface DecodedAtOnce {
  readonly strip?: number;
  readonly band?: number;
}

/**
 * Rows of a file's upright picture, decoded as they are asked for. Where they are not stored in
 * their order, the file is decoded once for each band of them.
 */
function rowsOfFile(
  vips: VipsLibrary,
  bytes: Uint8Array,
  first: Stored,
  { strip = usualStrip, band }: DecodedAtOnce,
): Rows {
  const { width, height } = uprightSize(first);
  const whole = width * height * 4;
  const usual = whole <= mostAtOnce ? whole : usualBand;
  const inOrder = !isOnItsSide(first.orientation) && !endsFirst.rows(first.orientation);
  const bytesAtOnce = inOrder ? strip : (band ?? usual);
  const rows = Math.max(1, Math.ceil(bytesAtOnce / (width * 4 * aligned))) * aligned;
  // One room for all bands: what is let go of would stay for a while.
  const { data } = createRaster(width, Math.min(rows, height));
  let next = 0;
  let from = 0;
  const readNext = () => {
    from = next;
    next = Math.min(from + rows, height);
    const band = { width, height: next - from, data: data.subarray(0, (next - from) * width * 4) };
    const part = (of: Stored) => decodePart(of, storedPart(of, from, band.height), strip, band);
    if (inOrder || from === 0) {
      part(first);
    } else {
      scoped((own) => part(stored(vips, bytes, own)));
    }
  };
  return {
    width,
    height,
    row(y) {
      while (y >= next) {
        readNext();
      }
      return data.subarray((y - from) * width * 4, (y - from + 1) * width * 4);
    },
  };
}

/**
 * Decodes a file to upright sRGB. Strip by strip from the top, where the format can.
 * @throws Refusal with words that go on from "the file": what is wrong with it
 */
export const decoded = (vips: VipsLibrary, bytes: Uint8Array, stripBytes = usualStrip): Raster =>
  scoped((own) => {
    try {
      return wholePicture(stored(vips, bytes, own), stripBytes);
    } catch (error) {
      throw failure(error, damaged);
    }
  });

/**
 * Decodes a file and halves it, the same to the level as `halved` of all its pixels. Those are not
 * there at once.
 * @param mipLevel how often, by the size of the whole picture, px
 * @throws Refusal with words that go on from "the file": what is wrong with it
 */
export const decodeAtMipLevel = (
  vips: VipsLibrary,
  bytes: Uint8Array,
  mipLevel: (size: Size) => number,
  atOnce: DecodedAtOnce = {},
): ReadPhoto =>
  scoped((own) => {
    try {
      const picture = stored(vips, bytes, own);
      const size = uprightSize(picture);
      const times = mipLevel(size);
      const raster =
        times === 0
          ? wholePicture(picture, atOnce.strip ?? usualStrip)
          : mipLevelOf(halveRows(rowsOfFile(vips, bytes, picture, atOnce)), times - 1);
      return { photo: { raster, mipLevel: times }, size };
    } catch (error) {
      throw failure(error, damaged);
    }
  });
