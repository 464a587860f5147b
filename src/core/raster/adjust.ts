import { intersect, isEmpty, wholeRaster, type Raster, type Rect } from './raster';

/**
 * Writes new colours for a run of pixels; alpha is not looked at. Both arrays are RGBA; `out`
 * begins at 0.
 */
export type PixelMap = (
  source: Uint8ClampedArray,
  from: number,
  out: Uint8ClampedArray,
  pixels: number,
) => void;

/**
 * Changes colours in place: every channel becomes (1 − s)·old + s·new, rounded half up; alpha stays
 * as it is.
 * @param strength s, 0..1
 * @param clip pixels that may change
 */
export function adjust(
  raster: Raster,
  map: PixelMap,
  strength = 1,
  clip: Rect = wholeRaster(raster),
): void {
  const area = intersect(clip, wholeRaster(raster));
  const { data } = raster;
  if (isEmpty(area) || strength <= 0) {
    return;
  }
  const row = new Uint8ClampedArray(area.width * 4);
  const s = Math.round(strength * 65536);
  const half = (1 << 15) + 256;
  for (let y = area.y; y < area.y + area.height; y++) {
    let at = (y * raster.width + area.x) * 4;
    map(data, at, row, area.width);
    for (let k = 0; k < row.length; k += 4, at += 4) {
      if (s === 65536) {
        data[at] = row[k];
        data[at + 1] = row[k + 1];
        data[at + 2] = row[k + 2];
        continue;
      }
      const r = data[at];
      const g = data[at + 1];
      const b = data[at + 2];
      data[at] = ((r << 16) + s * (row[k] - r) + half) >> 16;
      data[at + 1] = ((g << 16) + s * (row[k + 1] - g) + half) >> 16;
      data[at + 2] = ((b << 16) + s * (row[k + 2] - b) + half) >> 16;
    }
  }
}
