import type { Tone } from '../../recolour/plainTone';
import type { Hex } from './hex';
import type { LayerBase } from './layerBase';

/** What a recolouring changes: everything below it, or only the layer right beneath. */
export type RecolourTarget = 'below' | 'beneath';

/** Brightness, contrast, saturation, warmth, greyscale and inversion. */
export interface ToneLayer extends LayerBase, Tone {
  readonly kind: 'tone';
  readonly reach: RecolourTarget;
}

/** The picture's luminance mapped onto two colours. */
export interface TwoToneLayer extends LayerBase {
  readonly kind: 'twotone';
  readonly reach: RecolourTarget;
  readonly dark: Hex;
  readonly light: Hex;
}

/** All hues turned towards that of one colour, with lightness kept. */
export interface HueLayer extends LayerBase {
  readonly kind: 'hue';
  readonly reach: RecolourTarget;
  readonly colour: Hex;
}

export type TextureName =
  'grain' | 'speckle' | 'weave' | 'paper' | 'mosaic' | 'stripes' | 'dots' | 'mesh';

/** A texture over everything below; it joins with itself at the slot's edges. */
export interface TextureLayer extends LayerBase {
  readonly kind: 'texture';
  readonly texture: TextureName;
  readonly colour: Hex;
  /** About the size of one element, px. */
  readonly scale: number;
  /** 0..1. */
  readonly contrast: number;
  readonly seed: number;
}

export type RecolourLayer = ToneLayer | TwoToneLayer | HueLayer;
