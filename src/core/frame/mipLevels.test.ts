import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { kernels, withoutKernels } from '../../kernels/kernels';
import { createRaster, type Raster } from '../raster/raster';
import {
  mipLevelOf,
  mipLevelFor,
  mipLevelToKeep,
  boxMipLevelOf,
  quickMipLevelOf,
} from './mipLevels';
import { resample } from './resample';

/** Slopes, rings that grow finer, and a sharp edge. */
function scene(width: number, height: number): Raster {
  const raster = createRaster(width, height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 4) {
      const ring = 127.5 + 60 * Math.cos(((x - width / 2) ** 2 + (y - height / 2) ** 2) / 900);
      raster.data.set([ring, (255 * x) / width, x + y > width ? 230 : 20, 255], i);
    }
  }
  return raster;
}

test('drawn by way of a half, a photo is what it is drawn at once, within two levels at all but one channel in two hundred', () => {
  const photo = scene(640, 480);
  const scale = 0.11;
  const times = mipLevelFor(scale);
  const w = 70;
  const h = 52;
  expect(times).toBe(2);
  const small = mipLevelOf(photo, times);
  const whole = resample(photo, { x: 0, y: 0, scaleX: scale, scaleY: scale }, w, h);
  const by = resample(
    small,
    { x: 0, y: 0, scaleX: (640 * scale) / small.width, scaleY: (480 * scale) / small.height },
    w,
    h,
  );
  let off = 0;
  let worst = 0;
  for (let i = 0; i < whole.data.length; i++) {
    const d = Math.abs(whole.data[i] - by.data[i]);
    if (d > 2) {
      off++;
    }
    worst = Math.max(worst, d);
  }
  expect(off / whole.data.length).toBeLessThan(0.005);
  expect(worst).toBeLessThan(12);
});

test('a half is worked out once, and sides are rounded and never nothing', () => {
  const photo = scene(31, 5);
  expect(mipLevelOf(photo, 1)).toBe(mipLevelOf(photo, 1));
  expect([
    mipLevelOf(photo, 0).width,
    mipLevelOf(photo, 1).width,
    mipLevelOf(photo, 2).width,
    mipLevelOf(photo, 4).height,
  ]).toEqual([31, 16, 8, 1]);
  expect([1, 0.6, 0.5, 0.26, 0.25, 0.13, 0.125, 0.02].map(mipLevelFor)).toEqual([
    0, 0, 0, 0, 1, 1, 2, 4,
  ]);
});

test('photos as cameras have them are kept whole, larger ones as often halved as leaves as much', () => {
  const kept = (width: number, height: number) => mipLevelToKeep({ width, height });
  expect([kept(1, 1), kept(6000, 4000), kept(6000, 5000), kept(6000, 5001)]).toEqual([0, 0, 0, 1]);
  expect([kept(12_000, 8333), kept(10_000, 12_001), kept(200_000, 500)]).toEqual([1, 2, 1]);
});

const anyPx = fc
  .tuple(fc.integer({ min: 1, max: 70 }), fc.integer({ min: 1, max: 40 }), fc.integer())
  .map(([width, height, seed]): Raster => noise(width, height, seed));

function noise(width: number, height: number, seed: number): Raster {
  const raster = createRaster(width, height);
  let state = seed >>> 0;
  for (let i = 0; i < raster.data.length; i++) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    raster.data[i] = state >>> 24;
  }
  return raster;
}

test('each px is the mean of four, rounded, by kernel and by loops', () => {
  const check = (photo: Raster) => {
    const quick = boxMipLevelOf(photo, 1);
    const slow = withoutKernels(() => boxMipLevelOf({ ...photo }, 1));
    expect([quick.width, quick.height]).toEqual([slow.width, slow.height]);
    expect(Buffer.compare(Buffer.from(quick.data), Buffer.from(slow.data))).toBe(0);
    const off: number[] = [];
    for (let i = 0; i < quick.data.length && photo.width > 1 && photo.height > 1; i++) {
      const row = photo.width * 4;
      const x = (i >> 2) % quick.width;
      const y = Math.floor((i >> 2) / quick.width);
      const at = 2 * y * row + 8 * x + (i & 3);
      const { data } = photo;
      const mean = (data[at] + data[at + 4] + data[at + row] + data[at + row + 4]) / 4;
      if (quick.data[i] !== Math.floor(mean + 0.5)) {
        off.push(i);
      }
    }
    expect(off).toEqual([]);
  };
  expect(kernels()).toBeDefined();
  fc.assert(fc.property(anyPx, check), { numRuns: randomRuns(200) });
  // More than is halved at a time.
  check(noise(301, 2003, 7));
});

test('a half for the screen is the exact one where that is there, and what decides anything never is', () => {
  const photo = noise(64, 48, 3);
  const mean = boxMipLevelOf(photo, 2);
  expect([mean.width, mean.height]).toEqual([16, 12]);
  expect(boxMipLevelOf(photo, 2)).toBe(mean);
  expect(quickMipLevelOf(photo, 2)).toBe(mean);
  const exact = mipLevelOf(photo, 2);
  expect(quickMipLevelOf(photo, 2)).toBe(exact);
  expect(boxMipLevelOf(photo, 2)).toBe(mean);
  expect([quickMipLevelOf(photo, 0), boxMipLevelOf(photo, 0)]).toEqual([photo, photo]);
});
