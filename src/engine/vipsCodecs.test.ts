/**
 * Decoding and encoding with the build of libvips that the browser uses, against sharp, jpeg-js and
 * pngjs.
 */
import jpeg from 'jpeg-js';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import Vips from 'wasm-vips';
import type { Codecs } from '@/core/encode/codecs';
import { toLinear } from '@/core/colour/transfer';
import { encodeSettings } from '@/core/encode/settings';
import { createRaster, type Raster } from '@/core/raster/raster';
import { vipsCodecs } from './vipsCodecs';

let vips: typeof Vips;
let codecs: Codecs;
beforeAll(async () => {
  vips = await (Vips as unknown as (options: object) => Promise<typeof Vips>)({
    dynamicLibraries: ['vips-heif.wasm', 'vips-resvg.wasm'],
    printErr: () => {},
  });
  codecs = vipsCodecs(vips);
});
afterAll(() => vips.shutdown());

/** Left half red-brown, right half slate, so that turning and mirroring show. */
function halves(width = 64, height = 40): Buffer {
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < width * height; i++) {
    data.set(i % width < width / 2 ? [200, 80, 40] : [40, 90, 110], i * 3);
  }
  return data;
}
const photo = () => sharp(halves(), { raw: { width: 64, height: 40, channels: 3 } });
const at = (r: Raster, x: number, y: number) => [
  ...r.data.subarray((y * r.width + x) * 4, (y * r.width + x) * 4 + 4),
];
const near = (found: number[], wanted: number[], by: number) =>
  found.forEach((v, i) => expect(Math.abs(v - wanted[i])).toBeLessThanOrEqual(by));

// Exif 2.32, tag Orientation: 6 is stored turned a quarter left, 8 a quarter right, 3 upside down,
// 2 mirrored.
test.each([
  [1, 64, 40, [2, 2]],
  [2, 64, 40, [61, 2]],
  [3, 64, 40, [61, 37]],
  [6, 40, 64, [37, 2]],
  [8, 40, 64, [2, 61]],
] as const)('EXIF orientation %i comes out upright', async (orientation, w, h, [x, y]) => {
  const raster = await codecs.decode(
    await photo().withMetadata({ orientation }).jpeg({ quality: 95 }).toBuffer(),
  );
  expect([raster.width, raster.height]).toEqual([w, h]);
  near(at(raster, x, y), [200, 80, 40, 255], 4);
});

test('a Display P3 picture is converted to sRGB', async () => {
  near(
    at(await codecs.decode(await photo().withIccProfile('p3').png().toBuffer()), 2, 2),
    [200, 80, 40, 255],
    2,
  );
});

test('the numbers of a wide profile are not taken for sRGB', async () => {
  // Without conversion the raw P3 numbers would come out; they differ from the sRGB colour by more
  // than 10 levels in red.
  const file = await photo().withIccProfile('p3').png().toBuffer();
  const raw = PNG.sync.read(file).data;
  expect(Math.abs(raw[0] - 200)).toBeGreaterThan(10);
});

test('CMYK without a profile, and with one, comes out in sRGB', async () => {
  near(
    at(
      await codecs.decode(await photo().toColourspace('cmyk').jpeg({ quality: 95 }).toBuffer()),
      2,
      2,
    ),
    [200, 80, 40, 255],
    14,
  );
  near(
    at(
      await codecs.decode(
        await photo().toColourspace('cmyk').withIccProfile('cmyk').jpeg({ quality: 95 }).toBuffer(),
      ),
      2,
      2,
    ),
    [200, 80, 40, 255],
    14,
  );
});

test('16 bits, grey, alpha, GIF, AVIF and SVG', async () => {
  near(
    at(await codecs.decode(await photo().toColourspace('rgb16').png().toBuffer()), 2, 2),
    [200, 80, 40, 255],
    1,
  );
  const grey = at(await codecs.decode(await photo().greyscale().png().toBuffer()), 2, 2);
  expect(grey[0]).toBe(grey[1]);
  expect(grey[3]).toBe(255);
  near(
    at(
      await codecs.decode(await photo().ensureAlpha(0.5).webp({ lossless: true }).toBuffer()),
      2,
      2,
    ),
    [200, 80, 40, 127],
    1,
  );
  near(at(await codecs.decode(await photo().gif().toBuffer()), 2, 2), [200, 80, 40, 255], 6);
  near(
    at(await codecs.decode(await photo().avif({ quality: 90 }).toBuffer()), 2, 2),
    [200, 80, 40, 255],
    6,
  );
  const svg = await codecs.decode(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="30" height="12"><rect width="15" height="12" fill="#c85028"/></svg>',
    ),
  );
  expect([svg.width, svg.height, ...at(svg, 3, 3), at(svg, 25, 3)[3]]).toEqual([
    30, 12, 200, 80, 40, 255, 0,
  ]);
});

