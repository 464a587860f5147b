import { ssim } from 'ssim.js';
import { createRaster, type Raster } from '../raster/raster';
import { octaves } from '../texture/noise';
import { compareScale, referenceOf, scaleOf, similarityTo } from './similarity';
import type { Plane } from './plane';

/** Clouds with grain. */
function clouds(width: number, height: number, seed = 0): Raster {
  const r = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const v = 255 * octaves(x / 20, y / 20, 997, 997, seed, 3) + ((x * 7919 + y * 104729) % 13);
      r.data.set([v, v * 0.8 + 20, 255 - v, 255], (y * width + x) * 4);
    }
  }
  return r;
}
const mapped = (r: Raster, change: (level: number, i: number) => number): Raster => ({
  ...r,
  data: r.data.map((v, i) => (i % 4 === 3 ? v : change(v, i))),
});
const grey = (r: Raster): Plane => ({
  width: r.width,
  height: r.height,
  data: Float32Array.from({ length: r.width * r.height }, (_, i) => r.data[i * 4] / 255),
});
const noisy = (by: number) => (v: number, i: number) => v + by * Math.sin(i * 12.9898);

// The single scale of the 2004 paper, against ssim.js (its 'original' formula, without its
// reduction of large pictures).
test.each([2, 8, 30])(
  'one scale is the measure that ssim.js computes, noise of %i levels',
  (by) => {
    const a = clouds(120, 90);
    const plain = { ...a, data: a.data.map((_, i) => (i % 4 === 3 ? 255 : a.data[i - (i % 4)])) };
    const b = mapped(plain, (v, i) => v + by * Math.sin((i >> 2) * 12.9898));
    const theirs = ssim(plain as unknown as ImageData, b as unknown as ImageData, {
      ssim: 'original',
      downsample: false,
      windowSize: 11,
    }).mssim;
    expect(compareScale(scaleOf(grey(plain)), grey(b)).whole).toBeCloseTo(theirs, 3);
  },
);

test('a picture is wholly like itself, and the less the more it is disturbed', () => {
  const picture = clouds(200, 120);
  const reference = referenceOf(picture, '#ffffff');
  expect(similarityTo(reference, picture, '#ffffff')).toEqual({
    structure: expect.closeTo(1, 5),
    colour: 0,
  });
  const likes = [1, 3, 9, 27].map(
    (by) => similarityTo(reference, mapped(picture, noisy(by)), '#ffffff').structure,
  );
  expect(likes).toEqual([...likes].sort((a, b) => b - a));
  expect(likes[3]).toBeLessThan(0.9);
});

test('hue is guarded apart: a turn of colour at the same lightness leaves the structure and is seen by the guard', () => {
  const plain = createRaster(64, 64);
  const turned = createRaster(64, 64);
  // Two sRGB colours of CIE L* 50 within a tenth, by this program's own conversion.
  for (let i = 0; i < 64 * 64; i++) {
    plain.data.set([119, 119, 119, 255], i * 4);
    turned.data.set([186, 84, 88, 255], i * 4);
  }
  const { structure, colour } = similarityTo(referenceOf(plain, '#ffffff'), turned, '#ffffff');
  expect(structure).toBeGreaterThan(0.999);
  expect(colour).toBeGreaterThan(10);
});

test('what is see-through is compared as it is seen over the page', () => {
  const clear = createRaster(40, 30);
  const other = createRaster(40, 30);
  for (let i = 0; i < 40 * 30; i++) {
    clear.data.set([255, 0, 0, 0], i * 4);
    other.data.set([0, 255, 255, 0], i * 4);
  }
  expect(similarityTo(referenceOf(clear, '#3b4a45'), other, '#3b4a45')).toEqual({
    structure: expect.closeTo(1, 6),
    colour: 0,
  });
  const full = mapped(other, (v) => v);
  for (let i = 3; i < full.data.length; i += 4) {
    full.data[i] = 255;
  }
  expect(similarityTo(referenceOf(clear, '#3b4a45'), full, '#3b4a45').colour).toBeGreaterThan(5);
});

test.each([
  [1, 675],
  [7, 3],
  [12, 400],
  [11, 11],
])('small pictures of %i×%i px are measured too', (width, height) => {
  const picture = clouds(width, height);
  const reference = referenceOf(picture, '#ffffff');
  expect(similarityTo(reference, picture, '#ffffff').structure).toBeCloseTo(1, 5);
  expect(similarityTo(reference, mapped(picture, noisy(40)), '#ffffff').structure).toBeLessThan(
    0.999,
  );
});

test('pictures of other sizes are refused by name', () => {
  expect(() =>
    similarityTo(referenceOf(clouds(20, 20), '#ffffff'), clouds(20, 21), '#ffffff'),
  ).toThrow('Expected a picture of 20×20 px, found 20×21');
});

test('the colour that is judged by is what ninety-nine of a hundred px stay below', () => {
  const flat = mapped(createRaster(200, 100), () => 128);
  for (let k = 3; k < flat.data.length; k += 4) {
    flat.data[k] = 255;
  }
  /** A block of so many px in a quite different colour; chroma is looked at by blocks of px. */
  const spotted = (width: number, height: number): Raster => {
    const raster = { ...flat, data: flat.data.slice() };
    for (let y = 0; y < height; y++) {
      for (let x = 0; x < width; x++) {
        raster.data.set([170, 110, 60], (y * 200 + x) * 4);
      }
    }
    return raster;
  };
  const reference = referenceOf(flat, '#ffffff');
  const colour = (width: number, height: number) =>
    similarityTo(reference, spotted(width, height), '#ffffff').colour;
  expect(colour(0, 0)).toBeLessThan(0.01);
  // 0.5 percent of the px, and 4.
  expect(colour(8, 8)).toBeLessThan(0.01);
  expect(colour(40, 20)).toBeGreaterThan(5);
});
