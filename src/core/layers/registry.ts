import { object, string, type ObjectSchema } from 'yup';
import type { Layer, LayerKindName, ObjectLayer } from '../site/model';
import { fade } from './fade';
import { fill } from './fill';
import type { LayerKind } from './kind';
import { photo } from './photo';
import { profile } from './profile';
import { hue, tone, twotone } from './recolour';
import { blur, join } from './rework';
import { shape } from './shape';
import { text } from './text';
import { texture } from './texture';

const kinds = { photo, fill, tone, twotone, hue, texture, text, shape, fade, join, blur, profile } as const satisfies { [K in LayerKindName]: LayerKind<Extract<Layer, { kind: K }>> };

/** The definition of a layer's kind; safe because a layer's `kind` picks the definition written for it. */
export const kindOf = (layer: Layer): LayerKind => kinds[layer.kind] as unknown as LayerKind;

/** The schema of a kind; of an unknown kind, one that refuses it by name. */
export const layerSchema = (kind: string | undefined): ObjectSchema<object> =>
  (kind !== undefined && kind in kinds ? kinds[kind as LayerKindName].schema : object({ kind: string().oneOf(Object.keys(kinds)).required() }));

/** What lies at a place: a photo, a text or a shape. */
export const isObject = (layer: Layer): layer is ObjectLayer => kindOf(layer).box !== undefined;
