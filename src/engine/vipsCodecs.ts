import { encode as writePalette } from 'upng-js';
import type Vips from 'wasm-vips';
import type { Codecs } from '@/core/press/codecs';
import { avifWithAlpha } from '@/core/press/avif';
import { toPalette } from '@/core/press/palette';
import type { Raster } from '@/core/raster/raster';
import type { PressSettings } from '@/core/site/model/picture';

type Library = typeof Vips;
type Image = Vips.Image;

/**
 * libvips reports a failure as a pair of a name and lines; the last line that says something is for
 * people.
 */
function reason(error: unknown): string {
  const text = Array.isArray(error)
    ? String(error[1])
    : String((error as { message?: unknown } | null)?.message ?? error);
  const lines = text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line && !/load error|unable to write/.test(line));
  return lines.at(-1) ?? text;
}

const writers: Record<
  PressSettings['format'],
  (image: Image, settings: PressSettings, keep: Vips.ForeignKeep, draft: boolean) => Uint8Array
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
  png: (image, _settings, keep) => image.pngsaveBuffer({ compression: 9, keep }),
  webp: (image, { quality: Q, lossless }, keep, draft) =>
    image.webpsaveBuffer({ Q, effort: draft ? 2 : 4, smart_subsample: true, lossless, keep }),
  // One more step of effort takes five times as long for a tenth less.
  avif: (image, { quality: Q, lossless, chroma }, keep, draft) =>
    image.heifsaveBuffer({
      Q,
      compression: 'av1',
      effort: draft ? 0 : 3,
      subsample_mode: chroma === 'half' && !lossless ? 'on' : 'off',
      lossless,
      keep,
      ...(!lossless && { tune: 'ssim' }),
    }),
};

/**
 * Runs `work`, then frees every image it declared its own: they live in the library's memory, which
 * no collector sweeps.
 */
function scoped<R>(work: (own: (image: Image) => Image) => R): R {
  const images: Image[] = [];
  try {
    return work((image) => {
      images.push(image);
      return image;
    });
  } finally {
    for (const image of images.reverse()) {
      image.delete();
    }
  }
}

/** The codecs port over libvips; `vips` is the library once it has started. */
export function vipsCodecs(vips: Library): Codecs {
  const profile = 'icc-profile-data';

  function toSrgb(image: Image, own: (image: Image) => Image): Image {
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

  return {
    decode: async (bytes) =>
      scoped((own) => {
        try {
          const source = own(vips.Image.newFromBuffer(bytes, '', { fail_on: 'truncated' }));
          const image = toSrgb(own(source.autorot()), own);
          const pixels = image.writeToMemory();
          const data = new Uint8ClampedArray(pixels.length);
          data.set(pixels);
          return { width: image.width, height: image.height, data };
        } catch (error) {
          const why = reason(error);
          throw new Error(
            /premature|truncat|end of|not enough|corrupt|broken|read error/i.test(why)
              ? `the file breaks off or is damaged (${why})`
              : why,
          );
        }
      }),
    encode: async (raster: Raster, settings, pinned, draft = false) =>
      scoped((own) => {
        try {
          if (settings.format === 'png' && settings.colours !== null) {
            return new Uint8Array(
              writePalette(
                [toPalette(raster, settings.colours, pinned).raster.data.buffer],
                raster.width,
                raster.height,
                0,
              ),
            );
          }
          const memory = own(
            vips.Image.newFromMemory(
              new Uint8Array(raster.data.buffer),
              raster.width,
              raster.height,
              4,
              vips.BandFormat.uchar,
            ),
          );
          let image = own(memory.copy({ interpretation: 'srgb' }));
          if (own(image.extractBand(3)).min() === 255) {
            image = own(image.extractBand(0, { n: 3 }));
          } else if (settings.format === 'jpeg') {
            image = own(image.flatten({ background: [255, 255, 255] }));
          }
          const write = (what: Image, how: PressSettings): Uint8Array<ArrayBuffer> => {
            const written = writers[how.format](what, how, vips.ForeignKeep.none, draft);
            const bytes = new Uint8Array(written.length);
            bytes.set(written);
            return bytes;
          };
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
          throw new Error(reason(error));
        }
      }),
  };
}
