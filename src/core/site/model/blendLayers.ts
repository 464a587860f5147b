import type { Hex } from './hex';
import type { LayerBase } from './layerBase';
import type { Side } from './slot';

/**
 * Where a wash lies: everywhere; in a box that fades out over `soft` px around it; or from one
 * side, whole for `full` px and from there fading out until `reach` px.
 */
export type Extent =
  | { readonly type: 'all' }
  | {
      readonly type: 'box';
      readonly x: number;
      readonly y: number;
      readonly width: number;
      readonly height: number;
      readonly soft: number;
    }
  | { readonly type: 'side'; readonly side: Side; readonly full: number; readonly reach: number };

/** One colour over what is below: a wash, or a veil. */
export interface FillLayer extends LayerBase {
  readonly kind: 'fill';
  readonly colour: Hex;
  readonly extent: Extent;
}

export type Corner = 'topLeft' | 'topRight' | 'bottomRight' | 'bottomLeft';

/** How a fade grows from the edge inwards. */
export type FadeCurve = 'linear' | 'smooth' | 'late' | 'early';

/**
 * Everything below fades out towards the edges: into a colour, or into see-through where there is
 * none.
 */
export interface FadeLayer extends LayerBase {
  readonly kind: 'fade';
  /** Px from each side over which it fades; 0 for none. */
  readonly sides: Readonly<Record<Side, number>>;
  /** Px from each corner. */
  readonly corners: Readonly<Record<Corner, number>>;
  readonly curve: FadeCurve;
  readonly into: Hex | null;
}

export type JoinMethod = 'overlap' | 'mirror' | 'heal';

export type Axes = 'x' | 'y' | 'both';

/** Everything below is made to join with itself when it is repeated. */
export interface JoinLayer extends LayerBase {
  readonly kind: 'join';
  readonly method: JoinMethod;
  readonly axes: Axes;
  /** Px over which what is blended or healed goes over into the rest. */
  readonly band: number;
}

/** Everything below out of focus. */
export interface BlurLayer extends LayerBase {
  readonly kind: 'blur';
  /** Standard deviation, px. */
  readonly radius: number;
  /** Along which axes the picture is repeated, so that its joins stay. */
  readonly wraps: Axes | 'none';
}

export type ProfileName = 'ridge' | 'wave' | 'scallop' | 'step' | 'torn' | 'slope' | 'own';

/** A point of a line of one's own: its place along one repetition, and its height; both 0..1. */
export interface LinePoint {
  readonly at: number;
  readonly level: number;
}

/** The profile of a section's upper edge, in one colour, seamless sideways. */
export interface ProfileLayer extends LayerBase {
  readonly kind: 'profile';
  readonly profile: ProfileName;
  readonly colour: Hex;
  readonly seed: number;
  /** How many elements lie side by side. */
  readonly count: number;
  /** Share of the slot's height that the highest of the front profile takes, 0..1. */
  readonly rise: number;
  /** Profiles behind each other; those farther back are higher and fainter. */
  readonly depths: number;
  /** Of a line of the owner's own, from left to right; without any the line is flat. */
  readonly points: readonly LinePoint[];
}
