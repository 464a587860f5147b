import { lazy, mixed, number, object, string, type Schema } from 'yup';
import { hexField } from '../colour/hexField';
import type { FillLayer } from '../site/model/blendLayers';
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
