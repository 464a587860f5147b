import { fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import type { Side } from '../site/model/slot';
import { evenEdge, sides } from './edges';

const size = { width: 9, height: 5 };
const grey = { r: 60, g: 70, b: 80 };
const flat = (): Raster => {
  const raster = createRaster(size.width, size.height);
  fillRect(raster, grey);
  return raster;
};
const beside = () => ({ r: 0, g: 0, b: 0 });

/** Each px along a side, as its place in the raster. */
const along = (side: Side): number[] => {
  const { width, height } = size;
  const level = side === 'top' || side === 'bottom';
  return Array.from({ length: level ? width : height }, (_, i) => {
    if (level) {
      return (side === 'top' ? 0 : height - 1) * width + i;
    }
    return i * width + (side === 'left' ? 0 : width - 1);
  });
};

test.each(sides)(
  'the %s edge is even only where every px of it is, the first and the last too',
  (side) => {
    expect(evenEdge(flat(), side, beside)).toEqual(grey);
    for (const place of along(side)) {
      const raster = flat();
      raster.data[place * 4 + 1] += 1;
      expect(evenEdge(raster, side, beside)).toBeUndefined();
    }
  },
);

test('px inside count for nothing, and see-through ones show what lies beside', () => {
  const raster = flat();
  raster.data[(2 * size.width + 4) * 4] = 255;
  expect(evenEdge(raster, 'top', beside)).toEqual(grey);
  for (const place of along('top')) {
    raster.data[place * 4 + 3] = 0;
  }
  expect(evenEdge(raster, 'top', () => ({ r: 1, g: 2, b: 3 }))).toEqual({ r: 1, g: 2, b: 3 });
  expect(evenEdge(raster, 'top', (i) => ({ r: i, g: 2, b: 3 }))).toBeUndefined();
});
