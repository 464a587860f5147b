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

test('what a reader must know of each picture is marked as essential, as it was in its own file', async () => {
  const flat = (channels: 1 | 3) =>
    sharp(Buffer.alloc(64 * 40 * channels, 90), { raw: { width: 64, height: 40, channels } });
  const file = avifWithAlpha(
    await flat(3).avif({ quality: 60 }).toBuffer(),
    await flat(1).toColourspace('b-w').avif({ lossless: true }).toBuffer(),
  );
  const text = Buffer.from(file).toString('latin1');
  /** The properties in their order, and of each item their numbers with the essential bit. */
  const start = text.indexOf('ipco');
  const end = start - 4 + Buffer.from(file).readUInt32BE(start - 4);
  const names: string[] = [];
  for (let at = start + 4; at < end; at += Buffer.from(file).readUInt32BE(at)) {
    names.push(text.slice(at + 4, at + 8));
  }
  let at = text.indexOf('ipma') + 12;
  const essential: string[] = [];
  for (let item = 0; item < 2; item++) {
    const count = file[at + 2];
    for (let i = 0; i < count; i++) {
      const word = file[at + 3 + i];
      if (word & 0x80) {
        essential.push(`${item} ${names[(word & 0x7f) - 1]}`);
      }
    }
    at += 3 + count;
  }
  // ISO/IEC 23008-12: what configures the decoder, and what an auxiliary picture is for. Which are
  // essential is from memory of MIAF (ISO/IEC 23000-22).
  expect(essential).toEqual(expect.arrayContaining(['0 av1C', '1 av1C', '1 auxC']));
  expect(essential).not.toContain('0 ispe');
});
