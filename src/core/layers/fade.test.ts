import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { createComposer } from '../compose/compose';
import type { Ground } from '../site/model/picture';
import type { Side } from '../site/model/slot';
import { fadeMask } from './draw/fade';
import { fadeCurves, newFade } from './fade';
import { wholePhotos } from '../frame/photos';

const nothing = { glyphs: { has: () => false } as never, photos: wholePhotos(() => undefined) };
const clay: Ground = { type: 'colour', colour: '#a4553a' };
const drawn = (layers: ReturnType<typeof newFade>[], width = 40, height = 24) =>
  createComposer(nothing).compose({ width, height, ground: clay, layers }).raster;
const at = (r: ReturnType<typeof drawn>, x: number, y: number) => [
  ...r.data.subarray((y * r.width + x) * 4, (y * r.width + x) * 4 + 4),
];

test('into see-through: nothing is left on the border, not even a colour, and all is where the fade ends', () => {
  const r = drawn([newFade('f', null, { left: 10, bottom: 6 })]);
  for (let y = 0; y < 24; y++) {
    expect(at(r, 0, y)).toEqual([0, 0, 0, 0]);
  }
  for (let x = 0; x < 40; x++) {
    expect(at(r, x, 23)).toEqual([0, 0, 0, 0]);
  }
  expect(at(r, 10, 5)).toEqual([164, 85, 58, 255]);
  expect(at(r, 39, 17)).toEqual([164, 85, 58, 255]);
});

test('into a colour: the border has exactly that colour, and half way both in equal parts', () => {
  const r = drawn([{ ...newFade('f', '#3b4a45', { left: 20 }), curve: 'linear' }]);
  expect(at(r, 0, 3)).toEqual([0x3b, 0x4a, 0x45, 255]);
  // 127 or 128 of 255 at ten of twenty px: within a level of the mean of the two colours.
  at(r, 10, 3)
    .slice(0, 3)
    .forEach((v, i) =>
      expect(Math.abs(v - ([164, 85, 58][i] + [59, 74, 69][i]) / 2)).toBeLessThanOrEqual(1),
    );
});

test('curves begin with nothing, end with all, never turn back, and “late” keeps less than “early”', () => {
  for (const curve of Object.values(fadeCurves)) {
    expect([curve(0), curve(1)]).toEqual([0, 1]);
    for (let t = 0; t < 1; t += 0.01) {
      expect(curve(t + 0.01)).toBeGreaterThanOrEqual(curve(t));
    }
  }
  expect(fadeCurves.late(0.5)).toBeLessThan(fadeCurves.linear(0.5));
  expect(fadeCurves.early(0.5)).toBeGreaterThan(fadeCurves.linear(0.5));
});

test('a corner fades round about itself and leaves the other corners alone', () => {
  const mask = fadeMask(
    {
      ...newFade('f', null, {}),
      corners: { topLeft: 12, topRight: 0, bottomRight: 0, bottomLeft: 0 },
      curve: 'linear',
    },
    { width: 40, height: 24 },
  );
  expect([mask.data[0], mask.data[39], mask.data[23 * 40]]).toEqual([255, 0, 0]);
  // As far along as down.
  expect(mask.data[6]).toBe(mask.data[6 * 40]);
  expect(mask.data[6]).toBe(Math.round(255 * 0.5));
  expect(mask.data[12]).toBe(0);
});

test('whatever sides fade over whatever px, those sides have nothing left and no px has more than it had', () => {
  const px = fc.integer({ min: 0, max: 50 });
  fc.assert(
    fc.property(
      fc.record({ top: px, right: px, bottom: px, left: px }),
      fc.constantFrom('linear', 'smooth', 'late', 'early' as const),
      (sides: Record<Side, number>, curve) => {
        const width = 31;
        const height = 17;
        const { data } = fadeMask(
          { ...newFade('f', null, sides), curve: curve as 'linear' },
          { width, height },
        );
        for (let x = 0; x < width; x++) {
          if (sides.top > 0) {
            expect(data[x]).toBe(255);
          }
          if (sides.bottom > 0) {
            expect(data[(height - 1) * width + x]).toBe(255);
          }
        }
        for (let y = 0; y < height; y++) {
          if (sides.left > 0) {
            expect(data[y * width]).toBe(255);
          }
          if (sides.right > 0) {
            expect(data[y * width + width - 1]).toBe(255);
          }
        }
        if (Object.values(sides).every((v) => v === 0)) {
          expect(Math.max(...data)).toBe(0);
        }
      },
    ),
    { numRuns: randomRuns(60) },
  );
});

test('an edit below a blur or a join draws the whole picture anew, as a new composer would', () => {
  const composer = createComposer(nothing);
  const layers = (strength: number) => [
    { ...newFade('f', '#efe9dc', { left: 12 }), opacity: strength },
    {
      id: 'b',
      name: '',
      hidden: false,
      locked: false,
      opacity: 0.7,
      blend: 'normal' as const,
      kind: 'blur' as const,
      radius: 3,
      wraps: 'none' as const,
    },
    {
      id: 'j',
      name: '',
      hidden: false,
      locked: false,
      opacity: 1,
      blend: 'normal' as const,
      kind: 'join' as const,
      method: 'overlap' as const,
      axes: 'x' as const,
      band: 8,
    },
  ];
  const drawing = (strength: number) => ({
    width: 40,
    height: 24,
    ground: clay,
    layers: layers(strength),
  });
  composer.compose(drawing(1));
  const again = composer.compose(drawing(0.5), { x: 0, y: 0, width: 4, height: 4 });
  const fresh = createComposer(nothing).compose(drawing(0.5));
  expect(again.complete).toBe(true);
  expect(Buffer.compare(Buffer.from(again.raster.data), Buffer.from(fresh.raster.data))).toBe(0);
  expect(new Set(fresh.raster.data).size).toBeGreaterThan(8);
});
