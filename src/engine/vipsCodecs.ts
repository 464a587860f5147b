import type Vips from 'wasm-vips';
import type { ReadPhoto } from '@/core/frame/photos';
import type { Size } from '@/core/frame/placement';
import type { Codecs } from '@/core/encode/codecs';
import { avifWithAlpha } from '@/core/encode/avif';
import { formatOf } from '@/core/encode/formats/registry';
import { toPalette } from '@/core/encode/palette';
import { mostInPalette, palettePng } from '@/core/encode/palettePng';
import { isLossless } from '@/core/encode/settings';
import { withSharpChroma } from '@/core/encode/sharpChroma';
import { isOpaque, type Raster } from '@/core/raster/raster';
import type { EncodeSettings } from '@/core/site/model/picture';
import { decoded, decodeAtMipLevel, shrunk } from './vipsDecoding';
import { failure, scoped, type VipsImage, type VipsLibrary } from './vipsImages';

/** One step more takes five times as long for a tenth to a sixth less; two steps more for nothing. */
const avifEfforts = { usual: 3, most: 4 } as const;

const pngFilters = ['all', 'none'] as const;

const writers: Record<
  EncodeSettings['format'],
  (image: VipsImage, settings: EncodeSettings, keep: Vips.ForeignKeep, draft: boolean) => Uint8Array
> = {
  jpeg: (image, { quality: Q, chroma, table }, keep) =>
    image.jpegsaveBuffer({
      Q,
      keep,
      optimize_coding: true,
      interlace: true,
      trellis_quant: true,
      overshoot_deringing: true,
      optimize_scans: true,
      quant_table: table,
      subsample_mode: chroma === 'half' ? 'on' : 'off',
    }),
  // Rows told from their neighbours take less where the picture is smooth, and more where it is drawn.
  png: (image, _settings, keep, draft) =>
    (draft ? pngFilters.slice(0, 1) : pngFilters)
      .map((filter) => image.pngsaveBuffer({ compression: 9, filter, keep }))
      .reduce((a, b) => (b.length < a.length ? b : a)),
  webp: (image, { quality: Q, lossless }, keep, draft) =>
    image.webpsaveBuffer({ Q, effort: draft ? 2 : 4, smart_subsample: true, lossless, keep }),
  avif: (image, { quality: Q, lossless, chroma, effort }, keep, draft) =>
    image.heifsaveBuffer({
      Q,
      compression: 'av1',
      effort: draft ? 0 : avifEfforts[effort],
      subsample_mode: chroma === 'half' && !lossless ? 'on' : 'off',
      lossless,
      keep,
      ...(!lossless && { tune: 'ssim' }),
    }),
};

/** They fit in a palette as they are. */
function hasFewColours({ data }: Raster): boolean {
  const px = new Uint32Array(data.buffer, data.byteOffset, data.length / 4);
  const found = new Set<number>();
  for (const colour of px) {
    if (found.size === mostInPalette && !found.has(colour)) {
      return false;
    }
    found.add(colour);
  }
  return true;
}

/** No px has hue. */
function isGrey({ data }: Raster): boolean {
  for (let k = 0; k < data.length; k += 4) {
    if (data[k] !== data[k + 1] || data[k] !== data[k + 2]) {
      return false;
    }
  }
  return true;
}

/**
 * What the encoder is given: with chroma for every second px luma makes up for what gets mixed. A
 * picture that is written in many ways is worked on once.
 */
function givenFor(settings: EncodeSettings, raster: Raster): Raster {
  const traits = formatOf(settings.format).chroma;
  if (!traits || settings.chroma === 'full' || isLossless(settings)) {
    return raster;
  }
  const known = sharpened.get(raster.data) ?? new Map<number, Raster>();
  const sharp = known.get(traits.smoothed) ?? withSharpChroma(raster, traits.smoothed);
  sharpened.set(raster.data, known.set(traits.smoothed, sharp));
  return sharp;
}

/** By how far decoders smooth chroma. */
const sharpened = new WeakMap<Raster['data'], Map<number, Raster>>();

/** The codecs port, and what only lists ask for. */
export interface VipsCodecs extends Codecs {
  /** A picture halved, without all its px being there at once; see `decodedHalved`. */
  decodeToMipLevel(bytes: Uint8Array, mipLevel: (size: Size) => number): ReadPhoto;
  /** A picture as large as fits into some room, px, and not larger than it is. */
  shrink(bytes: Uint8Array, room: Size): Raster;
}

/** The codecs port over libvips; `vips` is the library once it has started. */
export function vipsCodecs(vips: VipsLibrary): VipsCodecs {
  // An AVIF is of other bytes for every number of threads, more of them the more there are; and more
  // do not write it sooner.
  vips.concurrency(1);
  // It keeps what it did of late with all its pixels, and no picture comes a second time as the same.
  vips.Cache.max(0);
  return {
    decode: async (bytes) => decoded(vips, bytes),
    decodeToMipLevel: (bytes, mipLevel) => decodeAtMipLevel(vips, bytes, mipLevel),
    shrink: (bytes, room) => shrunk(vips, bytes, room),
    encode: async (
      raster: Raster,
      settings,
      pinned,
      { draft = false, inFullColour = false } = {},
    ) =>
      scoped((own) => {
        try {
          if (settings.format === 'png' && settings.colours !== null) {
            const { colours, dithered } = settings;
            return palettePng(toPalette(raster, colours, pinned, dithered).raster);
          }
          const opaque = isOpaque(raster);
          // A JPEG lies on white, and only then it is known which colours meet.
          const given = opaque || settings.format !== 'jpeg' ? givenFor(settings, raster) : raster;
          const memory = own(
            vips.Image.newFromMemory(
              new Uint8Array(given.data.buffer),
              given.width,
              given.height,
              4,
              vips.BandFormat.uchar,
            ),
          );
          let image = own(memory.copy({ interpretation: 'srgb' }));
          const reduces = settings.format === 'png' && !inFullColour;
          if (reduces && isGrey(raster)) {
            const bands = opaque ? [0] : [0, 3];
            const [grey, ...alpha] = bands.map((n) => own(image.extractBand(n)));
            image = own(own(grey.bandjoin(alpha)).copy({ interpretation: 'b-w' }));
          } else if (opaque) {
            image = own(image.extractBand(0, { n: 3 }));
          } else if (settings.format === 'jpeg') {
            image = own(image.flatten({ background: [255, 255, 255] }));
          }
          const write = (what: VipsImage, how: EncodeSettings): Uint8Array<ArrayBuffer> => {
            const written = writers[how.format](what, how, vips.ForeignKeep.none, draft);
            const bytes = new Uint8Array(written.length);
            bytes.set(written);
            return bytes;
          };
          if (reduces && hasFewColours(raster)) {
            const [file, palette] = [write(image, settings), palettePng(raster)];
            return palette.length < file.length ? palette : file;
          }
          if (settings.format !== 'avif' || image.bands === 3) {
            return write(image, settings);
          }
          // The library writes alpha with as much loss as colour, and an edge that fades out would
          // not be see-through: alpha goes into a picture of its own, without loss.
          const alpha = own(own(image.extractBand(3)).copy({ interpretation: 'b-w' }));
          return avifWithAlpha(
            write(own(image.extractBand(0, { n: 3 })), settings),
            write(alpha, { ...settings, lossless: true }),
          );
        } catch (error) {
          throw failure(error, 'The picture could not be written in this format.');
        }
      }),
  };
}
