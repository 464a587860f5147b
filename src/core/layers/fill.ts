import { lazy, mixed, number, object, string, type Schema } from 'yup';
import { hexField } from '../colour/hexField';
import { colourOf } from '../colour/parse';
import type { Size } from '../frame/placement';
import type { Mask } from '../raster/raster';
import type { Extent, FillLayer } from '../site/model/blendLayers';
import type { Hex } from '../site/model/hex';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

/** A wash; about half strength is where owners begin (common practice, no source). */
export const newWash = (id: string, colour: Hex, strength = 0.5): FillLayer => ({
  ...baseDefaults(id),
  kind: 'fill',
  colour,
  opacity: strength,
  extent: { type: 'all' },
});

const extents: Readonly<Record<string, Schema>> = {
  all: object({ type: string() }),
  box: object({
    type: string(),
    x: number().required(),
    y: number().required(),
    width: number().min(1).required(),
    height: number().min(1).required(),
    soft: number().min(0).max(2000).required(),
  }),
  side: object({
    type: string(),
    side: string().oneOf(['top', 'right', 'bottom', 'left']).required(),
    full: number().min(0).required(),
    reach: number().min(0).required(),
  }),
};

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

export const fill: DefinitionOf<FillLayer> = {
  kind: 'fill',
  role: 'paint',
  title: 'Wash',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['fill']).required(),
    colour: hexField(),
    extent: lazy(
      (extent: { type?: string } | undefined) =>
        extents[extent?.type ?? ''] ?? mixed().oneOf(['all, a box or a side']).required(),
    ),
  }),
  key: ({ colour, extent }) =>
    extent.type === 'all' ? colour : `${colour} ${JSON.stringify(extent)}`,
  draw: ({ colour, extent }, { width, height }) =>
    extent.type === 'all'
      ? { type: 'solid', colour: colourOf(colour) }
      : {
          type: 'mask',
          mask: extentMask(extent, { width, height }),
          colour: colourOf(colour),
          x: 0,
          y: 0,
        },
  place: () => ({ x: 0, y: 0 }),
  scaled({ extent }, k) {
    if (extent.type === 'all') {
      return {};
    }
    if (extent.type === 'side') {
      return { extent: { ...extent, full: extent.full * k, reach: extent.reach * k } };
    }
    return {
      extent: {
        ...extent,
        x: extent.x * k,
        y: extent.y * k,
        width: Math.max(1, extent.width * k),
        height: Math.max(1, extent.height * k),
        soft: extent.soft * k,
      },
    };
  },
  figure: (layer) => `${Math.round(layer.opacity * 100)}%`,
  name: (layer) => layer.name || 'Wash',
};
