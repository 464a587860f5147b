import { createRaster, type Raster } from '../raster/raster';

/**
 * How a file differs from what was drawn, on middle grey: each channel's difference times a factor,
 * with see-through px counted as black.
 * @param drawn of the same size as the file
 * @param times how much it is amplified
 */
export function difference(drawn: Raster, file: Raster, times: number): Raster {
  const out = createRaster(drawn.width, drawn.height);
  for (let k = 0; k < out.data.length; k += 4) {
    const a = drawn.data[k + 3] / 255;
    const b = file.data[k + 3] / 255;
    for (let c = 0; c < 3; c++) {
      out.data[k + c] = 128 + times * (file.data[k + c] * b - drawn.data[k + c] * a);
    }
    out.data[k + 3] = 255;
  }
  return out;
}
