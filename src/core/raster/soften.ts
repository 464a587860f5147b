import type { Axes } from '../site/model/blendLayers';
import { blur } from './blur';
import { blurRadius } from './blurRadius';
import { createAlphaMask } from './alphaMask';
import { createRaster, type Raster } from './raster';

/**
 * Where a place beside a line's ends lies on it: on the other end where the line is repeated, and
 * mirrored where it is not.
 */
function inside(i: number, length: number, wraps: boolean): number {
  if (wraps) {
    return ((i % length) + length) % length;
  }
  const period = 2 * length;
  const k = ((i % period) + period) % period;
  return k < length ? k : period - 1 - k;
}

/**
 * A raster out of focus: each channel blurred by a Gaussian, colours by their alpha, so that
 * see-through px lend none.
 * @param sigma standard deviation, px
 * @param wraps along which axes the raster is repeated; beyond the other edges it is mirrored
 */
export function softened(source: Raster, sigma: number, wraps: Axes | 'none'): Raster {
  const { width, height, data } = source;
  const radius = blurRadius(sigma);
  const w = width + 2 * radius;
  const h = height + 2 * radius;
  const out = createRaster(width, height);
  const columns = Int32Array.from({ length: w }, (_, x) =>
    inside(x - radius, width, wraps === 'x' || wraps === 'both'),
  );
  const rows = Int32Array.from({ length: h }, (_, y) =>
    inside(y - radius, height, wraps === 'y' || wraps === 'both'),
  );
  const plane = (c: number): Float32Array => {
    const alphaMask = createAlphaMask(w, h);
    for (let y = 0, i = 0; y < h; y++) {
      for (let x = 0; x < w; x++, i++) {
        const k = (rows[y] * width + columns[x]) * 4;
        alphaMask.data[i] = c === 3 ? data[k + 3] : (data[k + c] * data[k + 3]) / 255;
      }
    }
    return blur(alphaMask, sigma).data;
  };
  const alpha = plane(3);
  for (let c = 0; c < 4; c++) {
    const values = c === 3 ? alpha : plane(c);
    for (let y = 0; y < height; y++) {
      for (
        let x = 0, i = (y + radius) * w + radius, k = y * width * 4 + c;
        x < width;
        x++, i++, k += 4
      ) {
        const own = alpha[i] > 0 ? (values[i] * 255) / alpha[i] : 0;
        out.data[k] = c === 3 ? values[i] : own;
      }
    }
  }
  return out;
}
