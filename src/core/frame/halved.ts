import type { Raster } from '../raster/raster';
import { resample } from './resample';

/** Halves of photos that were asked for; they are gone when their photo is. */
const known = new WeakMap<Raster, Raster[]>();

/**
 * A photo made half as large along each side, several times over. Pixels of a photo do not change,
 * so each half is worked out once for as long as the photo is there.
 * @param times how often; 0 is the photo itself
 */
export function halved(photo: Raster, times: number): Raster {
  if (times <= 0) {
    return photo;
  }
  let halves = known.get(photo);
  if (!halves) {
    known.set(photo, (halves = []));
  }
  while (halves.length < times) {
    const from = halves.at(-1) ?? photo;
    const width = Math.max(1, Math.round(from.width / 2));
    const height = Math.max(1, Math.round(from.height / 2));
    halves.push(
      resample(
        from,
        { x: 0, y: 0, scaleX: width / from.width, scaleY: height / from.height },
        width,
        height,
      ),
    );
  }
  return halves[times - 1];
}

/**
 * How often a photo may be halved before it is drawn: what is left then is still to be made twice
 * as small, so that nothing of the filter's quality is lost.
 */
export const halvingsFor = (scale: number): number =>
  Math.max(0, Math.floor(Math.log2(1 / Math.max(scale, 1e-4))) - 1);