test('a JPEG that breaks off is refused, not drawn half', async () => {
  const noisy = await sharp({
    create: {
      width: 600,
      height: 400,
      channels: 3,
      background: '#123456',
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .jpeg()
    .toBuffer();
  await expect(codecs.decode(noisy.subarray(0, noisy.length >> 1))).rejects.toThrow(
    'the file breaks off or is damaged',
  );
});

/** A soft slope with see-through corners. */
function slope(width: number, height: number, alpha: boolean): Raster {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      raster.data.set(
        [(x * 255) / width, (y * 255) / height, 128, alpha && x + y < 30 ? 0 : 255],
        (y * width + x) * 4,
      );
    }
  }
  return raster;
}

test('JPEG: jpeg-js reads it at its size and near its colours, and there is no metadata in it', async () => {
  const bytes = await codecs.encode(slope(120, 50, false), encodeSettings('jpeg', 90), []);
  const read = jpeg.decode(bytes);
  expect([read.width, read.height]).toEqual([120, 50]);
  near([...read.data.subarray((25 * 120 + 60) * 4, (25 * 120 + 60) * 4 + 3)], [127, 127, 128], 6);
  expect(Buffer.from(bytes).includes('Exif')).toBe(false);
});

/** Letters in red on blue, so to speak: bars of both, of odd widths. */
function bars(width = 95, height = 47): Raster {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    const [x, y] = [i % width, Math.floor(i / width)];
    raster.data.set((x + (y >> 3)) % 7 < 3 ? [196, 40, 48, 255] : [36, 64, 150, 255], i * 4);
  }
  return raster;
}

// Luminance of linear sRGB: IEC 61966-2-1. Decoded by libjpeg and libheif as sharp has them.
// An AVIF is written for decoders that smooth chroma and for those that do not, as this one.
test.each([
  ['jpeg', 0.25],
  ['avif', 0.8],
] as const)(
  '%s with chroma for every second px: edges of two colours keep their light',
  async (format, share) => {
    const drawn = bars();
    const light = (data: ArrayLike<number>, k: number, bands: number): number =>
      [0.2126, 0.7152, 0.0722].reduce(
        (sum, weight, c) => sum + weight * toLinear(data[k * bands + c] / 255),
        0,
      );
    const off = async (file: Uint8Array): Promise<number> => {
      const { data, info } = await sharp(file)
        .removeAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true });
      let sum = 0;
      for (let i = 0; i < info.width * info.height; i++) {
        sum += Math.abs(light(data, i, 3) - light(drawn.data, i, 4));
      }
      return sum / (info.width * info.height);
    };
    const ours = await codecs.encode(drawn, { ...encodeSettings(format, 85), chroma: 'half' }, []);
    const plain = sharp(drawn.data, {
      raw: { width: drawn.width, height: drawn.height, channels: 4 },
    });
    const theirs =
      format === 'jpeg'
        ? plain.jpeg({ quality: 85, mozjpeg: true, chromaSubsampling: '4:2:0' })
        : plain.removeAlpha().avif({ quality: 85, effort: 3, chromaSubsampling: '4:2:0' });
    expect(await off(ours)).toBeLessThan(share * (await off(await theirs.toBuffer())));
  },
);

test('JPEG of a see-through picture lies on white', async () => {
  const read = jpeg.decode(
    await codecs.encode(slope(120, 50, true), encodeSettings('jpeg', 95), []),
  );
  near([...read.data.subarray(0, 3)], [255, 255, 255], 3);
});

