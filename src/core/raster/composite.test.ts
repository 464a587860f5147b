import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { composite, fillRect } from './composite';
import { copyRect, createRaster, crop, intersect, unite } from './raster';

const level = fc.integer({ min: 0, max: 255 });
const colour = fc.record({ r: level, g: level, b: level });

test('a wash at strength s is (1 − s)·old + s·colour, rounded half up, for every percent', () => {
  fc.assert(
    fc.property(colour, colour, fc.integer({ min: 0, max: 100 }), (old, wash, percent) => {
      const raster = createRaster(3, 2);
      fillRect(raster, old);
      composite(raster, { type: 'solid', colour: wash }, percent / 100);
      // In whole numbers, so that an exact half is one.
      const wanted = (a: number, b: number) =>
        Math.floor(((100 - percent) * a + percent * b + 50) / 100);
      expect([...raster.data.subarray(20)]).toEqual([
        wanted(old.r, wash.r),
        wanted(old.g, wash.g),
        wanted(old.b, wash.b),
        255,
      ]);
    }),
    { numRuns: randomRuns(2000) },
  );
});

test('every level washed with every strength, one colour', () => {
  for (let percent = 0; percent <= 100; percent++) {
    const raster = createRaster(256, 1);
    for (let i = 0; i < 256; i++) {
      raster.data.set([i, i, i, 255], i * 4);
    }
    composite(raster, { type: 'solid', colour: { r: 59, g: 74, b: 69 } }, percent / 100);
    for (let i = 0; i < 256; i++) {
      expect(raster.data[i * 4]).toBe(Math.floor(((100 - percent) * i + percent * 59 + 50) / 100));
    }
  }
});

test('two half see-through layers: 0.5 over 0.5 is 0.75 covered, colours weighed by what each adds', () => {
  const raster = createRaster(1, 1);
  composite(raster, { type: 'solid', colour: { r: 200, g: 0, b: 0 } }, 0.5);
  expect([...raster.data]).toEqual([200, 0, 0, 128]);
  composite(raster, { type: 'solid', colour: { r: 0, g: 200, b: 0 } }, 0.5);
  // αo = 0.5 + 0.5·128/255; co = (αs·cs + (1 − αs)·αb·cb)/αo
  const rest = (128 / 255) * 0.5;
  const ao = 0.5 + rest;
  expect([...raster.data]).toEqual([
    Math.round((rest * 200) / ao),
    Math.round((0.5 * 200) / ao),
    0,
    Math.round(ao * 255),
  ]);
});

test('a mask covers in proportion, and only where it lies', () => {
  const raster = createRaster(4, 3);
  fillRect(raster, { r: 0, g: 0, b: 0 });
  composite(raster, {
    type: 'mask',
    mask: { width: 2, height: 1, data: new Uint8Array([255, 51]) },
    colour: { r: 255, g: 255, b: 255 },
    x: 3,
    y: 1,
  });
  const reds = Array.from({ length: 12 }, (_, i) => raster.data[i * 4]);
  expect(reds).toEqual([0, 0, 0, 0, 0, 0, 0, 255, 0, 0, 0, 0]);
  composite(raster, {
    type: 'mask',
    mask: { width: 2, height: 1, data: new Uint8Array([255, 51]) },
    colour: { r: 255, g: 255, b: 255 },
    x: -1,
    y: 2,
  });
  expect(raster.data[8 * 4]).toBe(51);
});

test('nothing changes outside the clip', () => {
  const raster = createRaster(5, 5);
  composite(raster, { type: 'solid', colour: { r: 9, g: 9, b: 9 } }, 1, 'normal', {
    x: 1,
    y: 2,
    width: 2,
    height: 2,
  });
  const covered = Array.from({ length: 25 }, (_, i) => i).filter((i) => raster.data[i * 4 + 3] > 0);
  expect(covered).toEqual([11, 12, 16, 17]);
});

test('rectangles: shared part, least common holder, copies and crops', () => {
  expect(
    intersect({ x: 0, y: 0, width: 4, height: 4 }, { x: 6, y: 1, width: 2, height: 2 }),
  ).toMatchObject({ width: 0 });
  expect(unite({ x: 1, y: 1, width: 1, height: 1 }, { x: -2, y: 3, width: 1, height: 4 })).toEqual({
    x: -2,
    y: 1,
    width: 4,
    height: 6,
  });
  const source = createRaster(3, 3);
  const target = createRaster(3, 3);
  fillRect(source, { r: 1, g: 2, b: 3 });
  copyRect(target, source, { x: 1, y: 1, width: 9, height: 1 });
  expect(Array.from({ length: 9 }, (_, i) => target.data[i * 4 + 3])).toEqual([
    0, 0, 0, 0, 255, 255, 0, 0, 0,
  ]);
  expect(
    Array.from(
      crop(target, { x: 2, y: 0, width: 2, height: 2 }).data.filter((_, i) => i % 4 === 3),
    ),
  ).toEqual([0, 0, 255, 0]);
  expect(() => createRaster(0, 5)).toThrow('found 0×5');
  expect(() => createRaster(1.5, 5)).toThrow(RangeError);
});
