import type { Effect, EffectName } from '../../site/model/effects';
import type { Lay } from '../kind';
import { layGlow } from './glow';
import { layOutline } from './outline';
import { layRelief } from './relief';
import { layShadow } from './shadow';

const lays: { readonly [K in EffectName]: Lay<Extract<Effect, { kind: K }>> } = {
  shadow: layShadow,
  glow: layGlow,
  outline: layOutline,
  relief: layRelief,
};

/** How an effect is laid; safe because its `kind` picks the way written for it. */
export const layOf = (effect: Effect): Lay => lays[effect.kind] as unknown as Lay;
