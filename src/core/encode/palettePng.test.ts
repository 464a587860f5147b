import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { PNG } from 'pngjs';
import { createRaster, type Raster } from '../raster/raster';
import { palettePng } from './palettePng';

/** Px of a few colours that were drawn by lot. */
const fewColours = fc
  .tuple(
    fc.integer({ min: 1, max: 40 }),
    fc.integer({ min: 1, max: 30 }),
    fc.array(
      fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255), fc.constantFrom(0, 90, 255, 255, 255)),
      { minLength: 1, maxLength: 256 },
    ),
    fc.integer(),
  )
  .map(([width, height, colours, seed]): Raster => {
    const raster = createRaster(width, height);
    let state = seed >>> 0;
    for (let i = 0; i < width * height; i++) {
      state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
      raster.data.set(colours[(state >>> 9) % colours.length], i * 4);
    }
    return raster;
  });

test('pngjs reads every px as it was, whatever the size, the colours and their alpha', () => {
  fc.assert(
    fc.property(fewColours, (raster) => {
      const { width, height, data } = PNG.sync.read(Buffer.from(palettePng(raster)));
      expect([width, height]).toEqual([raster.width, raster.height]);
      expect(Buffer.compare(data, Buffer.from(raster.data))).toBe(0);
    }),
    { numRuns: randomRuns(300) },
  );
});

test.each([
  [2, 1],
  [4, 2],
  [16, 4],
  [17, 8],
  [256, 8],
])('%i colours take %i bits a px, and no more is said than has to be', (count, depth) => {
  const raster = createRaster(64, 64);
  for (let i = 0; i < 4096; i++) {
    raster.data.set([i % count, 7, 9, 255], i * 4);
  }
  const file = palettePng(raster);
  expect([file[24], file[25]]).toEqual([depth, 3]);
  const text = Buffer.from(file).toString('latin1');
  expect(text).not.toContain('tRNS');
  expect(text.match(/IHDR|sRGB|PLTE|IDAT|IEND/g)).toEqual(['IHDR', 'PLTE', 'IDAT', 'IEND']);
});

test('one colour more than there is room for is refused', () => {
  const raster = createRaster(257, 1);
  raster.data.forEach((_, k) => {
    raster.data[k] = k % 4 === 3 ? 255 : (k >> 2) % 256;
  });
  raster.data[1024] = 1;
  expect(() => palettePng(raster)).toThrow('Expected 256 colours at most, found 257.');
});
