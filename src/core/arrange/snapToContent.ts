import type { Rect } from '../raster/raster';

/**
 * Px that bring a slot's left, middle or right onto the content's, if one of them is near.
 * @param dx movement asked for, px @param within how near a line must be, px
 */
export function snappedToContent(
  rect: Rect,
  content: { readonly x: number; readonly width: number },
  dx: number,
  within: number,
): { dx: number; guide?: number } {
  const pairs = [
    [rect.x, content.x],
    [rect.x + rect.width / 2, content.x + content.width / 2],
    [rect.x + rect.width, content.x + content.width],
  ];
  for (const [from, to] of pairs) {
    if (Math.abs(to - (from + dx)) <= within) {
      return { dx: to - from, guide: to };
    }
  }
  return { dx };
}
