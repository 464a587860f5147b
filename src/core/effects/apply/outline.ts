import { colourOf } from '../../colour/parse';
import type { OutlineEffect } from '../../site/model/effects';
import type { ApplyEffect } from '../kind';
import { outlineWidths } from '../outline';

/** Pixels deeper inside than this are none of the edge's, px. */
const inner = -0.75;

const clamp01 = (v: number): number => {
  if (v <= 0) {
    return 0;
  }
  if (v >= 1) {
    return 1;
  }
  return v;
};

export const applyOutline: ApplyEffect<OutlineEffect> = ({ data }, body, effect) => {
  const { inside, outside } = outlineWidths(effect);
  const d = body.distance(Math.max(inside, outside) + 2).data;
  const alphaMask = body.alphaMask.data;
  const { r, g, b } = colourOf(effect.colour);
  const cr = r / 255;
  const cg = g / 255;
  const cb = b / 255;
  for (let i = 0, k = 0; i < d.length; i++, k += 4) {
    if (d[i] > outside + 0.5 || d[i] < -inside - 1) {
      continue;
    }
    const c = alphaMask[i];
    // Inside, the ring takes the place of its share of what is there; that may be nothing, where
    // a shape has no fill.
    const ring = inside > 0 ? Math.max(0, c - clamp01(0.5 - d[i] - inside)) : 0;
    if (ring > 0) {
      const keep = 1 - (ring / c) * effect.opacity;
      const a = ring * effect.opacity;
      data[k] = data[k] * keep + cr * a;
      data[k + 1] = data[k + 1] * keep + cg * a;
      data[k + 2] = data[k + 2] * keep + cb * a;
      data[k + 3] = data[k + 3] * keep + a;
    }
    // Outside, it is added beside the shape: to what a pixel of the edge has left, and never
    // under what is see-through inside.
    const beside =
      outside > 0 && d[i] > inner
        ? Math.max(0, clamp01(0.5 - d[i] + outside) - c) * effect.opacity
        : 0;
    const room = Math.min(beside, 1 - data[k + 3]);
    if (room > 0) {
      data[k] += cr * room;
      data[k + 1] += cg * room;
      data[k + 2] += cb * room;
      data[k + 3] += room;
    }
  }
};
