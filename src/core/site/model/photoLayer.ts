import type { Effect } from './effects';
import type { Hex } from './hex';
import type { LayerBase } from './layerBase';

/** A place of the plain surround and the colour there, px of the photograph. */
export interface SurroundSample {
  readonly x: number;
  readonly y: number;
  readonly colour: Hex;
}

/** One stroke of the brush: takes away, or brings back. */
export interface BrushStroke {
  readonly mode: 'away' | 'back';
  /** Diameter, px of the photograph. */
  readonly size: number;
  /** x, y after x, y, px of the photograph. */
  readonly points: readonly number[];
}

/**
 * What was kept of a part of a photograph when it was cut out by a loop: a raster of as many columns
 * and rows over that part, as lengths of ground and of thing in turn, ground first. All else went.
 */
export interface CutArea {
  /** The part, whole px of the photograph. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly columns: number;
  readonly rows: number;
  readonly runs: readonly number[];
}

/** How a photograph's surround is made see-through. */
export interface CutOut {
  readonly samples: readonly SurroundSample[];
  /**
   * Largest difference from a sample that is still surround: a hundred times the distance in OKLab.
   */
  readonly tolerance: number;
  /** Px of the photograph over which the edge fades inwards. */
  readonly softness: number;
  /** Only what hangs together with a sample's place, and not the same colour everywhere. */
  readonly joined: boolean;
  readonly strokes: readonly BrushStroke[];
  /** What a loop around a thing left of it; the surround's colours go besides. */
  readonly area: CutArea | null;
}

/** Part of a photograph, whole px. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A photograph, or a part of one, lying at a place; the slot's edges cut it. */
export interface PhotoLayer extends LayerBase {
  readonly kind: 'photo';
  readonly assetId: string;
  readonly sourceWidth: number;
  readonly sourceHeight: number;
  /** The part of it that is used; all where there is none. */
  readonly crop: Crop | null;
  readonly cutOut: CutOut | null;
  /** Upper left corner of that part before it is turned, in slot px. */
  readonly x: number;
  readonly y: number;
  /** Slot px per photograph px, sideways. */
  readonly scale: number;
  /** Height against width, beyond the photograph's own: 1 where it is not distorted. */
  readonly stretch: number;
  /** Degrees clockwise about its middle. */
  readonly turn: number;
  readonly flipX: boolean;
  readonly flipY: boolean;
  /** Sharpening after reduction, 0..1, or as much as fits the reduction. */
  readonly sharpen: number | 'fitting';
  readonly effects: readonly Effect[];
  readonly hangs: boolean;
}
