import { releasePixels } from './releasePixels';
import { createRaster } from './raster';

test('pixels that were let go of have no memory any more', () => {
  const raster = createRaster(40, 30);
  releasePixels(raster);
  expect(raster.data.buffer.byteLength).toBe(0);
  expect(raster.data).toHaveLength(0);
});
