import { once } from './once';
import { createRaster } from './raster';

test('a measure is taken once for each raster and name', () => {
  const a = createRaster(2, 2);
  const b = createRaster(2, 2);
  let taken = 0;
  const measure = () => ++taken;
  expect([
    once(a, 'x', measure),
    once(a, 'x', measure),
    once(a, 'y', measure),
    once(b, 'x', measure),
  ]).toEqual([1, 1, 2, 3]);
});
