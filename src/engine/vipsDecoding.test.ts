/** Decoding by strips with the build of libvips that the browser uses, against sharp. */
import sharp from 'sharp';
import Vips from 'wasm-vips';
import { mipLevelOf } from '@/core/frame/mipLevels';
import type { Raster } from '@/core/raster/raster';
import { decoded, decodeAtMipLevel, shrunk } from './vipsDecoding';

let vips: typeof Vips;
beforeAll(async () => {
  vips = await (Vips as unknown as (options: object) => Promise<typeof Vips>)({
    dynamicLibraries: ['vips-heif.wasm'],
    printErr: () => {},
  });
});
afterAll(() => vips.shutdown());

const width = 61;
const height = 407;

/** No px is as its neighbours, so that none can lie in another's place. */
const motley = (channels: 3 | 4, size = { width, height }) =>
  sharp(
    Buffer.from(
      Uint8Array.from(
        { length: size.width * size.height * channels },
        (_, i) => (i * 7919 + (i >> 3)) % 251,
      ),
    ),
    { raw: { ...size, channels } },
  );

/** What sharp makes of it, upright. */
const theirs = async (file: Buffer) => {
  const { data, info } = await sharp(file)
    .autoOrient()
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
};

const expectSame = (a: Raster, b: Raster) => {
  expect([a.width, a.height]).toEqual([b.width, b.height]);
  expect(Buffer.from(a.data.buffer).equals(Buffer.from(b.data.buffer))).toBe(true);
};

/** 128 rows, 256, and all of them. */
const strips = [1, width * 4 * 256, 1e9];

test.each([1, 2, 3, 4, 5, 6, 7, 8])(
  'EXIF orientation %i comes out upright to the level, in strips of any height',
  async (orientation) => {
    const file = await motley(4).withMetadata({ orientation }).png().toBuffer();
    for (const bytes of strips) {
      expectSame(decoded(vips, file, bytes), await theirs(file));
    }
  },
);

test.each([
  ['progressive PNG', () => motley(4).png({ progressive: true })],
  ['GIF', () => motley(3).gif()],
  ['WebP', () => motley(4).webp({ lossless: true })],
  ['AVIF', () => motley(3).avif({ lossless: true })],
  ['16 bit', () => motley(3).toColourspace('rgb16').png()],
] as const)('%s comes out alike in strips of any height', async (_name, written) => {
  const file = await written().toBuffer();
  const whole = decoded(vips, file, 1e9);
  expect([whole.width, whole.height]).toEqual([width, height]);
  for (const bytes of strips) {
    expectSame(decoded(vips, file, bytes), whole);
  }
});

test.each([
  ['JPEG', false],
  ['progressive JPEG', true],
] as const)('a turned %s with another profile comes out alike', async (_name, progressive) => {
  const file = await motley(3)
    .withIccProfile('p3')
    .withMetadata({ orientation: 6 })
    .jpeg({ progressive, quality: 92 })
    .toBuffer();
  const whole = decoded(vips, file, 1e9);
  expect([whole.width, whole.height]).toEqual([height, width]);
  expectSame(decoded(vips, file, strips[0]), whole);
});

/** Strips of 128 rows and bands of 128, so that the file is decoded several times where it is turned. */
const little = { strip: 1, band: 1 };

test.each([1, 2, 3, 4, 5, 6, 7, 8])(
  'EXIF orientation %i is halved while it is decoded as it is halved whole',
  async (orientation) => {
    // Long along the side that its upright rows follow each other on.
    const size = orientation >= 5 ? { width: height, height: width } : undefined;
    for (const picture of [
      motley(4, size).withMetadata({ orientation }).png(),
      motley(3, size).withMetadata({ orientation }).jpeg({ quality: 92 }),
    ]) {
      const file = await picture.toBuffer();
      const whole = decoded(vips, file);
      for (const times of [0, 1, 2]) {
        for (const atOnce of [little, {}]) {
          const found = decodeAtMipLevel(vips, file, () => times, atOnce);
          expect([found.size, found.photo.mipLevel]).toEqual([
            { width: whole.width, height: whole.height },
            times,
          ]);
          expectSame(found.photo.raster, mipLevelOf(whole, times));
        }
      }
    }
  },
);

test('one that breaks off in its last strip is refused as a whole', async () => {
  const file = await motley(3).jpeg({ quality: 95 }).toBuffer();
  expect(() => decoded(vips, file.subarray(0, file.length - 60), strips[0])).toThrow(
    /breaks off or is damaged/,
  );
  for (const orientation of [1, 6]) {
    const turned = await motley(3, { width: height, height })
      .withMetadata({ orientation })
      .jpeg({ quality: 95 })
      .toBuffer();
    expect(() =>
      decodeAtMipLevel(vips, turned.subarray(0, turned.length - 60), () => 1, little),
    ).toThrow(/breaks off or is damaged/);
  }
});

/** Slopes of each channel, as photographs have. */
const sloping = (channels: 3 | 4) => {
  const data = Buffer.alloc(width * height * channels);
  for (let i = 0; i < data.length; i++) {
    const [px, channel] = [Math.floor(i / channels), i % channels];
    const [x, y] = [px % width, Math.floor(px / width)];
    data[i] = [60 + 2 * x, 230 - y / 2, 40 + y / 3, 90 + x + y / 4][channel];
  }
  return sharp(data, { raw: { width, height, channels } });
};

test.each([
  ['a turned JPEG', 6, () => sloping(3).withMetadata({ orientation: 6 }).jpeg({ quality: 95 })],
  ['see-through PNG', 1, () => sloping(4).png()],
  ['Display P3', 1, () => sloping(3).withIccProfile('p3').png()],
] as const)('%s is shrunk to its room, near to what sharp makes of it', async (_name, turn, of) => {
  const file = await of().toBuffer();
  const room = { width: 90, height: 90 };
  const found = shrunk(vips, file, room);
  expect([found.width, found.height]).toEqual(turn === 6 ? [90, 13] : [13, 90]);
  const { data } = await sharp(file)
    .autoOrient()
    .resize(90, 90, { fit: 'inside' })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const off = found.data.reduce((sum, v, i) => sum + Math.abs(v - data[i]), 0) / data.length;
  expect(off).toBeLessThan(2);
});

test('a picture that fits is not made larger, and what is none is refused', async () => {
  const small = shrunk(vips, await motley(3).png().toBuffer(), { width: 2048, height: 2048 });
  expect([small.width, small.height]).toEqual([width, height]);
  expect(() => shrunk(vips, new Uint8Array([1, 2, 3]), { width: 9, height: 9 })).toThrow(/\w/);
});
