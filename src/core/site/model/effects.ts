import type { Hex } from './hex';

/** A soft copy of the shape under it. */
export interface ShadowEffect {
  readonly kind: 'shadow';
  /** Px to the right and downwards. */
  readonly x: number;
  readonly y: number;
  /** It falls away from the picture's light, as far as `x` and `y` are long. */
  readonly byLight: boolean;
  /** As in CSS: twice the standard deviation of the blur, px. */
  readonly blur: number;
  /** Px the shape is grown by before it is blurred; shrunk where negative. */
  readonly spread: number;
  readonly colour: Hex;
  readonly opacity: number;
}

/** Light along the contour, fading away from it. */
export interface GlowEffect {
  readonly kind: 'glow';
  readonly side: 'outside' | 'inside';
  /** Px from the contour to where nothing is left of it. */
  readonly size: number;
  readonly colour: Hex;
  readonly opacity: number;
}

export interface OutlineEffect {
  readonly kind: 'outline';
  readonly side: 'inside' | 'centre' | 'outside';
  readonly width: number;
  readonly colour: Hex;
  readonly opacity: number;
}

/** A raised look, or a sunken one, under a light. */
export interface ReliefEffect {
  readonly kind: 'relief';
  /** Px over which the surface rises from the contour, and by how much; sunken where negative. */
  readonly depth: number;
  /** Not the whole surface, but a groove along the contour that is so deep. */
  readonly engraved: boolean;
  /** Px over which its ridges are rounded. */
  readonly softness: number;
  /** Where its own light comes from, degrees clockwise from the top; null under the picture's. */
  readonly direction: number | null;
  /** Height of the light over the surface, degrees. */
  readonly height: number;
  /** What is turned to the light and away from it; null for lighter and darker than what lies there. */
  readonly highlight: Hex | null;
  readonly shade: Hex | null;
  readonly opacity: number;
}

export type Effect = ShadowEffect | GlowEffect | OutlineEffect | ReliefEffect;

export type EffectName = Effect['kind'];