test('PNG: pngjs reads every pixel as it was', async () => {
  const raster = slope(90, 40, true);
  const read = PNG.sync.read(
    Buffer.from(await codecs.encode(raster, encodeSettings('png', 1), [])),
  );
  expect([read.width, read.height]).toEqual([90, 40]);
  expect(Buffer.from(read.data).equals(Buffer.from(raster.data))).toBe(true);
});

/** A photograph that changes smoothly, one that is all grey, flat drawings with and without alpha. */
const drawings: readonly (readonly [string, (x: number, y: number) => readonly number[]])[] = [
  ['smooth', (x, y) => [x * 2, 255 - y * 3, (x * y) / 20, 255]],
  ['grey', (x, y) => [x + y, x + y, x + y, 255]],
  ['grey, see-through', (x, y) => [x * 2, x * 2, x * 2, y * 5]],
  ['flat', (x, y) => (x > 40 && y > 20 ? [59, 74, 69, 255] : [238, 228, 210, 255])],
  ['flat, see-through', (x, y) => (x > y ? [59, 74, 69, 255] : [59, 74, 69, 40 * (x % 4)])],
];

test.each(drawings)(
  'PNG, %s: every level as it was, in no more bytes than sharp’s tightest',
  async (_name, colour) => {
    const raster = createRaster(90, 50);
    for (let i = 0; i < 90 * 50; i++) {
      raster.data.set(colour(i % 90, Math.floor(i / 90)), i * 4);
    }
    const file = await codecs.encode(raster, encodeSettings('png'), []);
    expect(PNG.sync.read(Buffer.from(file)).data.equals(Buffer.from(raster.data))).toBe(true);
    const usual = await sharp(raster.data, { raw: { width: 90, height: 50, channels: 4 } })
      .png({ compressionLevel: 9, adaptiveFiltering: true })
      .toBuffer();
    expect(file.length).toBeLessThanOrEqual(usual.length);
  },
);

test('WebP: sharp reads it at its size, alpha kept, and a lower quality is lighter', async () => {
  const raster = slope(200, 80, true);
  const bytes = await codecs.encode(raster, encodeSettings('webp', 80), []);
  const { data, info } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
  expect([info.width, info.height, info.channels]).toEqual([200, 80, 4]);
  expect([data[3], data[data.length - 1]]).toEqual([0, 255]);
  expect((await codecs.encode(raster, encodeSettings('webp', 20), [])).length).toBeLessThan(
    bytes.length,
  );
});

test.each([
  [1, 1],
  [1, 5],
  [5, 1],
  [1, 20],
  [2, 3],
  [17, 9],
])('a picture of %i×%i px is written whole in every way, and read by sharp too', async (w, h) => {
  for (const alpha of [false, true]) {
    const raster = createRaster(w, h);
    for (let i = 0; i < w * h; i++) {
      raster.data.set(
        [(i * 53) % 256, (i * 97) % 256, (i * 29) % 256, alpha ? i * 11 : 255],
        i * 4,
      );
    }
    for (const settings of [
      encodeSettings('jpeg', 80),
      { ...encodeSettings('jpeg', 80), chroma: 'full' } as const,
      encodeSettings('webp', 80),
      { ...encodeSettings('webp', 80), lossless: true },
      encodeSettings('avif', 60),
      encodeSettings('png'),
      { ...encodeSettings('png'), colours: 4, dithered: true },
      { ...encodeSettings('png'), colours: 256 },
    ]) {
      const file = await codecs.encode(raster, settings, ['#ff0000']);
      const ours = await codecs.decode(file);
      expect([settings.format, ours.width, ours.height]).toEqual([settings.format, w, h]);
      const theirs = await sharp(file).raw().toBuffer({ resolveWithObject: true });
      expect([theirs.info.width, theirs.info.height]).toEqual([w, h]);
    }
  }
});

test('256 colours are a palette', async () => {
  const raster = createRaster(64, 48);
  for (let i = 0; i < 64 * 48; i++) {
    raster.data.set([i % 251, (i * 3) % 256, (i >> 4) % 256, 255], i * 4);
  }
  const file = await codecs.encode(raster, { ...encodeSettings('png'), colours: 256 }, []);
  // Bit depth and colour type of IHDR.
  expect([file[24], file[25]]).toEqual([8, 3]);
});
