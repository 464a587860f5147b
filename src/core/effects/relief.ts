import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { ReliefEffect } from '../site/model/effects';
import { evenOutsets, type EffectKind } from './kind';

/**
 * A raised or sunken look. The surface rises at 45 degrees from the contour; each place is as
 * bright as Lambert's cosine law has it, the cosine between the surface's normal and the light,
 * against what a level place gets: brighter ones are mixed with the highlight, darker ones with the
 * shade, fully where the surface faces the light and where it is turned away.
 */
export const relief: EffectKind<ReliefEffect> = {
  kind: 'relief',
  title: 'Relief',
  order: 0,
  schema: object({
    kind: string().oneOf(['relief']).required(),
    depth: number().min(-100).max(100).required(),
    softness: number().min(0).max(50).required(),
    direction: number().min(0).max(360).required(),
    height: number().min(5).max(85).required(),
    highlight: hexField(),
    shade: hexField(),
    opacity: number().min(0).max(1).required(),
  }),
  make: () => ({
    kind: 'relief',
    depth: 3,
    softness: 1,
    direction: 315,
    height: 45,
    highlight: '#ffffff',
    shade: '#000000',
    opacity: 0.6,
  }),
  outsets: ({ softness }) => evenOutsets(Math.ceil(softness) + 3),
  scaled: (effect, k) => ({ ...effect, depth: effect.depth * k, softness: effect.softness * k }),
  figure: ({ depth, direction }) =>
    `${depth < 0 ? 'sunken' : 'raised'} ${Math.abs(depth)} px, ${direction}°`,
};
