import type { FontFacts } from '../site/model/theme';

/** How a font stands beside another, in figures. */
export interface Pairing {
  /** Height of its small letters against the other's at the same size: 1 for equal. */
  readonly xHeight: number;
  /** Contrast of its strokes against the other's. */
  readonly contrast: number;
  readonly sitsWell: boolean;
}

/**
 * Small letters as tall to a fourteenth look of one size; strokes should be alike, or plainly not
 * (common practice, no source).
 */
const alikeHeight = 0.07;
const alikeStrokes = 1.3;
const otherStrokes = 1.8;

/**
 * A font beside another: it sits well where small letters are about as tall, and strokes are alike
 * or clearly different.
 */
export function pair(font: FontFacts, other: FontFacts): Pairing {
  const xHeight = other.xHeight > 0 ? font.xHeight / other.xHeight : 1;
  const contrast = other.contrast > 0 ? font.contrast / other.contrast : 1;
  const apart = Math.max(contrast, 1 / contrast);
  return {
    xHeight,
    contrast,
    sitsWell:
      Math.abs(xHeight - 1) <= alikeHeight && (apart <= alikeStrokes || apart >= otherStrokes),
  };
}
