import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { GlowEffect } from '../site/model/effects';
import { evenOutsets, type EffectKind } from './kind';

/** Falls off with the distance from the contour by a smooth step (ours). */
export const glow: EffectKind<GlowEffect> = {
  kind: 'glow',
  title: 'Glow',
  order: 3,
  schema: object({
    kind: string().oneOf(['glow']).required(),
    side: string().oneOf(['outside', 'inside']).required(),
    size: number().min(1).max(200).required(),
    colour: hexField(),
    opacity: number().min(0).max(1).required(),
  }),
  make: ({ light }) => ({ kind: 'glow', side: 'outside', size: 10, colour: light, opacity: 0.7 }),
  outsets: ({ side, size }) => evenOutsets(side === 'outside' ? Math.ceil(size) + 1 : 0),
  scaled: (effect, k) => ({ ...effect, size: Math.max(1, effect.size * k) }),
  figure: ({ side, size }) => `${side}, ${size} px`,
};
