import { mipLevelOf } from '../frame/mipLevels';
import type { Raster } from '../raster/raster';
import type { LinePoint } from '../site/model/blendLayers';
import { lineAlong } from './ownLine';
import { skylineOf } from './skyline';

/** Px that a see-through picture is wide at most when its outline is sought. */
const enough = 1200;

/** How many px below each other must be covered for an outline to begin there: no speck does. */
const solid = 3;

/** The share of a picture that is see-through at least where it brings its outline along. */
const cutOut = 0.01;

/** Where each column of a see-through picture begins to be covered; its height where none is. */
function coveredFrom({ width, height, data }: Raster): number[] {
  return Array.from({ length: width }, (_, x) => {
    let run = 0;
    for (let y = 0; y < height; y++) {
      run = data[4 * (y * width + x) + 3] >= 128 ? run + 1 : 0;
      if (run === solid) {
        return y + 1 - solid;
      }
    }
    return height;
  });
}

function isCutOut({ data }: Raster): boolean {
  let clear = 0;
  for (let i = 3; i < data.length; i += 4) {
    clear += data[i] < 128 ? 1 : 0;
  }
  return clear > (data.length / 4) * cutOut;
}

/**
 * The upper outline of what a picture shows, as a line.
 *
 * @param picture with a see-through ground, or with a sky or a wall above what it shows
 * @returns undefined where nothing stands out
 */
export function silhouetteOf(picture: Raster): LinePoint[] | undefined {
  const raster = mipLevelOf(picture, Math.max(0, Math.ceil(Math.log2(picture.width / enough))));
  const found = isCutOut(raster)
    ? { tops: coveredFrom(raster), height: raster.height }
    : skylineOf(picture);
  if (!found) {
    return undefined;
  }
  const { tops, height } = found;
  const flat = Math.max(...tops) - Math.min(...tops) < height * 0.02;
  return flat ? undefined : lineAlong(tops, height);
}
