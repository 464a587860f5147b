import { linearOfLevel, toEncoded } from '../colour/transfer';
import type { PixelMap } from '../raster/adjust';
import type { Rgb } from '../raster/raster';

/** Steps of luminance that are told apart: finer than 8-bit colours can differ. */
const steps = 4095;

/**
 * Maps relative luminance (IEC 61966-2-1 with the weights of ITU-R BT.709) onto two colours: 0
 * becomes `dark` and 1 `light`, exactly; between them it goes evenly by gamma-encoded luminance, as
 * the eye sees it.
 */
export function twoToneMap(dark: Rgb, light: Rgb): PixelMap {
  const table = new Uint8ClampedArray((steps + 1) * 3);
  for (let i = 0; i <= steps; i++) {
    const t = toEncoded(i / steps);
    table[i * 3] = Math.round(dark.r + t * (light.r - dark.r));
    table[i * 3 + 1] = Math.round(dark.g + t * (light.g - dark.g));
    table[i * 3 + 2] = Math.round(dark.b + t * (light.b - dark.b));
  }
  const weigh = (weight: number) => Float32Array.from(linearOfLevel, (v) => v * weight * steps);
  const wr = weigh(0.2126);
  const wg = weigh(0.7152);
  const wb = weigh(0.0722);
  return (source, from, out, pixels) => {
    for (let k = 0, i = from; k < pixels * 4; k += 4, i += 4) {
      const at = ((wr[source[i]] + wg[source[i + 1]] + wb[source[i + 2]] + 0.5) | 0) * 3;
      out[k] = table[at];
      out[k + 1] = table[at + 1];
      out[k + 2] = table[at + 2];
    }
  };
}
