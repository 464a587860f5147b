import type { Effect } from './effects';
import type { Hex } from './hex';
import type { LayerBase } from './layerBase';

export type TextAlign = 'left' | 'centre' | 'right';

export interface TextLayer extends LayerBase {
  readonly kind: 'text';
  /** Lines are parted by \n. */
  readonly words: string;
  /** Identifier of a font in the font list. */
  readonly font: string;
  readonly sizePx: number;
  readonly weight: number;
  readonly italic: boolean;
  /** Between letters, as a share of the size. */
  readonly spacing: number;
  /** From base line to base line, as a multiple of the size. */
  readonly lineHeight: number;
  /** Width and height of the letters, 1 for the font's own. */
  readonly stretchX: number;
  readonly stretchY: number;
  readonly colour: Hex;
  readonly align: TextAlign;
  /**
   * Lines are broken at this width, slot px, stretched as the letters are; null where only \n
   * breaks them.
   */
  readonly wrap: number | null;
  /**
   * The point the lines are aligned to, and the top of the first line; slot px, whole ones unless
   * it is turned.
   */
  readonly x: number;
  readonly y: number;
  /** Degrees clockwise about that point. */
  readonly turn: number;
  readonly effects: readonly Effect[];
  readonly hangs: boolean;
  /**
   * The words are handed over as text of the page, over the picture, and are no part of the file.
   */
  readonly live: boolean;
}

/** A line is a long low rectangle; a band goes across the slot from edge to edge. */
export type ShapeName = 'rectangle' | 'ellipse' | 'line' | 'band';

export interface ShapeLayer extends LayerBase {
  readonly kind: 'shape';
  readonly shape: ShapeName;
  /**
   * Upper left corner before it is turned, slot px; of a band only its height and the middle count.
   */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** Degrees clockwise about its middle. */
  readonly turn: number;
  /** Of the corners, px. */
  readonly radius: number;
  /** Null for a shape that is only an outline. */
  readonly fill: Hex | null;
  readonly effects: readonly Effect[];
  /** It may hang out over the slot's edges, as far as the slot's overlap allows. */
  readonly hangs: boolean;
}
