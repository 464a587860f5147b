import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { OutlineEffect } from '../site/model/effects';
import { evenOutsets, type EffectKind } from './kind';

/** How far an outline goes to each side of the contour, px. */
export function outlineWidths({ side, width }: OutlineEffect): { inside: number; outside: number } {
  const inside = { inside: width, centre: width / 2, outside: 0 }[side];
  return {
    inside,
    outside: width - inside,
  };
}

/**
 * A line of even width along the contour; its distance from every place of the contour is the same,
 * so its joins are round.
 */
export const outline: EffectKind<OutlineEffect> = {
  kind: 'outline',
  title: 'Outline',
  order: 2,
  schema: object({
    kind: string().oneOf(['outline']).required(),
    side: string().oneOf(['inside', 'centre', 'outside']).required(),
    width: number().min(0.5).max(100).required(),
    colour: hexField(),
    opacity: number().min(0).max(1).required(),
  }),
  make: ({ dark }) => ({ kind: 'outline', side: 'outside', width: 2, colour: dark, opacity: 1 }),
  outsets: (effect) => evenOutsets(Math.ceil(outlineWidths(effect).outside) + 1),
  scaled: (effect, k) => ({ ...effect, width: Math.max(0.5, effect.width * k) }),
  figure: ({ side, width }) => `${side}, ${width} px`,
};
