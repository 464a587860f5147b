import { colourOf } from '../colour/parse';
import { linearOfLevel } from '../colour/transfer';
import type { Raster } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import {
  blurFourChannels,
  createFourChannelImage,
  type FourChannelImage,
} from './fourChannelImage';

/*
 * J. Alakuijala, R. Obryk, O. Stoliarchuk, Z. Szabadka, L. Vandevenne and J. Wassenberg, “Guetzli:
 * Perceptually Guided JPEG Encoder”, arXiv:1703.04421, 2017: three responses to light, each about
 * the logarithm of a mix of red, green and blue, their sensitivity that of the light around; what
 * the eye compares are the difference of the first two, their sum, and the third. The mixes are
 * those of the colour space XYB of ISO/IEC 18181-1, about; all figures from memory.
 */

/** Light of a white screen, cd/m². */
export const white = 80;
/** Red, green and blue of each response, and the light that it has in the dark. */
export const mixes = [
  [0.3, 0.634, 0.0777, 1.756],
  [0.2216, 0.694, 0.0987, 1.756],
  [0.02, 0.02, 0.2048, 12.23],
] as const;
/** Px around by whose light the eye is adapted, a standard deviation. */
export const adaptedOver = 1.2;
export const gain = 19.245;
export const offset = 9.971;
export const base = 23.1605;

/** How strongly a mix of light is felt. */
const response = (light: number): number => gain * Math.log(light + offset) - base;

/** Light of what is seen over a colour: linear red, green and blue in cd/m². */
export function lightOf({ width, height, data }: Raster, under: Hex): FourChannelImage {
  const out = createFourChannelImage(width, height);
  const { r, g, b } = colourOf(under);
  const ground = [linearOfLevel[r], linearOfLevel[g], linearOfLevel[b]];
  for (let i = 0; i < out.data.length; i += 4) {
    const a = data[i + 3] / 255;
    for (let c = 0; c < 3; c++) {
      out.data[i + c] = white * (ground[c] + a * (linearOfLevel[data[i + c]] - ground[c]));
    }
  }
  return out;
}

/** Red against green, lightness, and blue, as the eye compares them; the fourth is 0. */
export function opponentOf(light: FourChannelImage): FourChannelImage {
  const around = blurFourChannels(light, adaptedOver).data;
  const out = createFourChannelImage(light.width, light.height);
  const felt = [0, 0, 0];
  for (let i = 0; i < out.data.length; i += 4) {
    mixes.forEach(([r, g, b, dark], c) => {
      const far = r * around[i] + g * around[i + 1] + b * around[i + 2] + dark;
      const here = r * light.data[i] + g * light.data[i + 1] + b * light.data[i + 2] + dark;
      felt[c] = (here * response(far)) / far;
    });
    out.data[i] = felt[0] - felt[1];
    out.data[i + 1] = felt[0] + felt[1];
    out.data[i + 2] = felt[2];
  }
  return out;
}
