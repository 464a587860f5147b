import { object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { colourOf } from '../colour/parse';
import type { FillLayer, Hex } from '../site/model';
import { baseDefaults, baseFields } from './base';
import type { LayerKind } from './kind';

/** A wash; about half strength is where owners begin (common practice, no source). */
export const newWash = (id: string, colour: Hex, strength = 0.5): FillLayer => ({ ...baseDefaults(id), kind: 'fill', colour, opacity: strength });

export const fill: LayerKind<FillLayer> = {
  kind: 'fill',
  title: 'Wash',
  schema: object({ ...baseFields, kind: string().oneOf(['fill']).required(), colour: hexField() }),
  key: (layer) => layer.colour,
  draw: (layer) => ({ type: 'solid', colour: colourOf(layer.colour) }),
  place: () => ({ x: 0, y: 0 }),
  figure: (layer) => `${Math.round(layer.opacity * 100)}%`,
  name: (layer) => layer.name || 'Wash',
};
