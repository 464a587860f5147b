import { zlibSync } from 'fflate';
import { crc32 } from '../files/crc32';
import { joinedBytes } from '../files/joinedBytes';
import type { Raster } from '../raster/raster';
import { colourTable } from './colourTable';

/** Colours that a palette has room for. */
export const mostInPalette = 256;

const signature = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const indexed = 3;

function chunk(type: string, data: Uint8Array): Uint8Array {
  const out = new Uint8Array(12 + data.length);
  const view = new DataView(out.buffer);
  view.setUint32(0, data.length);
  out.set(
    [...type].map((letter) => letter.charCodeAt(0)),
    4,
  );
  out.set(data, 8);
  view.setUint32(8 + data.length, crc32(out.subarray(4, 8 + data.length)));
  return out;
}

/** Bits of a px, as few as so many colours need. */
function depthFor(colours: number): 1 | 2 | 4 | 8 {
  if (colours <= 2) {
    return 1;
  }
  if (colours <= 4) {
    return 2;
  }
  return colours <= 16 ? 4 : 8;
}

/** Rows of numbers of colours, each after the byte that says that it is told by itself. */
function rowsOf(numbers: Uint32Array, width: number, height: number, depth: number): Uint8Array {
  const length = 1 + Math.ceil((width * depth) / 8);
  const rows = new Uint8Array(length * height);
  const inByte = 8 / depth;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const shift = 8 - depth * ((x % inByte) + 1);
      rows[y * length + 1 + Math.floor(x / inByte)] |= numbers[i] << shift;
    }
  }
  return rows;
}

/**
 * A PNG with a palette, every px as it is, in as few bits as its colours need (PNG, third edition,
 * sections 11.2.1 to 11.2.3 and 11.3.1.1).
 * @param raster of `mostInPalette` colours at most; alpha tells colours apart too
 * @throws RangeError where it has more
 */
export function palettePng({ data, width, height }: Raster): Uint8Array<ArrayBuffer> {
  const { colours, of } = colourTable(
    new Uint32Array(data.buffer, data.byteOffset, data.length / 4),
  );
  if (colours.length > mostInPalette) {
    throw new RangeError(`Expected ${mostInPalette} colours at most, found ${colours.length}.`);
  }
  const levels = new Uint8Array(colours.slice().buffer);
  const alphaOf = (n: number): number => levels[n * 4 + 3];
  // Alpha is told of the first ones alone.
  const order = Array.from(colours, (_, n) => n).sort(
    (a, b) => Number(alphaOf(a) === 255) - Number(alphaOf(b) === 255) || a - b,
  );
  const place = new Uint32Array(order.length);
  order.forEach((n, at) => {
    place[n] = at;
  });
  const seeThrough = order.filter((n) => alphaOf(n) < 255);
  const depth = depthFor(colours.length);
  const header = new Uint8Array(13);
  const view = new DataView(header.buffer);
  view.setUint32(0, width);
  view.setUint32(4, height);
  header[8] = depth;
  header[9] = indexed;
  const rows = rowsOf(
    of.map((n) => place[n]),
    width,
    height,
    depth,
  );
  return joinedBytes([
    Uint8Array.from(signature),
    chunk('IHDR', header),
    chunk('PLTE', Uint8Array.from(order.flatMap((n) => [...levels.subarray(n * 4, n * 4 + 3)]))),
    ...(seeThrough.length > 0 ? [chunk('tRNS', Uint8Array.from(seeThrough, alphaOf))] : []),
    chunk('IDAT', zlibSync(rows, { level: 9, mem: 12 })),
    chunk('IEND', new Uint8Array()),
  ]);
}
