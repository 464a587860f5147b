import type { Effect, EffectName } from '../../site/model/effects';
import type { ApplyEffect } from '../kind';
import { applyGlow } from './glow';
import { applyOutline } from './outline';
import { applyRelief } from './relief';
import { applyShadow } from './shadow';

const lays: { readonly [K in EffectName]: ApplyEffect<Extract<Effect, { kind: K }>> } = {
  shadow: applyShadow,
  glow: applyGlow,
  outline: applyOutline,
  relief: applyRelief,
};

/** How an effect is laid; safe because its `kind` picks the way written for it. */
export const applierOf = (effect: Effect): ApplyEffect =>
  lays[effect.kind] as unknown as ApplyEffect;
