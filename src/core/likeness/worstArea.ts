import type { Size } from '../frame/placement';
import { intersect, wholeRaster, type Rect } from '../raster/raster';

/**
 * What is seen within some places alone; all of it where nothing is seen there, or there are none.
 * @param seen at each px of a picture so wide and high
 */
export function onlyWithin(
  seen: Float32Array,
  { width, height }: Size,
  places: readonly Rect[],
): Float32Array {
  const out = new Float32Array(seen.length);
  for (const place of places) {
    const { x, y, ...size } = intersect(wholeRaster({ width, height }), place);
    for (let row = y; row < y + size.height; row++) {
      const from = row * width + x;
      out.set(seen.subarray(from, from + Math.max(0, size.width)), from);
    }
  }
  return out.some((v) => v > 0) ? out : seen;
}

/**
 * The area of a size where most is seen of a difference; the first of equal ones, row by row.
 * @param seen the square of what is seen, at each px of a picture so wide and high
 */
export function worstArea(seen: Float32Array, { width, height }: Size, size: Size): Rect {
  const w = Math.min(size.width, width);
  const h = Math.min(size.height, height);
  // What is seen strongly counts more than much that is hardly seen.
  const columns = new Float64Array(width);
  const weigh = (y: number, by: 1 | -1) => {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      columns[x] += by * seen[i] * seen[i];
    }
  };
  for (let y = 0; y < h; y++) {
    weigh(y, 1);
  }
  let best: Rect = { x: 0, y: 0, width: w, height: h };
  let most = -1;
  for (let y = 0; ; y++) {
    let sum = 0;
    for (let x = 0; x < w; x++) {
      sum += columns[x];
    }
    for (let x = 0; ; x++) {
      if (sum > most * (1 + 1e-9)) {
        most = sum;
        best = { x, y, width: w, height: h };
      }
      if (x + w >= width) {
        break;
      }
      sum += columns[x + w] - columns[x];
    }
    if (y + h >= height) {
      return best;
    }
    weigh(y + h, 1);
    weigh(y, -1);
  }
}
