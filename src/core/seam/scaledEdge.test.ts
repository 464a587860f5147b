import { createRaster } from '../raster/raster';
import { scaledEdge } from './scaledEdge';
import { sides } from './edges';

/** Opaque, every px of another colour. */
function busy(width: number, height: number) {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    raster.data.set([(i * 37) % 256, (i * 91) % 256, (i * 53) % 256, 255], i * 4);
  }
  return raster;
}

test('each px is the mean of the area that falls into it', () => {
  const raster = createRaster(3, 2);
  [10, 20, 60, 30, 40, 80].forEach((v, i) => raster.data.set([v, v, v, 255], i * 4));
  const red = (side: 'top' | 'left', width: number, height: number) =>
    [...scaledEdge(raster, side, { width, height }).data].filter((_, i) => i % 4 === 0);
  expect(red('top', 1, 1)).toEqual([40]);
  // One and a half px each: (10 + 20 / 2) / 1.5 and (20 / 2 + 60) / 1.5.
  expect(red('top', 2, 2)).toEqual([13, 47]);
  expect(red('left', 1, 2)).toEqual([30, 50]);
});

test('at its own size it is the side itself', () => {
  const raster = busy(7, 5);
  expect([...scaledEdge(raster, 'top', raster).data]).toEqual([...raster.data.subarray(0, 28)]);
  expect([...scaledEdge(raster, 'bottom', raster).data]).toEqual([...raster.data.subarray(-28)]);
  expect([...scaledEdge(raster, 'left', raster).data.subarray(4, 8)]).toEqual([
    ...raster.data.subarray(28, 32),
  ]);
  expect([...scaledEdge(raster, 'right', raster).data.subarray(0, 4)]).toEqual([
    ...raster.data.subarray(24, 28),
  ]);
});

test('see-through px lend no colour, only their alpha', () => {
  const raster = createRaster(4, 4);
  for (let i = 0; i < 16; i++) {
    raster.data.set(i % 4 < 2 ? [200, 100, 50, 255] : [0, 0, 0, 0], i * 4);
  }
  const half = scaledEdge(raster, 'top', { width: 1, height: 1 });
  expect([...half.data]).toEqual([200, 100, 50, 128]);
});

test.each(sides)('shown larger, the %s side is as long as it is shown', (side) => {
  const level = side === 'top' || side === 'bottom';
  const edge = scaledEdge(busy(6, 4), side, { width: 15, height: 10 });
  expect([edge.width, edge.height]).toEqual(level ? [15, 1] : [1, 10]);
  expect(edge.data.every((v, i) => i % 4 !== 3 || v === 255)).toBe(true);
});
