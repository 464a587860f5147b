import sharp from 'sharp';
import type { Raster } from '../raster/raster';
import { ownHeight } from './ownLine';
import { silhouetteOf } from './silhouette';

const size = { width: 1600, height: 600 };

/** How high a made range of hills is, px from the top. */
const top = (x: number) =>
  320 + 120 * Math.sin((2 * Math.PI * x) / 1600) + 40 * Math.sin((6 * Math.PI * x) / 1600 + 1);

const hills = Array.from({ length: 401 }, (_, i) => `${i * 4} ${top(i * 4).toFixed(2)}`).join('L');

/** Drawn by librsvg, through sharp. */
async function drawn(svg: string, grain = 0): Promise<Raster> {
  const { data, info } = await sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${size.width}" height="${size.height}">${svg}</svg>`,
    ),
  )
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const out = new Uint8ClampedArray(data);
  for (let i = 0; i < out.length && grain > 0; i++) {
    if (i % 4 < 3) {
      out[i] += grain * Math.sin(i * 12.9898) * Math.cos(i * 4.1414);
    }
  }
  return { width: info.width, height: info.height, data: out };
}

const sky =
  '<defs><linearGradient id="sky" x2="0" y2="1"><stop offset="0" stop-color="#7fa6c9"/><stop offset="1" stop-color="#dfe3dc"/></linearGradient></defs><rect width="1600" height="600" fill="url(#sky)"/>';

/** Away from the ends, which are brought together, the line follows the hills. */
function expectHills(picture: Raster, most: number) {
  const points = silhouetteOf(picture)!;
  const f = ownHeight(points);
  const tops = Array.from({ length: 1600 }, (_, x) => top(x));
  const [highest, lowest] = [Math.min(...tops), Math.max(...tops)];
  for (let x = 260; x < 1340; x += 10) {
    const wanted = 0.08 + (0.92 * (lowest - top(x))) / (lowest - highest);
    expect(Math.abs(f(x / 1600) - wanted)).toBeLessThan(most);
  }
  expect(Math.abs(f(0.9999) - f(0))).toBeLessThan(0.01);
}

test('of a see-through picture its outline is taken', async () => {
  expectHills(await drawn(`<path d="M${hills}L1600 600L0 600Z" fill="#3b4a45"/>`), 0.03);
});

test('hills are parted from a sky that grows paler, with grain', async () => {
  expectHills(await drawn(`${sky}<path d="M${hills}L1600 600L0 600Z" fill="#3b4a45"/>`, 12), 0.04);
});

test('a speck in the sky is no hill', async () => {
  expectHills(
    await drawn(
      `${sky}<rect x="800" y="60" width="2" height="2" fill="#222"/><path d="M${hills}L1600 600L0 600Z" fill="#3b4a45"/>`,
    ),
    0.04,
  );
});

test('where nothing stands out there is no line', async () => {
  expect(
    silhouetteOf(await drawn('<rect width="1600" height="600" fill="#889"/>')),
  ).toBeUndefined();
  expect(silhouetteOf(await drawn(''))).toBeUndefined();
  expect(
    silhouetteOf(
      await drawn(
        '<rect width="1600" height="600" fill="#fff"/><rect y="300" width="1600" height="300" fill="#000"/>',
      ),
    ),
  ).toBeUndefined();
});

test('pots of several glazes stand out against a dark wall, and hills against a sky with clouds', async () => {
  /** Heights of an outline as measured by eye in the photographs, 0 at its lowest and 1 at its highest. */
  const seen = {
    // Table at both ends and between the bowls; the first two bowls are the highest.
    'bowls-in-a-row': { 0.05: 0.08, 0.28: 0.97, 0.42: 0.98, 0.59: 0.7, 0.72: 0.83, 0.95: 0.08 },
    // The flat-topped hill a little right of the middle is the highest.
    'clay-pits-at-evening': { 0.25: 0.85, 0.45: 0.25, 0.6: 1, 0.68: 0.08, 0.79: 0.6 },
  };
  for (const [name, heights] of Object.entries(seen)) {
    const { data, info } = await sharp(`public/library/${name}.jpg`)
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const picture = {
      width: info.width,
      height: info.height,
      data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
    } as Raster;
    const f = ownHeight(silhouetteOf(picture)!);
    for (const [at, height] of Object.entries(heights)) {
      expect([name, at, Math.abs(f(Number(at)) - height) < 0.2]).toEqual([name, at, true]);
    }
  }
});
