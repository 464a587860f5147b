import { colourOf } from '../../colour/parse';
import type { Size } from '../../frame/placement';
import type { Mask } from '../../raster/raster';
import type { Extent, FillLayer } from '../../site/model/blendLayers';
import type { Draw } from '../kind';

/** From 1 where a fade begins to 0 at its end, without a corner at either. */
const falling = (t: number): number => {
  const k = Math.min(1, Math.max(0, t));
  return 1 - k * k * (3 - 2 * k);
};

/** How strong a wash is at the middle of a px, 0..1. */
export function extentAt(extent: Extent, { width, height }: Size, x: number, y: number): number {
  if (extent.type === 'all') {
    return 1;
  }
  if (extent.type === 'box') {
    const dx = Math.max(extent.x - x, 0, x - extent.x - extent.width);
    const dy = Math.max(extent.y - y, 0, y - extent.y - extent.height);
    const far = Math.hypot(dx, dy);
    if (extent.soft > 0) {
      return falling(far / extent.soft);
    }
    if (far > 0) {
      return 0;
    }
    return 1;
  }
  const from = { left: x, right: width - x, top: y, bottom: height - y }[extent.side];
  if (from <= extent.full) {
    return 1;
  }
  return extent.reach > extent.full
    ? falling((from - extent.full) / (extent.reach - extent.full))
    : 0;
}

function extentMask(extent: Extent, size: Size): Mask {
  const data = new Uint8Array(size.width * size.height);
  for (let y = 0, i = 0; y < size.height; y++) {
    for (let x = 0; x < size.width; x++, i++) {
      data[i] = Math.round(255 * extentAt(extent, size, x + 0.5, y + 0.5));
    }
  }
  return { ...size, data };
}

export const drawFill: Draw<FillLayer> = ({ colour, extent }, { width, height }) =>
  extent.type === 'all'
    ? { type: 'solid', colour: colourOf(colour) }
    : {
        type: 'mask',
        mask: extentMask(extent, { width, height }),
        colour: colourOf(colour),
        x: 0,
        y: 0,
      };
