import type { Raster } from '../raster/raster';
import { resample } from './resample';

/** All of a raster in another size, px. */
export const resizedTo = (raster: Raster, width: number, height: number): Raster =>
  resample(
    raster,
    { x: 0, y: 0, scaleX: width / raster.width, scaleY: height / raster.height },
    width,
    height,
  );
