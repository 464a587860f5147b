import { number, object, string } from 'yup';
import { hexField } from '../colour/hexField';
import type { TextureLayer, TextureName } from '../site/model/colourLayers';
import type { Hex } from '../site/model/hex';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

/** Sizes textures look natural at, px (ours, by looking). */
export const usualScale: Readonly<Record<TextureName, number>> = {
  grain: 1,
  speckle: 18,
  weave: 6,
  paper: 24,
  mosaic: 28,
  stripes: 10,
  dots: 8,
  mesh: 4,
};

export const newTexture = (id: string, texture: TextureName, colour: Hex): TextureLayer => ({
  ...baseDefaults(id),
  kind: 'texture',
  texture,
  colour,
  scale: usualScale[texture],
  contrast: 1,
  seed: 1,
  opacity: 0.2,
});

export const texture: DefinitionOf<TextureLayer> = {
  kind: 'texture',
  role: 'paint',
  title: 'Texture',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['texture']).required(),
    texture: string().oneOf(Object.keys(usualScale)).required(),
    colour: hexField(),
    scale: number().min(1).max(400).required(),
    contrast: number().min(0).max(1).required(),
    seed: number().integer().min(0).required(),
  }),
  key: (layer) =>
    JSON.stringify([layer.texture, layer.colour, layer.scale, layer.contrast, layer.seed]),
  place: () => ({ x: 0, y: 0 }),
  scaled: (layer, k) => ({ scale: Math.max(1, layer.scale * k) }),
  figure: (layer) => `${Math.round(layer.opacity * 100)}%`,
  name: (layer) => layer.name || `${layer.texture[0].toUpperCase()}${layer.texture.slice(1)}`,
};
