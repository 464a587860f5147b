import sharp from 'sharp';
import { createRaster } from '../raster/raster';
import { writeGif } from './gif';

test('sharp reads a GIF’s colours and see-through px as they were', async () => {
  const raster = createRaster(9, 7);
  for (let i = 0; i < 63; i++) {
    raster.data.set([(i * 4) % 256, (i * 9) % 256, 30 + (i % 5), i % 7 === 0 ? 0 : 255], i * 4);
  }
  const { data, info } = await sharp(writeGif(raster))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([9, 7]);
  for (let i = 0; i < 63; i++) {
    expect(i % 7 === 0 ? data[i * 4 + 3] : [...data.subarray(i * 4, i * 4 + 4)]).toEqual(
      i % 7 === 0 ? 0 : [...raster.data.subarray(i * 4, i * 4 + 4)],
    );
  }
});

test('more colours than a GIF has numbers for are refused', () => {
  const raster = createRaster(20, 20);
  for (let i = 0; i < 400; i++) {
    raster.data.set([i % 256, i >> 8, 0, 255], i * 4);
  }
  expect(() => writeGif(raster)).toThrow('Expected at most 256 colours in a GIF, found 400.');
});
