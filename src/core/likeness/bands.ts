import {
  blurFourChannels,
  createFourChannelImage,
  type FourChannelImage,
} from './fourChannelImage';

/** Standard deviations that part coarse from middle, middle from fine, fine from finest, px. */
export const coarseOver = 7.16;
export const middleOver = 3.22;
export const fineOver = 1.56;
/** Px around that hide a difference, a standard deviation. */
export const busyOver = 2.7;

/**
 * What the eye compares of a picture, parted by how large it is. Red against green is x, lightness
 * y, blue b.
 */
export interface Bands {
  /** x, y, b without what y explains of it; how busy it is around. */
  readonly coarse: FourChannelImage;
  /** x, y, b, 0. */
  readonly middle: FourChannelImage;
  /** Finest x, finest y, fine x, fine y. */
  readonly fine: FourChannelImage;
}

/** Share of blue that goes with lightness. */
export const blueWithLight = 0.36;
/** Fine changes of hue are not seen where lightness changes; the rest that still is. */
export const hueKept = 0.65;
export const hueHidden = 46;
/** How much red against green, and lightness, make a place busy, and how it levels off. */
export const busyHue = 2.5;
export const busyLight = 0.4;
export const busyGain = 6.19;
export const busyBase = 12.6;

const minus = (a: FourChannelImage, b: FourChannelImage): FourChannelImage => {
  const out = createFourChannelImage(a.width, a.height);
  for (let i = 0; i < out.data.length; i++) {
    out.data[i] = a.data[i] - b.data[i];
  }
  return out;
};

/** @param opponent x, y and b of a picture */
export function bandsOf(opponent: FourChannelImage): Bands {
  const { width, height } = opponent;
  const coarse = blurFourChannels(opponent, coarseOver);
  const rest = minus(opponent, coarse);
  const middle = blurFourChannels(rest, middleOver);
  const small = minus(rest, middle);
  const busy = createFourChannelImage(width, height);
  for (let i = 0; i < small.data.length; i += 4) {
    const y = small.data[i + 1];
    small.data[i] *= hueKept + ((1 - hueKept) * hueHidden) / (y * y + hueHidden);
    const strength = Math.hypot(busyHue * small.data[i], busyLight * y);
    busy.data[i] = Math.sqrt(busyGain * strength + busyBase) - Math.sqrt(busyBase);
  }
  const smooth = blurFourChannels(small, fineOver);
  const around = blurFourChannels(busy, busyOver);
  const fine = createFourChannelImage(width, height);
  for (let i = 0; i < small.data.length; i += 4) {
    fine.data[i] = small.data[i] - smooth.data[i];
    fine.data[i + 1] = small.data[i + 1] - smooth.data[i + 1];
    fine.data[i + 2] = smooth.data[i];
    fine.data[i + 3] = smooth.data[i + 1];
    coarse.data[i + 2] -= blueWithLight * coarse.data[i + 1];
    coarse.data[i + 3] = around.data[i];
    middle.data[i + 3] = 0;
  }
  return { coarse, middle, fine };
}
