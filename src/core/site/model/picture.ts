import type { Hex } from './hex';
import type { Layer } from './layer';

export interface GradientStop {
  /** 0 at the beginning to 1 at the end. */
  readonly at: number;
  readonly colour: Hex;
}

/**
 * A gradient as CSS Images draws it: from edge to edge at an angle, or from the middle to the
 * corners.
 */
export interface GradientGround {
  readonly type: 'gradient';
  readonly shape: 'linear' | 'radial';
  /** Degrees as in CSS: 0 upwards, 90 to the right; a radial one takes no notice of it. */
  readonly angle: number;
  /** In order, at least two. */
  readonly stops: readonly GradientStop[];
  /** Where colours are mixed. */
  readonly space: 'srgb' | 'oklch';
}

export type Ground =
  { readonly type: 'colour'; readonly colour: Hex } | GradientGround | { readonly type: 'none' };

export type ImageFormat = 'jpeg' | 'png' | 'webp' | 'avif';

export interface EncodeSettings {
  readonly format: ImageFormat;
  /** 1..100; a lossless file takes no notice of it. */
  readonly quality: number;
  /** Of WebP and AVIF: every level as it is. PNG always is, and JPEG never. */
  readonly lossless: boolean;
  /**
   * Of PNG: a palette of so many colours at most, those along the borders and the theme's exactly;
   * null for all colours.
   */
  readonly colours: number | null;
  /**
   * Of JPEG and AVIF: hue and chroma for every px, or for every second one both ways. WebP with
   * loss always halves them.
   */
  readonly chroma: 'full' | 'half';
  /** Of JPEG: which of the encoder's quantisation tables, 0..8. */
  readonly table: number;
  /** Of AVIF: how long the encoder looks for what takes fewer bytes. */
  readonly effort: 'usual' | 'most';
  /** Of a palette: colours between two of its own are mixed of both, px by px. */
  readonly dithered: boolean;
}

/** How alike a file has to stay to what was drawn. */
export type Care = 'close' | 'careful' | 'light';

/** What the search for the lightest file is to hold: a likeness, or a number of bytes. */
export type Aim =
  { readonly by: 'care'; readonly care: Care } | { readonly by: 'bytes'; readonly bytes: number };

/** How the files of another size are written, where that was searched for. */
export interface SizedEncodeSettings {
  /** Px of the file on one of the slot. */
  readonly scale: number;
  /** The file at its own size that it was found beside; beside another it does not count. */
  readonly beside: EncodeSettings;
  readonly press: EncodeSettings;
  /** The file for older browsers; null where none is needed. */
  readonly fallback: EncodeSettings | null;
}

export interface Picture {
  readonly id: string;
  readonly ground: Ground;
  /** From back to front. */
  readonly layers: readonly Layer[];
  /** Where the light comes from that falls on raised things and casts shadows, degrees clockwise from the top. */
  readonly light: number;
  readonly press: EncodeSettings;
  readonly aim: Aim;
  /** The file for browsers that do not know the first one's format; null for the usual one. */
  readonly fallback: EncodeSettings | null;
  /** The files of other sizes; those that are not among them are written as the first one. */
  readonly sized: readonly SizedEncodeSettings[];
  /** Alternative text. */
  readonly alt: string;
  /** It only decorates: the alternative text is empty on purpose. */
  readonly decorative: boolean;
}
