import type { Paint } from '../raster/composite';
import { createAlphaMask, type AlphaMask } from '../raster/alphaMask';
import type { Effect, GlowEffect } from '../site/model/effects';
import {
  effectShapeOf,
  alphaMaskOf,
  toRaster,
  type EffectShape,
  type PremultipliedImage,
} from './effectShape';
import type { Outsets } from './kind';
import { applierOf } from './apply/registry';
import { outsetsOf } from './outsets';
import { effectOf } from './registry';

/** A layer's own paint, which its effects go by. */
export interface EffectTarget {
  readonly paint: Extract<Paint, { type: 'mask' | 'raster' }>;
  /** Only the effects are seen, as of a shape without a fill. */
  readonly hollow: boolean;
}

/** A layer's shape in its frame, kept for as long as only its effects change. */
export interface FramedShape {
  readonly room: Outsets;
  readonly body: EffectShape;
}

/**
 * Rooms come in steps of this, px, so that a shape is framed anew only now and then while an effect
 * grows.
 */
const roomStep = 16;

const holds = (room: Outsets, wanted: Outsets): boolean =>
  room.left >= wanted.left &&
  room.top >= wanted.top &&
  room.right >= wanted.right &&
  room.bottom >= wanted.bottom;

/** Puts a shape in a frame with room for its effects. */
function frame({ paint }: EffectTarget, wanted: Outsets): FramedShape {
  const step = (px: number) => Math.ceil((px + 2) / roomStep) * roomStep;
  const room = {
    left: step(wanted.left),
    top: step(wanted.top),
    right: step(wanted.right),
    bottom: step(wanted.bottom),
  };
  const own = paint.type === 'mask' ? paint.mask : paint.raster;
  const framed = createAlphaMask(
    own.width + room.left + room.right,
    own.height + room.top + room.bottom,
  );
  for (let y = 0; y < own.height; y++) {
    for (
      let x = 0, i = y * own.width, o = (y + room.top) * framed.width + room.left;
      x < own.width;
      x++, i++, o++
    ) {
      framed.data[o] =
        (paint.type === 'mask' ? paint.mask.data[i] : paint.raster.data[i * 4 + 3]) / 255;
    }
  }
  return { room, body: effectShapeOf(framed) };
}

/** The layer's own pixels at their place in the frame. */
function groupOf({ paint, hollow }: EffectTarget, { room, body }: FramedShape): PremultipliedImage {
  const { width, height } = body.alphaMask;
  const data = new Float32Array(width * height * 4);
  const own = paint.type === 'mask' ? paint.mask : paint.raster;
  if (hollow) {
    return { width, height, data };
  }
  for (let y = 0; y < own.height; y++) {
    for (
      let x = 0, i = y * own.width, o = ((y + room.top) * width + room.left) * 4;
      x < own.width;
      x++, i++, o += 4
    ) {
      const a = (paint.type === 'mask' ? paint.mask.data[i] : paint.raster.data[i * 4 + 3]) / 255;
      if (a === 0) {
        continue;
      }
      if (paint.type === 'mask') {
        data[o] = (paint.colour.r / 255) * a;
        data[o + 1] = (paint.colour.g / 255) * a;
        data[o + 2] = (paint.colour.b / 255) * a;
      } else {
        const p = paint.raster.data;
        data[o] = (p[i * 4] / 255) * a;
        data[o + 1] = (p[i * 4 + 1] / 255) * a;
        data[o + 2] = (p[i * 4 + 2] / 255) * a;
      }
      data[o + 3] = a;
    }
  }
  return { width, height, data };
}

/** Inside glows lie on the shape and under its outlines; all else as the kinds say. */
const orderOf = (effect: Effect): number =>
  effect.kind === 'glow' && (effect as GlowEffect).side === 'inside' ? 1 : effectOf(effect).order;

/**
 * A layer with its effects: relief and inside glow on its own pixels, outlines, and under it
 * outside glow and shadows.
 * Nothing of them is cut at the layer's own box.
 * @param before the frame of an earlier call for the same shape; used again where it has room
 */
export function applyEffects(
  shape: EffectTarget,
  effects: readonly Effect[],
  before?: FramedShape,
): { paint: Extract<Paint, { type: 'raster' }>; framed: FramedShape } {
  const wanted = outsetsOf(effects);
  const framed = before && holds(before.room, wanted) ? before : frame(shape, wanted);
  const group = groupOf(shape, framed);
  let outlined: AlphaMask | undefined;
  // The first to ask comes after the outlines and before all that lies under the shape.
  const seen = () => (outlined ??= alphaMaskOf(group));
  for (const effect of effects.toSorted((a, b) => orderOf(a) - orderOf(b))) {
    applierOf(effect)(group, framed.body, effect, seen);
  }
  return {
    paint: {
      type: 'raster',
      raster: toRaster(group),
      x: shape.paint.x - framed.room.left,
      y: shape.paint.y - framed.room.top,
    },
    framed,
  };
}
