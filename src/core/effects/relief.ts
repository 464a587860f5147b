import { boolean, number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { ReliefEffect } from '../site/model/effects';
import { usualHeight } from './usualLight';
import { evenOutsets, type EffectKind } from './kind';

/** What a relief looks like. */
export type ReliefLook = 'raised' | 'pressed in' | 'engraved line';

export const lookOf = ({ depth, engraved }: ReliefEffect): ReliefLook => {
  if (engraved) {
    return 'engraved line';
  }
  return depth < 0 ? 'pressed in' : 'raised';
};

/** Px that a relief is deep when it is as strong as can be: of a whole surface, and of a groove. */
const deepest = { surface: 12, groove: 4 };

const deepestOf = (engraved: boolean): number => (engraved ? deepest.groove : deepest.surface);

/** How strong a relief is, 0..1, by how deep it is. */
export const strengthOf = ({ depth, engraved }: ReliefEffect): number =>
  Math.min(1, Math.abs(depth) / deepestOf(engraved));

/** How deep a relief of some strength is, and how much of its light and shade is seen. */
export const ofStrength = (
  strength: number,
  engraved: boolean,
): Pick<ReliefEffect, 'depth' | 'opacity'> => ({
  depth: Math.max(0.5, Math.round(2 * strength * deepestOf(engraved)) / 2),
  opacity: Math.round((0.4 + 0.5 * strength) * 100) / 100,
});

/** A relief of another look, as strong as it was. */
export function asLook(effect: ReliefEffect, look: ReliefLook): Partial<ReliefEffect> {
  const engraved = look === 'engraved line';
  const { depth } = ofStrength(strengthOf(effect), engraved);
  return { engraved, depth: look === 'pressed in' ? -depth : depth };
}

/** A relief of another strength. */
export function asStrong(effect: ReliefEffect, strength: number): Partial<ReliefEffect> {
  const { depth, opacity } = ofStrength(strength, effect.engraved);
  return { depth: effect.depth < 0 ? -depth : depth, opacity };
}

/**
 * A raised or sunken look. The surface rises at 45 degrees from the contour; each place is as
 * bright as Lambert's cosine law has it, the cosine between the surface's normal and the light,
 * against what a level place gets: brighter ones are mixed with the highlight, darker ones with the
 * shade, fully where the surface faces the light and where it is turned away. Colours that are not given are
 * derived from what lies there.
 */
export const relief: EffectKind<ReliefEffect> = {
  kind: 'relief',
  title: 'Relief',
  order: 0,
  schema: object({
    kind: string().oneOf(['relief']).required(),
    depth: number().min(-100).max(100).required(),
    softness: number().min(0).max(50).required(),
    engraved: boolean().required(),
    direction: number().min(0).max(360).nullable().defined(),
    height: number().min(5).max(85).required(),
    highlight: hexField().nullable().defined(),
    shade: hexField().nullable().defined(),
    opacity: number().min(0).max(1).required(),
  }),
  make: () => ({
    kind: 'relief',
    ...ofStrength(0.35, false),
    softness: 1,
    engraved: false,
    direction: null,
    height: usualHeight,
    highlight: null,
    shade: null,
  }),
  outsets: ({ softness }) => evenOutsets(Math.ceil(softness) + 3),
  scaled: (effect, k) => ({ ...effect, depth: effect.depth * k, softness: effect.softness * k }),
  figure: (effect) => lookOf(effect),
};
