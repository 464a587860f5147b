import type { Rect } from '../raster/raster';
import type { BrushStroke } from '../site/model/photoLayer';

/** Cover of a stroke within the part of a raster it touches, 0..1. */
export interface StrokeMask {
  readonly area: Rect;
  readonly data: Float32Array;
}

/** Distance of a point from a piece of a line. */
function fromSegment(
  px: number,
  py: number,
  ax: number,
  ay: number,
  bx: number,
  by: number,
): number {
  const dx = bx - ax;
  const dy = by - ay;
  const length = dx * dx + dy * dy;
  const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((px - ax) * dx + (py - ay) * dy) / length));
  return Math.hypot(px - ax - t * dx, py - ay - t * dy);
}

/**
 * What a round brush covers on its way, with an edge one px soft.
 * @param scale px of the raster for each px the stroke is given in
 */
export function strokeMask(
  { size, points }: BrushStroke,
  scale: number,
  width: number,
  height: number,
): StrokeMask | undefined {
  const r = Math.max(0.5, (size * scale) / 2);
  const xs: number[] = [];
  const ys: number[] = [];
  for (let i = 0; i + 1 < points.length; i += 2) {
    xs.push(points[i] * scale);
    ys.push(points[i + 1] * scale);
  }
  const left = Math.max(0, Math.floor(Math.min(...xs) - r - 1));
  const top = Math.max(0, Math.floor(Math.min(...ys) - r - 1));
  const right = Math.min(width, Math.ceil(Math.max(...xs) + r + 1));
  const bottom = Math.min(height, Math.ceil(Math.max(...ys) + r + 1));
  if (!(right > left && bottom > top)) {
    return undefined;
  }
  const area = { x: left, y: top, width: right - left, height: bottom - top };
  const data = new Float32Array(area.width * area.height);
  for (let k = 0; k < xs.length; k++) {
    const ax = xs[Math.max(0, k - 1)];
    const ay = ys[Math.max(0, k - 1)];
    const bx = xs[k];
    const by = ys[k];
    const x0 = Math.max(left, Math.floor(Math.min(ax, bx) - r - 1));
    const x1 = Math.min(right, Math.ceil(Math.max(ax, bx) + r + 1));
    const y0 = Math.max(top, Math.floor(Math.min(ay, by) - r - 1));
    const y1 = Math.min(bottom, Math.ceil(Math.max(ay, by) + r + 1));
    for (let y = y0; y < y1; y++) {
      for (let x = x0; x < x1; x++) {
        const alphaMask = Math.min(1, r + 0.5 - fromSegment(x + 0.5, y + 0.5, ax, ay, bx, by));
        const i = (y - top) * area.width + x - left;
        if (alphaMask > data[i]) {
          data[i] = alphaMask;
        }
      }
    }
  }
  return { area, data };
}
