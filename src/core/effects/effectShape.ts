import type { AlphaMask } from '../raster/alphaMask';
import { createAlphaMask } from '../raster/alphaMask';
import { signedDistance } from '../raster/distance';
import { createRaster, type Raster, type Rgb } from '../raster/raster';

/**
 * A layer while its effects are laid on: premultiplied, four floats a pixel, levels 0..1
 * gamma-encoded sRGB as blending has them.
 */
export interface PremultipliedImage {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

/**
 * The shape that effects go by, in a frame with room for them all; its distances are worked out
 * when first asked for, and again only when farther ones are.
 */
export interface EffectShape {
  /** 0..1; a shape without a fill has its cover all the same. */
  readonly alphaMask: AlphaMask;
  /** @param most px from the contour up to which they are wanted */
  distance(most: number): AlphaMask;
}

export function effectShapeOf(alphaMask: AlphaMask): EffectShape {
  let known: { most: number; distance: AlphaMask } | undefined;
  return {
    alphaMask: alphaMask,
    distance(most) {
      if (!known || known.most < most) {
        known = { most, distance: signedDistance(alphaMask, most) };
      }
      return known.distance;
    },
  };
}

/**
 * The part of every pixel within `grown` px of the contour's inside; a straight edge's is exact.
 */
export function alphaMaskWithin({ width, height, data }: AlphaMask, grown: number): AlphaMask {
  const out = createAlphaMask(width, height);
  for (let i = 0; i < data.length; i++) {
    const v = 0.5 - data[i] + grown;
    out.data[i] = Math.max(0, Math.min(1, v));
  }
  return out;
}

/** How much of every pixel the group covers so far. */
export function alphaMaskOf({ width, height, data }: PremultipliedImage): AlphaMask {
  const out = createAlphaMask(width, height);
  for (let i = 0; i < out.data.length; i++) {
    out.data[i] = data[i * 4 + 3];
  }
  return out;
}

/** Lays a colour under all that is there, through a cover at an opacity. */
export function compositeUnder(
  { data }: PremultipliedImage,
  { r, g, b }: Rgb,
  alphaMask: AlphaMask,
  opacity: number,
): void {
  const cr = r / 255;
  const cg = g / 255;
  const cb = b / 255;
  for (let i = 0, k = 0; i < alphaMask.data.length; i++, k += 4) {
    const c = alphaMask.data[i];
    if (c === 0) {
      continue;
    }
    const a = c * opacity * (1 - data[k + 3]);
    data[k] += cr * a;
    data[k + 1] += cg * a;
    data[k + 2] += cb * a;
    data[k + 3] += a;
  }
}

/** The group as pixels with straight alpha. */
export function toRaster({ width, height, data }: PremultipliedImage): Raster {
  const out = createRaster(width, height);
  for (let i = 0; i < data.length; i += 4) {
    const a = data[i + 3];
    if (a < 1 / 510) {
      continue;
    }
    const k = 255 / a;
    out.data[i] = data[i] * k;
    out.data[i + 1] = data[i + 1] * k;
    out.data[i + 2] = data[i + 2] * k;
    out.data[i + 3] = a * 255;
  }
  return out;
}
