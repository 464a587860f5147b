import type { Rect } from '../raster/raster';
import type { Side, Slot } from '../site/model/slot';
import { isContent } from '../slots/registry';
import type { Size } from './placement';

/**
 * Px by which a file reaches beyond its slot at each side, for layers that hang out over its edge.
 */
export type Overlap = Readonly<Record<Side, number>>;

export const noOverlap: Overlap = { top: 0, right: 0, bottom: 0, left: 0 };

/** The overlap of a slot; backgrounds are cut by their elements and have none. */
export const overlapOf = ({ kind, overlap }: Pick<Slot, 'kind' | 'overlap'>): Overlap =>
  isContent(kind) ? overlap : noOverlap;

export const hasOverlap = ({ top, right, bottom, left }: Overlap): boolean =>
  top + right + bottom + left > 0;

/** Size of a slot's file. */
export const fileSize = ({ width, height }: Size, { top, right, bottom, left }: Overlap): Size => ({
  width: width + left + right,
  height: height + top + bottom,
});

/** Where the slot lies in its file. */
export const slotInFile = ({ width, height }: Size, { top, left }: Overlap): Rect => ({
  x: left,
  y: top,
  width,
  height,
});

/** Where the file lies, when its slot lies there at that scale. */
export function withOverlap(
  rect: Rect,
  { top, right, bottom, left }: Overlap,
  scale: number,
): Rect {
  return {
    x: rect.x - left * scale,
    y: rect.y - top * scale,
    width: rect.width + (left + right) * scale,
    height: rect.height + (top + bottom) * scale,
  };
}
