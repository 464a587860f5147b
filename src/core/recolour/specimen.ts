import { colourOf } from '../colour/parse';
import { createRaster, type Raster } from '../raster/raster';

/**
 * All hues from dark to light over all greys, small: a recipe laid on it shows what it does.
 * @param width px, two at least
 * @param height px; the lower third is greys
 */
export function specimen(width: number, height: number): Raster {
  const raster = createRaster(width, height);
  const hues = Math.round((height * 2) / 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const along = x / (width - 1);
      const { r, g, b } = colourOf(
        y < hues
          ? `hsl(${Math.round(along * 330)} 55% ${Math.round(25 + (55 * (y + 0.5)) / hues)}%)`
          : `hsl(0 0% ${Math.round(along * 100)}%)`,
      );
      raster.data.set([r, g, b, 255], (y * width + x) * 4);
    }
  }
  return raster;
}
