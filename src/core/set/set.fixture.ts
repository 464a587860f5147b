import sharp from 'sharp';

export type Pixel = (x: number, y: number) => readonly [number, number, number, number];

/** A picture drawn px by px, to be written by a library that is not ours. */
export function drawn(width: number, height: number, pixel: Pixel) {
  const data = Buffer.alloc(width * height * 4);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      data.set(pixel(x, y), (y * width + x) * 4);
    }
  }
  return sharp(data, { raw: { width, height, channels: 4 } });
}

export const bytesOf = (buffer: Buffer): Uint8Array<ArrayBuffer> => {
  const out = new Uint8Array(buffer.length);
  out.set(buffer);
  return out;
};

/** Slate with a little shade, see-through at the left. */
export const slatePixel: Pixel = (x, y) => [
  63 - (y % 9),
  81 - (y % 9),
  97 - (x % 5),
  [0, 0, 0, 90][x] ?? 255,
];
