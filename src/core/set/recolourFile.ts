import { strFromU8, strToU8 } from 'fflate';
import type { Codecs } from '../encode/codecs';
import { toPalette } from '../encode/palette';
import { palettePng } from '../encode/palettePng';
import { encodeSettings } from '../encode/settings';
import type { Raster } from '../raster/raster';
import type { LaidRecipe } from '../recolour/recipe';
import { sides } from '../seam/edges';
import { endRow, type EndRow } from '../seam/strip';
import type { EncodeSettings } from '../site/model/picture';
import type { Side } from '../site/model/slot';
import { jpegFacts } from './jpegFacts';
import { writeGif } from './gif';
import { isPalettePng, recolourGifTables, recolourPngPalette } from './palettes';
import { recolourSvg } from './svg';

export type Ends = Readonly<Record<Side, EndRow>>;

/** A file of a set with its recipe laid on it. */
export interface Recoloured {
  readonly bytes: Uint8Array<ArrayBuffer>;
  /**
   * What the written file, decoded again, has along its sides, and the old one had; where they were
   * asked for.
   */
  readonly ends: { readonly before: Ends; readonly after: Ends } | undefined;
  /** What the owner should know of it; empty where there is nothing. */
  readonly note: string;
}

const endsOf = (raster: Raster): Ends =>
  Object.fromEntries(sides.map((side) => [side, endRow(raster, side)])) as unknown as Ends;

const isLosslessWebp = (bytes: Uint8Array): boolean => {
  for (let at = 12; at + 8 <= bytes.length;) {
    const type = strFromU8(bytes.subarray(at, at + 4), true);
    if (type === 'VP8L') {
      return true;
    }
    if (type === 'VP8 ') {
      return false;
    }
    at += 8 + ((new DataView(bytes.buffer, bytes.byteOffset).getUint32(at + 4, true) + 1) & ~1);
  }
  return false;
};

/**
 * A JPEG is written no better than it was, and no worse than this: what it lost already is not to
 * be lost twice.
 */
const leastQuality = 60;

/** How a file is written again in its own format: as it was written, as far as it tells. */
export function settingsLike(format: string, bytes: Uint8Array): EncodeSettings {
  if (format === 'jpeg') {
    const facts = jpegFacts(bytes);
    return {
      ...encodeSettings('jpeg', Math.max(leastQuality, Math.min(97, facts?.quality ?? 85))),
      chroma: (facts?.half ?? true) ? 'half' : 'full',
      table: 0,
    };
  }
  if (format === 'webp') {
    return { ...encodeSettings('webp', 85), lossless: isLosslessWebp(bytes) };
  }
  return encodeSettings(format === 'avif' ? 'avif' : 'png', 75);
}

function noteOf(format: string, bytes: Uint8Array): string {
  if (format === 'png' && bytes[24] === 16) {
    return 'Had 16 bits a channel and has 8 now.';
  }
  if (format === 'jpeg') {
    for (
      let at = 2;
      at + 9 < bytes.length && bytes[at] === 0xff;
      at += 2 + ((bytes[at + 2] << 8) | bytes[at + 3])
    ) {
      if (bytes[at + 1] >= 0xc0 && bytes[at + 1] <= 0xc2) {
        return bytes[at + 9] === 4 ? 'Was in CMYK and is in RGB now.' : '';
      }
    }
  }
  return '';
}

/** The colours a palette file has; textures make more, and a palette of as many is found anew. */
function withPalette(
  raster: Raster,
  laid: LaidRecipe,
  write: (raster: Raster) => Uint8Array<ArrayBuffer>,
): Uint8Array<ArrayBuffer> {
  laid.on(raster);
  return write(toPalette(raster, 256, []).raster);
}

async function written(
  format: string,
  bytes: Uint8Array,
  laid: LaidRecipe,
  codecs: Codecs,
  pixels: () => Promise<Raster>,
): Promise<Uint8Array<ArrayBuffer>> {
  if (format === 'svg') {
    return strToU8(recolourSvg(strFromU8(bytes), laid.colour)) as Uint8Array<ArrayBuffer>;
  }
  if (format === 'gif') {
    return laid.textured
      ? withPalette(await pixels(), laid, writeGif)
      : recolourGifTables(bytes, laid.colourIn(await pixels()));
  }
  if (format === 'png' && isPalettePng(bytes)) {
    const same = laid.textured
      ? undefined
      : recolourPngPalette(bytes, laid.colourIn(await pixels()));
    return same ?? withPalette(await pixels(), laid, palettePng);
  }
  const raster = await pixels();
  laid.on(raster);
  // What had no palette has none.
  return codecs.encode(raster, settingsLike(format, bytes), [], { inFullColour: true });
}

/**
 * Lays a recipe on a picture file and writes it in its own format, at its own size. Palette files
 * keep their palette, and where nothing but colours changes, every byte beside it.
 * @param wantsEnds whether its sides are to be read off
 * @param decoded its px, where they are known already; they may be changed
 * @throws Error when the file breaks off or cannot be written
 */
export async function recolourFile(
  format: string,
  bytes: Uint8Array<ArrayBuffer>,
  laid: LaidRecipe,
  codecs: Codecs,
  wantsEnds: boolean,
  decoded?: Raster,
): Promise<Recoloured> {
  let raster = decoded;
  const pixels = async () => (raster ??= await codecs.decode(bytes));
  const before = wantsEnds ? endsOf(await pixels()) : undefined;
  const out = laid.idle ? bytes : await written(format, bytes, laid, codecs, pixels);
  return {
    bytes: out,
    ends: before && { before, after: laid.idle ? before : endsOf(await codecs.decode(out)) },
    note: noteOf(format, bytes),
  };
}
