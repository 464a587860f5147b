import { object, string, type ObjectSchema } from 'yup';
import { effectOf } from '../effects/registry';
import type { Effect } from '../site/model/effects';
import type { Layer, LayerKindName, ObjectLayer } from '../site/model/layer';
import { fade } from './fade';
import { fill } from './fill';
import type { DefinitionOf, LayerKind } from './kind';
import { photo } from './photo';
import { profile } from './profile';
import { recipe } from './recipe';
import { hue, tone, twotone } from './recolour';
import { blur, join } from './rework';
import { shape } from './shape';
import { text } from './text';
import { texture } from './texture';

const kinds = {
  photo,
  fill,
  tone,
  twotone,
  hue,
  texture,
  text,
  shape,
  fade,
  join,
  blur,
  profile,
  recipe,
} as const satisfies { [K in LayerKindName]: DefinitionOf<Extract<Layer, { kind: K }>> };

export const layerKinds = Object.keys(kinds) as readonly LayerKindName[];

/**
 * The definition of a layer's kind; safe because a layer's `kind` picks the definition written for
 * it.
 */
export const kindOf = (layer: Layer): LayerKind => kinds[layer.kind] as unknown as LayerKind;

/**
 * A layer for a slot so many times as large: about the slot's upper left corner, with its effects.
 */
export function scaledLayer<L extends Layer>(layer: L, k: number): L {
  const kind = kindOf(layer);
  const larger = {
    ...layer,
    ...(kind.resized?.(layer, { kx: k, ky: k, turn: 0, pivot: { x: 0, y: 0 } }) ??
      kind.scaled?.(layer, k)),
  };
  if (layer.kind === 'shape') {
    return { ...larger, radius: layer.radius * k, effects: scaledEffects(layer, k) };
  }
  return 'effects' in layer ? { ...larger, effects: scaledEffects(layer, k) } : larger;
}

const scaledEffects = ({ effects }: ObjectLayer, k: number): Effect[] =>
  effects.map((effect) => effectOf(effect).scaled(effect, k));

/** The schema of a kind; of an unknown kind, one that refuses it by name. */
export const layerSchema = (kind: string | undefined): ObjectSchema<object> =>
  kind !== undefined && kind in kinds
    ? kinds[kind as LayerKindName].schema
    : object({ kind: string().oneOf(Object.keys(kinds)).required() });

/** What lies at a place: a photo, a text or a shape. */
export const isObject = (layer: Layer): layer is ObjectLayer => kindOf(layer).role === 'thing';
