import { array, lazy, object, string, type ObjectSchema } from 'yup';
import type { Effect, EffectName } from '../site/model/effects';
import { glow } from './glow';
import type { EffectKind } from './kind';
import { outline } from './outline';
import { relief } from './relief';
import { shadow } from './shadow';

const kinds = { shadow, glow, outline, relief } as const satisfies {
  [K in EffectName]: EffectKind<Extract<Effect, { kind: K }>>;
};

export const effectNames = Object.keys(kinds) as EffectName[];

/**
 * The definition of an effect's kind; safe because an effect's `kind` picks the definition written
 * for it.
 */
export const effectOf = (effect: { kind: EffectName }): EffectKind =>
  kinds[effect.kind] as unknown as EffectKind;

const effectSchema = (kind: string | undefined): ObjectSchema<object> =>
  kind !== undefined && kind in kinds
    ? kinds[kind as EffectName].schema
    : object({ kind: string().oneOf(Object.keys(kinds)).required() });

/** Field of the layers that can have effects. */
export const effectsField = () =>
  array()
    .of(lazy((effect: Effect | undefined) => effectSchema(effect?.kind)))
    .max(20)
    .required();
