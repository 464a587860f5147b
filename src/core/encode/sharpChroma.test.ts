import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { toLinear } from '../colour/transfer';
import { createRaster, type Raster } from '../raster/raster';
import { withSharpChroma } from './sharpChroma';

/** Stripes of two colours, of odd widths, so that they cross the squares that chroma is kept for. */
function stripes(
  a: readonly number[],
  b: readonly number[],
  width = 61,
  height = 31,
  wide = 3,
): Raster {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    const [x, y] = [i % width, Math.floor(i / width)];
    raster.data.set([...((x + (y >> 2)) % (2 * wide) < wide ? a : b), 255], i * 4);
  }
  return raster;
}

test.each([
  ['one colour', stripes([200, 40, 90], [200, 40, 90])],
  ['greys', stripes([20, 20, 20], [220, 220, 220])],
  ['a single px', stripes([1, 2, 250], [1, 2, 250], 1, 1)],
])('where no chroma is mixed, nothing is changed: %s', (_, raster) => {
  expect(withSharpChroma(raster, 1).data).toEqual(raster.data);
});

test('every px keeps its alpha, and the raster that was given is left alone', () => {
  const raster = stripes([255, 0, 0], [0, 0, 255]);
  raster.data[7] = 40;
  const before = raster.data.slice();
  const out = withSharpChroma(raster, 1);
  expect(raster.data).toEqual(before);
  expect(out.data[7]).toBe(40);
  expect(out.data).not.toEqual(before);
});

/**
 * What a decoder makes of a raster whose chroma is kept for every second px, loss aside: ITU-T T.871,
 * means over 2×2 px, doubled with weights of 9, 3, 3 and 1 sixteenths. Written px by px, in another
 * way than the code that is tested.
 */
function decoded({ data, width, height }: Raster): Raster {
  const chroma = (x: number, y: number): [number, number] => {
    const [r, g, b] = data.subarray((y * width + x) * 4);
    return [0.5 * (b - g) + 0.168736 * (g - r), 0.5 * (r - g) - 0.081312 * (b - g)];
  };
  const clamped = (v: number, most: number) => Math.max(0, Math.min(most, v));
  const square = (sx: number, sy: number): [number, number] => {
    const [cx, cy] = [
      clamped(sx, Math.ceil(width / 2) - 1) * 2,
      clamped(sy, Math.ceil(height / 2) - 1) * 2,
    ];
    const four = [0, 1, 2, 3].map((n) =>
      chroma(Math.min(width - 1, cx + (n & 1)), Math.min(height - 1, cy + (n >> 1))),
    );
    return [0, 1].map((c) => four.reduce((sum, v) => sum + v[c] / 4, 0)) as [number, number];
  };
  const out = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4;
      const [r, g, b] = data.subarray(i);
      const luma = 0.299 * r + 0.587 * g + 0.114 * b;
      const mixed = [0, 0];
      for (const [dx, wx] of [
        [0, 3],
        [x % 2 ? 1 : -1, 1],
      ]) {
        for (const [dy, wy] of [
          [0, 3],
          [y % 2 ? 1 : -1, 1],
        ]) {
          const [cb, cr] = square((x >> 1) + dx, (y >> 1) + dy);
          mixed[0] += (cb * wx * wy) / 16;
          mixed[1] += (cr * wx * wy) / 16;
        }
      }
      out.data.set(
        [
          luma + 1.402 * mixed[1],
          luma - 0.344136 * mixed[0] - 0.714136 * mixed[1],
          luma + 1.772 * mixed[0],
          255,
        ],
        i,
      );
    }
  }
  return out;
}

/** Mean difference of luminance, thousandths. */
function lightOff(a: Raster, b: Raster): number {
  const light = (data: Uint8ClampedArray, k: number): number =>
    0.2126 * toLinear(data[k] / 255) +
    0.7152 * toLinear(data[k + 1] / 255) +
    0.0722 * toLinear(data[k + 2] / 255);
  let sum = 0;
  for (let k = 0; k < a.data.length; k += 4) {
    sum += Math.abs(light(a.data, k) - light(b.data, k));
  }
  return (4000 * sum) / a.data.length;
}

test.each([
  ['red on blue', [200, 30, 40], [30, 60, 160], 0.4],
  ['green on red', [40, 150, 60], [190, 60, 50], 0.25],
  ['ochre on slate', [196, 140, 60], [48, 84, 104], 0.15],
] as const)('light is that of the drawing: %s', (_, a, b, share) => {
  const drawn = stripes(a, b);
  const plainly = lightOff(decoded(drawn), drawn);
  const sharply = lightOff(decoded(withSharpChroma(drawn, 1)), drawn);
  expect(plainly).toBeGreaterThan(5);
  expect(sharply).toBeLessThan(share * plainly);
});

test('of any two colours the light never comes out worse', () => {
  const level = fc.integer({ min: 0, max: 255 });
  const colour = fc.tuple(level, level, level);
  fc.assert(
    fc.property(colour, colour, fc.integer({ min: 1, max: 4 }), (a, b, wide) => {
      const drawn = stripes(a, b, 17, 9, wide);
      const plainly = lightOff(decoded(drawn), drawn);
      expect(lightOff(decoded(withSharpChroma(drawn, 1)), drawn)).toBeLessThanOrEqual(plainly + 2);
    }),
    { seed: 7, numRuns: randomRuns(300) },
  );
});
