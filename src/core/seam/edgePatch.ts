import { createRaster, type Raster } from '../raster/raster';
import type { Side } from '../site/model/slot';
import type { AdjacentColours } from './adjacentColours';
import { edgeDifference } from './edges';

/** Picture px shown of each edge, along it and on each side of it. */
const along = 18;
const deep = 5;

/**
 * Both sides of an edge at its worst place, enlarged: what lies on the page, and the file's px over
 * it.
 * @param times how much larger differences from the page are shown than they are
 */
export function edgePatch(
  file: Raster,
  side: Side,
  beside: AdjacentColours,
  times: number,
): Raster {
  const level = side === 'top' || side === 'bottom';
  const { at } = edgeDifference(file, side, beside.at);
  const length = level ? file.width : file.height;
  const patch = level ? createRaster(along, deep * 2) : createRaster(deep * 2, along);
  const start = Math.max(0, Math.min(length - along, at - along / 2)) | 0;
  for (let y = 0, k = 0; y < patch.height; y++) {
    for (let x = 0; x < patch.width; x++, k += 4) {
      const i = Math.min(length - 1, start + (level ? x : y));
      const inwards = { top: y - deep, bottom: deep - 1 - y, left: x - deep, right: deep - 1 - x }[
        side
      ];
      const page = beside.at(i);
      const p = [page.r, page.g, page.b];
      const near = side === 'top' || side === 'left';
      const across = near ? inwards : (level ? file.height : file.width) - 1 - inwards;
      const u = level ? i : across;
      const v = level ? across : i;
      const f =
        inwards >= 0 && u >= 0 && v >= 0 && u < file.width && v < file.height
          ? (v * file.width + u) * 4
          : undefined;
      for (let c = 0; c < 3; c++) {
        const seen =
          f === undefined ? p[c] : p[c] + (file.data[f + 3] / 255) * (file.data[f + c] - p[c]);
        patch.data[k + c] = p[c] + (seen - p[c]) * times;
      }
      patch.data[k + 3] = 255;
    }
  }
  return patch;
}
