import { boolean, number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { blurRadius } from '../raster/blurRadius';
import type { ShadowEffect } from '../site/model/effects';
import type { EffectKind } from './kind';

/**
 * CSS Backgrounds and Borders Level 3, section 7.1.1: the standard deviation is half the blur
 * radius.
 */
export const sigmaOf = (effect: ShadowEffect): number => effect.blur / 2;

/** How far a shadow lies from what casts it, px. */
export const farOf = ({ x, y }: Pick<ShadowEffect, 'x' | 'y'>): number =>
  Math.round(Math.hypot(x, y));

export const shadow: EffectKind<ShadowEffect> = {
  kind: 'shadow',
  title: 'Shadow',
  order: 4,
  schema: object({
    kind: string().oneOf(['shadow']).required(),
    x: number().integer().min(-500).max(500).required(),
    y: number().integer().min(-500).max(500).required(),
    byLight: boolean().required(),
    blur: number().min(0).max(300).required(),
    spread: number().min(-100).max(100).required(),
    colour: hexField(),
    opacity: number().min(0).max(1).required(),
  }),
  make: ({ dark }) => ({
    kind: 'shadow',
    x: 0,
    y: 4,
    byLight: true,
    blur: 6,
    spread: 0,
    colour: dark,
    opacity: 0.6,
  }),
  outsets(effect) {
    const soft = blurRadius(sigmaOf(effect)) + Math.max(0, Math.ceil(effect.spread)) + 1;
    return {
      left: Math.max(0, soft - effect.x),
      right: Math.max(0, soft + effect.x),
      top: Math.max(0, soft - effect.y),
      bottom: Math.max(0, soft + effect.y),
    };
  },
  scaled: (effect, k) => ({
    ...effect,
    x: Math.round(effect.x * k),
    y: Math.round(effect.y * k),
    blur: effect.blur * k,
    spread: effect.spread * k,
  }),
  figure: ({ x, y, blur, byLight }) =>
    byLight ? `${farOf({ x, y })} px far, ${blur} px soft` : `${x}, ${y}, ${blur} px`,
};
