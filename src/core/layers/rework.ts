import { number, object, string } from 'yup';
import type { Axes, BlurLayer, JoinLayer, JoinMethod } from '../site/model/blendLayers';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

/* Layers that make the picture anew from all that lies below them. */

const axes: readonly Axes[] = ['x', 'y', 'both'];
const methods: readonly JoinMethod[] = ['overlap', 'mirror', 'heal'];

export const newJoin = (id: string, method: JoinMethod, along: Axes, band: number): JoinLayer => ({
  ...baseDefaults(id),
  kind: 'join',
  method,
  axes: along,
  band,
});

export const join: DefinitionOf<JoinLayer> = {
  kind: 'join',
  role: 'change',
  title: 'Join',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['join']).required(),
    method: string().oneOf(methods).required(),
    axes: string().oneOf(axes).required(),
    band: number().min(1).max(2000).required(),
  }),
  key: ({ method, axes: along, band }) => `${method} ${along} ${band}`,
  place: () => ({ x: 0, y: 0 }),
  scaled: ({ band }, k) => ({ band: Math.max(1, band * k) }),
  figure: ({ method, band }) => (method === 'mirror' ? 'mirrored' : `${Math.round(band)} px`),
  name: (layer) => layer.name || 'Join',
};

export const newBlur = (id: string, radius: number, wraps: BlurLayer['wraps']): BlurLayer => ({
  ...baseDefaults(id),
  kind: 'blur',
  radius,
  wraps,
});

export const blur: DefinitionOf<BlurLayer> = {
  kind: 'blur',
  role: 'change',
  title: 'Blur',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['blur']).required(),
    radius: number().min(0).max(200).required(),
    wraps: string()
      .oneOf([...axes, 'none'])
      .required(),
  }),
  key: ({ radius, wraps }) => `${radius} ${wraps}`,
  place: () => ({ x: 0, y: 0 }),
  scaled: ({ radius }, k) => ({ radius: radius * k }),
  figure: ({ radius }) => `${Math.round(radius * 10) / 10} px`,
  name: (layer) => layer.name || 'Blur',
};
