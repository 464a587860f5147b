import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import { plainTone } from '../recolour/plainTone';
import type { HueLayer, RecolourLayer, ToneLayer, TwoToneLayer } from '../site/model/colourLayers';
import type { Hex } from '../site/model/hex';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

const reachField = () => string().oneOf(['below', 'beneath']).required();
const origin = { x: 0, y: 0 } as const;
const percent = (v: number): string => `${Math.round(v * 100)}%`;
/** What a card says of a recolouring that reaches one layer only. */
const reachWords = ({ reach }: RecolourLayer): string => (reach === 'beneath' ? ' ↓' : '');

export const isRecolour = (layer: { kind: string }): layer is RecolourLayer =>
  layer.kind === 'tone' || layer.kind === 'twotone' || layer.kind === 'hue';

export const newTone = (id: string): ToneLayer => ({
  ...baseDefaults(id),
  kind: 'tone',
  reach: 'below',
  ...plainTone,
});
export const newTwoTone = (id: string, dark: Hex, light: Hex): TwoToneLayer => ({
  ...baseDefaults(id),
  kind: 'twotone',
  reach: 'below',
  dark,
  light,
});
export const newHue = (id: string, colour: Hex): HueLayer => ({
  ...baseDefaults(id),
  kind: 'hue',
  reach: 'below',
  colour,
});

export const tone: DefinitionOf<ToneLayer> = {
  kind: 'tone',
  role: 'recolour',
  title: 'Tone',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['tone']).required(),
    reach: reachField(),
    brightness: number().min(0).max(3).required(),
    contrast: number().min(0).max(3).required(),
    saturation: number().min(0).max(3).required(),
    warmth: number().min(-1).max(1).required(),
    greyscale: number().min(0).max(1).required(),
    invert: number().min(0).max(1).required(),
  }),
  key: ({ brightness, contrast, saturation, warmth, greyscale, invert }) =>
    JSON.stringify([brightness, contrast, saturation, warmth, greyscale, invert]),
  place: () => origin,
  figure: (layer) =>
    (layer.opacity < 1 ? percent(layer.opacity) : `☀ ${percent(layer.brightness)}`) +
    reachWords(layer),
  name: (layer) => layer.name || 'Tone',
};

export const twotone: DefinitionOf<TwoToneLayer> = {
  kind: 'twotone',
  role: 'recolour',
  title: 'Two-tone',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['twotone']).required(),
    reach: reachField(),
    dark: hexField(),
    light: hexField(),
  }),
  key: ({ dark, light }) => `${dark} ${light}`,
  place: () => origin,
  figure: (layer) => percent(layer.opacity) + reachWords(layer),
  name: (layer) => layer.name || 'Two-tone',
};

export const hue: DefinitionOf<HueLayer> = {
  kind: 'hue',
  role: 'recolour',
  title: 'Hue',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['hue']).required(),
    reach: reachField(),
    colour: hexField(),
  }),
  key: ({ colour }) => colour,
  place: () => origin,
  figure: (layer) => percent(layer.opacity) + reachWords(layer),
  name: (layer) => layer.name || 'Hue',
};
