import type { ObjectSchema } from 'yup';
import type { AlphaMask } from '../raster/alphaMask';
import type { Effect } from '../site/model/effects';
import type { Hex } from '../site/model/hex';
import type { EffectShape, PremultipliedImage } from './effectShape';

/** Px that an effect reaches beyond a shape, at each side. */
export interface Outsets {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

export const evenOutsets = (px: number): Outsets => ({ left: px, top: px, right: px, bottom: px });

/** Colours that a new effect starts with, from the theme. */
export interface EffectColours {
  readonly dark: Hex;
  readonly light: Hex;
}

/** One kind of effect: everything the rest of the program needs to know of it. */
export interface EffectKind<E extends Effect = Effect> {
  readonly kind: E['kind'];
  readonly title: string;
  readonly schema: ObjectSchema<object>;
  /**
   * Effects are laid in this order, whatever order they were added in; of one kind the later lies
   * under the earlier.
   */
  readonly order: number;
  make(colours: EffectColours): E;
  outsets(effect: E): Outsets;
  /** The effect for a shape so many times as large. */
  scaled(effect: E, k: number): E;
  /** What it is set to, in a few words. */
  figure(effect: E): string;
}

/**
 * Lays an effect on a layer's pixels. Apart from the definition, so that screens, which never draw,
 * need not load it.
 * @param seen cover of the shape with its outlines: glows go round it and it casts the shadows; they
 * themselves do neither
 */
export type ApplyEffect<E extends Effect = Effect> = (
  group: PremultipliedImage,
  body: EffectShape,
  effect: E,
  seen: () => AlphaMask,
) => void;
