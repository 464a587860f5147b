import { colourOf } from '../../colour/parse';
import { blur } from '../../raster/blur';
import { createAlphaMask, type AlphaMask } from '../../raster/alphaMask';
import type { ReliefEffect } from '../../site/model/effects';
import { usualLight } from '../usualLight';
import type { EffectShape } from '../effectShape';
import type { ApplyEffect } from '../kind';

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/**
 * Height of the surface, px: rising evenly from the contour as far as the depth says, and level
 * from there on; or falling so far and rising again, for a groove along the contour. It begins a
 * little outside, so that the slope is the same up to the contour's own pixels.
 */
function surface(body: EffectShape, { depth, softness, engraved }: ReliefEffect): AlphaMask {
  const foot = -(2 + 2 * softness);
  const top = Math.abs(depth);
  const d = body.distance(Math.max(engraved ? 2 * top : top, -foot) + 1);
  const out = createAlphaMask(d.width, d.height);
  const sign = Math.sign(depth);
  for (let i = 0; i < d.data.length; i++) {
    const inside = Math.max(foot, -d.data[i]);
    out.data[i] = engraved
      ? Math.min(0, Math.abs(inside - top) - top)
      : sign * (Math.min(top, inside) - foot);
  }
  return softness > 0 ? blur(out, softness / 2) : out;
}

/** How far colours that are derived go towards white and black: a glaze stays its own colour. */
const derived = 0.75;

export const applyRelief: ApplyEffect<ReliefEffect> = (
  { data, width, height: rows },
  body,
  effect,
) => {
  if (effect.depth === 0) {
    return;
  }
  const z = surface(body, effect).data;
  const level = Math.sin(radians(effect.height));
  const flat = Math.cos(radians(effect.height));
  // Towards the light, with y downwards.
  const direction = radians(effect.direction ?? usualLight);
  const lx = Math.sin(direction) * flat;
  const ly = -Math.cos(direction) * flat;
  const bright = effect.highlight === null ? undefined : colourOf(effect.highlight);
  const dark = effect.shade === null ? undefined : colourOf(effect.shade);
  for (let y = 0, i = 0; y < rows; y++) {
    for (let x = 0; x < width; x++, i++) {
      const a = data[i * 4 + 3];
      if (a === 0) {
        continue;
      }
      const sx = (z[x + 1 < width ? i + 1 : i] - z[x > 0 ? i - 1 : i]) / 2;
      const sy = (z[y + 1 < rows ? i + width : i] - z[y > 0 ? i - width : i]) / 2;
      if (sx === 0 && sy === 0) {
        continue;
      }
      const light = Math.max(0, (-sx * lx - sy * ly + level) / Math.sqrt(sx * sx + sy * sy + 1));
      const brighter = light > level;
      const s =
        effect.opacity * (brighter ? (light - level) / (1 - level) : (level - light) / level);
      const to = brighter ? bright : dark;
      const k = i * 4;
      if (to) {
        data[k] += s * ((to.r / 255) * a - data[k]);
        data[k + 1] += s * ((to.g / 255) * a - data[k + 1]);
        data[k + 2] += s * ((to.b / 255) * a - data[k + 2]);
        continue;
      }
      const end = brighter ? a : 0;
      for (let c = k; c < k + 3; c++) {
        data[c] += s * derived * (end - data[c]);
      }
    }
  }
};
