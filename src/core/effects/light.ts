import type { Effect } from '../site/model/effects';
import type { Layer } from '../site/model/layer';
import { isObject } from '../layers/registry';
import { farOf } from './shadow';

/** An effect that goes by the picture's light. */
const isLit = (effect: Effect): boolean =>
  (effect.kind === 'shadow' && effect.byLight) ||
  (effect.kind === 'relief' && effect.direction === null);

/** Something in a picture goes by its light. */
export const hasLit = (layers: readonly Layer[]): boolean =>
  layers.some((layer) => isObject(layer) && !layer.hidden && layer.effects.some(isLit));

/**
 * Where a shadow falls: straight away from the light.
 *
 * @param far px
 * @param light degrees clockwise from the top
 * @returns whole px to the right and downwards
 */
export function awayFrom(far: number, light: number): { readonly x: number; readonly y: number } {
  const t = (light * Math.PI) / 180;
  // No zero with a sign: what is drawn alike is to be written alike.
  return { x: Math.round(-Math.sin(t) * far) + 0, y: Math.round(Math.cos(t) * far) + 0 };
}

function litEffect(effect: Effect, light: number): Effect {
  if (!isLit(effect)) {
    return effect;
  }
  return effect.kind === 'shadow'
    ? { ...effect, ...awayFrom(farOf(effect), light) }
    : ({ ...effect, direction: light } as Effect);
}

/**
 * Layers as they are under a picture's light: every effect that goes by it has its own direction.
 * Those without such effects are the same layers.
 *
 * @param light degrees clockwise from the top
 */
export const litLayers = (layers: readonly Layer[], light: number): readonly Layer[] =>
  layers.map((layer) =>
    isObject(layer) && layer.effects.some(isLit)
      ? { ...layer, effects: layer.effects.map((e) => litEffect(e, light)) }
      : layer,
  );
