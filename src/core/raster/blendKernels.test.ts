import { withoutKernels } from '../../kernels/kernels';
import { blendModes, isSeparable } from './blend';
import { composite, compositeAll, type LaidPaint, type Paint } from './composite';
import type { Raster } from './raster';

/** Levels at random, with many that are black, white, see-through or opaque. */
function noise(width: number, height: number, seed: number, opaque = false): Raster {
  let state = seed;
  const next = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 8;
  const data = new Uint8ClampedArray(width * height * 4);
  for (let i = 0; i < data.length; i++) {
    const level = [0, 255][next() % 6] ?? next() % 256;
    data[i] = opaque && i % 4 === 3 ? 255 : level;
  }
  return { width, height, data };
}

const mask = { width: 90, height: 80, data: noise(45, 40, 5).data };
const paints: readonly [string, Paint][] = [
  ['a raster', { type: 'raster', raster: noise(90, 80, 3), x: -7, y: 4 }],
  ['an opaque raster', { type: 'raster', raster: noise(90, 80, 3, true), x: 6, y: -4 }],
  ['a mask', { type: 'mask', mask, colour: { r: 201, g: 40, b: 97 }, x: 3, y: 2 }],
  ['a colour', { type: 'solid', colour: { r: 20, g: 140, b: 250 } }],
];

describe.each(paints)('%s', (_, paint) => {
  test.each(blendModes)('as %s, the kernel gives what its twin gives', (mode) => {
    for (const opaque of [true, false]) {
      for (const opacity of [1, 0.37, 0.005]) {
        const quick = noise(97, 83, 11, opaque);
        const slow = noise(97, 83, 11, opaque);
        composite(quick, paint, opacity, mode, { x: 1, y: 0, width: 93, height: 80 });
        withoutKernels(() =>
          composite(slow, paint, opacity, mode, { x: 1, y: 0, width: 93, height: 80 }),
        );
        let differing = 0;
        let worst = 0;
        for (let i = 0; i < slow.data.length; i++) {
          const off = Math.abs(quick.data[i] - slow.data[i]);
          differing += off > 0 ? 1 : 0;
          worst = Math.max(worst, off);
        }
        if (isSeparable(mode)) {
          expect(differing).toBe(0);
        } else {
          expect(worst).toBeLessThanOrEqual(1);
          expect(differing).toBeLessThanOrEqual(slow.data.length * 0.002);
        }
      }
    }
  });
});

test.each(blendModes.filter(isSeparable))(
  'as %s, every level over every other is what its twin gives',
  (mode) => {
    const grey = (level: (x: number, y: number) => number): Raster => {
      const data = new Uint8ClampedArray(256 * 256 * 4);
      for (let i = 0; i < 65536; i++) {
        const v = level(i & 255, i >> 8);
        data.set([v, v, 255 - v, 255], i * 4);
      }
      return { width: 256, height: 256, data };
    };
    const paint: Paint = { type: 'raster', raster: grey((x) => x), x: 0, y: 0 };
    for (const opacity of [1, 0.63, 0.07]) {
      const quick = grey((_, y) => y);
      const slow = grey((_, y) => y);
      composite(quick, paint, opacity, mode);
      withoutKernels(() => composite(slow, paint, opacity, mode));
      expect(quick.data.filter((v, i) => v !== slow.data[i])).toHaveLength(0);
    }
  },
);

test('paints laid on together are what they are one after the other, wherever each lies', () => {
  const modes = ['normal', 'multiply', 'luminosity', 'overlay', 'soft-light', 'hue'] as const;
  const laid: LaidPaint[] = paints.flatMap(([, paint], i) =>
    modes.map((mode, n) => ({
      paint: 'x' in paint ? { ...paint, x: paint.x + 5 * n - 9, y: paint.y - 7 * n } : paint,
      opacity: [1, 0.4, 0][n % 3] || 0.9 * (i % 2),
      mode,
      clip: { x: 3 * n, y: 2 * i, width: 61 + n, height: 70 - 9 * i },
    })),
  );
  // In the midst of them one that is no row of pixels.
  laid.splice(9, 0, { ...laid[0], paint: { type: 'erase', mask, x: 20, y: 9 }, opacity: 0.5 });
  for (const opaque of [true, false]) {
    const together = noise(97, 83, 11, opaque);
    const apart = noise(97, 83, 11, opaque);
    compositeAll(together, laid);
    for (const { paint, opacity, mode, clip } of laid) {
      composite(apart, paint, opacity, mode, clip);
    }
    expect(together.data.filter((v, i) => v !== apart.data[i])).toHaveLength(0);
    const twin = noise(97, 83, 11, opaque);
    withoutKernels(() => compositeAll(twin, laid));
    const off = twin.data.map((v, i) => Math.abs(v - together.data[i]));
    expect(off.filter((v) => v > 2).length).toBeLessThan(off.length * 0.002);
  }
});
