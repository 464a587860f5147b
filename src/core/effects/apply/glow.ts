import { colourOf } from '../../colour/parse';
import { createAlphaMask, type AlphaMask } from '../../raster/alphaMask';
import { signedDistance } from '../../raster/distance';
import type { GlowEffect } from '../../site/model/effects';
import { compositeUnder, type EffectShape, type PremultipliedImage } from '../effectShape';
import type { ApplyEffect } from '../kind';

/**
 * What is left of a glow at a share of its size: all at the contour, nothing at the end, level at
 * both.
 */
const left = (share: number): number => {
  if (share <= 0) {
    return 1;
  }
  if (share >= 1) {
    return 0;
  }
  return 1 - share * share * (3 - 2 * share);
};

/** Over the layer's own colours, which keep their alpha. */
function layInside(
  { data }: PremultipliedImage,
  body: EffectShape,
  { colour, opacity, size }: GlowEffect,
): void {
  const d = body.distance(size + 1).data;
  const { r, g, b } = colourOf(colour);
  for (let i = 0, k = 0; i < d.length; i++, k += 4) {
    const a = data[k + 3];
    if (a === 0) {
      continue;
    }
    const s = left(-d[i] / size) * opacity;
    data[k] += s * ((r / 255) * a - data[k]);
    data[k + 1] += s * ((g / 255) * a - data[k + 1]);
    data[k + 2] += s * ((b / 255) * a - data[k + 2]);
  }
}

function layOutside(group: PremultipliedImage, effect: GlowEffect, seen: AlphaMask): void {
  const d = signedDistance(seen, effect.size + 1).data;
  const glow = createAlphaMask(group.width, group.height);
  for (let i = 0; i < d.length; i++) {
    glow.data[i] = left(d[i] / effect.size);
  }
  compositeUnder(group, colourOf(effect.colour), glow, effect.opacity);
}

export const applyGlow: ApplyEffect<GlowEffect> = (group, body, effect, seen) =>
  effect.side === 'inside' ? layInside(group, body, effect) : layOutside(group, effect, seen());
