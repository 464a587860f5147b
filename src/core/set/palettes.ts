import { crc32 } from '../files/crc32';
import type { Rgb } from '../raster/raster';
import { gifPictures } from './moving';

/*
 * Files whose pixels are numbers of colours in a table: the table is recoloured in place, and every
 * other byte stays.
 */

type Becomes = (colour: Rgb) => Rgb;

function recolourTable(bytes: Uint8Array, from: number, to: number, becomes: Becomes): void {
  for (let k = from; k + 2 < to; k += 3) {
    const { r, g, b } = becomes({ r: bytes[k], g: bytes[k + 1], b: bytes[k + 2] });
    bytes[k] = r;
    bytes[k + 1] = g;
    bytes[k + 2] = b;
  }
}

interface Chunk {
  readonly type: string;
  readonly at: number;
  readonly length: number;
}

function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const out: Chunk[] = [];
  for (let at = 8; at + 12 <= bytes.length;) {
    const length = view.getUint32(at);
    out.push({ type: String.fromCharCode(...bytes.subarray(at + 4, at + 8)), at, length });
    at += length + 12;
  }
  return out;
}

/** Whether a PNG has a palette for its pixels (colour type 3). */
export const isPalettePng = (bytes: Uint8Array): boolean => bytes[25] === 3 && bytes[1] === 0x50;

/**
 * A palette PNG with other colours; see-through entries stay as see-through as they are.
 * @returns undefined when the palette's colours are not sRGB by themselves, so that the file has to
 * be written anew
 */
export function recolourPngPalette(
  bytes: Uint8Array,
  becomes: Becomes,
): Uint8Array<ArrayBuffer> | undefined {
  const chunks = chunksOf(bytes);
  const palette = chunks.find((c) => c.type === 'PLTE');
  if (!palette || chunks.some((c) => c.type === 'iCCP')) {
    return undefined;
  }
  const out = new Uint8Array(bytes);
  const from = palette.at + 8;
  const to = from + palette.length;
  recolourTable(out, from, to, becomes);
  new DataView(out.buffer).setUint32(to, crc32(out.subarray(palette.at + 4, to)));
  return out;
}

/** A GIF of one picture with other colours, in its global and its local table. */
export function recolourGifTables(bytes: Uint8Array, becomes: Becomes): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(bytes);
  const length = (packed: number) => (packed & 0x80 ? 3 << ((packed & 7) + 1) : 0);
  recolourTable(out, 13, 13 + length(out[10]), becomes);
  for (const at of gifPictures(out)) {
    recolourTable(out, at + 10, at + 10 + length(out[at + 9]), becomes);
  }
  return out;
}
