import fc from 'fast-check';
import { createRaster } from '../raster/raster';
import { difference } from '../lightest/difference';
import { onlyWithin, worstArea } from './worstArea';

test('no other area of the size has more in it, wherever things lie', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 24 }),
      fc.integer({ min: 1, max: 18 }),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 7 }),
      fc.array(fc.nat(400), { maxLength: 12 }),
      (width, height, w, h, places) => {
        const seen = new Float32Array(width * height);
        places.forEach((place, i) => {
          seen[place % seen.length] += 1 + (i % 3);
        });
        const sumOf = (x: number, y: number): number => {
          let sum = 0;
          for (let v = y; v < Math.min(height, y + h); v++) {
            for (let u = x; u < Math.min(width, x + w); u++) {
              sum += seen[v * width + u] ** 2;
            }
          }
          return sum;
        };
        const found = worstArea(seen, { width, height }, { width: w, height: h });
        let most = 0;
        for (let y = 0; y + Math.min(h, height) <= height; y++) {
          for (let x = 0; x + Math.min(w, width) <= width; x++) {
            most = Math.max(most, sumOf(x, y));
          }
        }
        expect(sumOf(found.x, found.y)).toBeCloseTo(most, 5);
        expect([found.width, found.height]).toEqual([Math.min(w, width), Math.min(h, height)]);
      },
    ),
  );
});

test('where there are words they alone are looked at, unless nothing is seen on them', () => {
  const size = { width: 12, height: 8 };
  const seen = new Float32Array(96);
  seen[2 * 12 + 3] = 5;
  seen[6 * 12 + 9] = 40;
  const words = { x: -2, y: 1, width: 8, height: 3 };
  const within = onlyWithin(seen, size, [words, { x: 11, y: 0, width: 9, height: 2 }]);
  expect([...within.entries()].filter(([, v]) => v > 0)).toEqual([[2 * 12 + 3, 5]]);
  expect(worstArea(within, size, { width: 1, height: 1 })).toMatchObject({ x: 3, y: 2 });
  expect(onlyWithin(seen, size, [{ ...words, y: 4, height: 1 }])).toBe(seen);
  expect(onlyWithin(seen, size, [])).toBe(seen);
});

test('the difference of a file is told on middle grey, and framed where it is seen most', () => {
  const drawn = createRaster(200, 100);
  for (let i = 0; i < drawn.data.length; i += 4) {
    drawn.data.set([120, 130, 140, 255], i);
  }
  const file = { ...drawn, data: new Uint8ClampedArray(drawn.data) };
  const plain = difference(drawn, file, 8, '#ffffff');
  expect([...plain.data.subarray(0, 4)]).toEqual([128, 128, 128, 255]);
  expect(new Set(plain.data)).toEqual(new Set([128, 255]));
  for (let x = 140; x < 150; x++) {
    file.data[(60 * 200 + x) * 4 + 1] += 5;
  }
  const told = difference(drawn, file, 8, '#ffffff');
  const at = (x: number, y: number) => [
    ...told.data.subarray((y * 200 + x) * 4, (y * 200 + x) * 4 + 3),
  ];
  expect(at(145, 60)).toEqual([128, 168, 128]);
  expect(at(20, 20)).toEqual([128, 128, 128]);
  const red = Array.from({ length: 200 * 100 }, (_, i) => i).filter(
    (i) => told.data[i * 4] === 168 && told.data[i * 4 + 1] === 50,
  );
  const xs = red.map((i) => i % 200);
  const ys = red.map((i) => Math.floor(i / 200));
  expect(Math.min(...xs)).toBeLessThan(140);
  expect(Math.max(...xs)).toBeGreaterThan(149);
  expect(Math.min(...ys)).toBeLessThan(60);
  expect(Math.max(...ys)).toBeGreaterThan(60);
  expect(Math.max(...xs) - Math.min(...xs)).toBeLessThanOrEqual(68);
});
