import * as gifenc from 'gifenc';
import type { Raster } from '../raster/raster';

/**
 * A GIF of one picture. Px are see-through or not: those of less than half cover are.
 * @param raster of at most 256 colours, see-through ones counting as one
 * @throws RangeError when it has more
 */
export function writeGif({ data, width, height }: Raster): Uint8Array<ArrayBuffer> {
  const numbers = new Map<number, number>();
  const palette: [number, number, number][] = [];
  const index = new Uint8Array(width * height);
  let clear: number | undefined;
  for (let i = 0, k = 0; i < index.length; i++, k += 4) {
    const key = data[k + 3] < 128 ? -1 : (data[k] << 16) | (data[k + 1] << 8) | data[k + 2];
    let n = numbers.get(key);
    if (n === undefined) {
      n = palette.length;
      numbers.set(key, n);
      palette.push(key < 0 ? [0, 0, 0] : [data[k], data[k + 1], data[k + 2]]);
      if (key < 0) {
        clear = n;
      }
    }
    index[i] = n;
  }
  if (palette.length > 256) {
    throw new RangeError(`Expected at most 256 colours in a GIF, found ${palette.length}.`);
  }
  const encoder = gifenc.GIFEncoder();
  encoder.writeFrame(index, width, height, {
    palette,
    ...(clear !== undefined && { transparent: true, transparentIndex: clear }),
  });
  encoder.finish();
  return new Uint8Array(encoder.bytes());
}
