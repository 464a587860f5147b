import sharp from 'sharp';
import { avifWithAlpha } from './avif';

const width = 64;
const height = 40;
const alphaAt = (x: number, y: number): number =>
  x === 0 || y === 0 ? 0 : (x * 37 + y * 11) % 256;

test('colour and an alpha of its own in one file: sharp reads both, the alpha to the level', async () => {
  const rgb = Buffer.alloc(width * height * 3);
  const a = Buffer.alloc(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      rgb.set([200, 80 + x, 40 + y], (y * width + x) * 3);
      a[y * width + x] = alphaAt(x, y);
    }
  }
  const colour = await sharp(rgb, { raw: { width, height, channels: 3 } })
    .avif({ quality: 60, chromaSubsampling: '4:4:4' })
    .toBuffer();
  const alpha = await sharp(a, { raw: { width, height, channels: 1 } })
    .toColourspace('b-w')
    .avif({ lossless: true })
    .toBuffer();
  const { data, info } = await sharp(avifWithAlpha(colour, alpha))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect(info).toMatchObject({ width, height, channels: 4 });
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      expect(data[(y * width + x) * 4 + 3]).toBe(alphaAt(x, y));
    }
  }
  expect(Math.abs(data[(20 * width + 30) * 4] - 200)).toBeLessThan(12);
});

test('what is no AVIF file is refused', () => {
  expect(() => avifWithAlpha(new Uint8Array(40), new Uint8Array(40))).toThrow(
    'Expected an AVIF file',
  );
  expect(() => avifWithAlpha(new Uint8Array(0), new Uint8Array(0))).toThrow('a box meta');
});
