import { number, object, string } from 'yup';
import { colourOf } from '../colour/parse';
import type { Hex, TextLayer } from '../site/model';
import { baseDefaults, baseFields, hexField } from './base';
import type { LayerKind } from './kind';

export const newText = (id: string, words: string, font: string, sizePx: number, colour: Hex, x: number, y: number): TextLayer => ({
  ...baseDefaults(id), kind: 'text', words, font, sizePx, weight: 500, colour, align: 'centre', x, y,
});

export const text: LayerKind<TextLayer> = {
  kind: 'text',
  title: 'Text',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['text']).required(),
    words: string().defined(), font: string().min(1).required(),
    sizePx: number().min(4).max(2000).required(), weight: number().integer().min(1).max(1000).required(),
    colour: hexField(), align: string().oneOf(['left', 'centre', 'right']).required(),
    x: number().integer().required(), y: number().integer().required(),
  }),
  key: (layer) => JSON.stringify([layer.words, layer.font, layer.sizePx, layer.weight, layer.align, layer.colour]),
  draw(layer, context) {
    const { mask, x, y } = context.glyphs.cover(layer);
    return { type: 'mask', mask, colour: colourOf(layer.colour), x, y };
  },
  place: ({ x, y }) => ({ x, y }),
  figure: (layer) => `${layer.sizePx} px`,
  name: (layer) => layer.name || layer.words.split('\n')[0].trim() || 'Empty text',
  moved: (layer, dx, dy) => ({ x: layer.x + Math.round(dx), y: layer.y + Math.round(dy) }),
};
