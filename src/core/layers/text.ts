import { boolean, number, object, string } from 'yup';
import { normalTurn, resizePoint, turnAbout, type Box } from '../arrange/box';
import { hexField } from '../colour/hexField';
import { effectsField } from '../effects/registry';
import type { Hex } from '../site/model/hex';
import type { TextLayer } from '../site/model/objectLayers';
import { weight } from '../site/schemaFields';
import { ownAssetId } from '../text/fonts';
import type { GlyphRaster, TextSpec } from '../text/glyphs';
import { usualLineHeight } from '../text/lineHeight';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

export const newText = (
  id: string,
  words: string,
  font: string,
  sizePx: number,
  colour: Hex,
  x: number,
  y: number,
): TextLayer => ({
  ...baseDefaults(id),
  kind: 'text',
  words,
  font,
  sizePx,
  weight: 500,
  italic: false,
  spacing: 0,
  lineHeight: usualLineHeight,
  stretchX: 1,
  stretchY: 1,
  colour,
  align: 'centre',
  wrap: null,
  x,
  y,
  turn: 0,
  effects: [],
  hangs: false,
  live: false,
});

/** What its glyphs are drawn by. */
export const specOf = (layer: TextLayer): TextSpec => ({
  words: layer.words,
  font: layer.font,
  sizePx: layer.sizePx,
  weight: layer.weight,
  italic: layer.italic,
  spacing: layer.spacing,
  lineHeight: layer.lineHeight,
  stretchX: layer.stretchX,
  stretchY: layer.stretchY,
  align: layer.align,
  wrap: layer.wrap,
  turn: layer.turn,
  offset: { x: layer.x - Math.floor(layer.x), y: layer.y - Math.floor(layer.y) },
});

function textBox(layer: TextLayer, glyphs: GlyphRaster): Box {
  const { x, y, width, height } = glyphs.box(specOf(layer));
  return {
    ...turnAbout({ x: layer.x + x + width / 2, y: layer.y + y + height / 2 }, layer, layer.turn),
    width,
    height,
    turn: layer.turn,
  };
}

/**
 * Places that are computed are kept to a hundredth of a px: what is finer cannot be seen, and would
 * make figures long.
 */
const tidy = (v: number): number => Math.round(v * 100) / 100;

export const text: DefinitionOf<TextLayer> = {
  kind: 'text',
  role: 'thing',
  title: 'Text',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['text']).required(),
    words: string().defined(),
    font: string().min(1).required(),
    sizePx: number().min(4).max(2000).required(),
    weight: weight(),
    italic: boolean().required(),
    spacing: number().min(-0.5).max(5).required(),
    lineHeight: number().min(0.3).max(5).required(),
    stretchX: number().min(0.05).max(20).required(),
    stretchY: number().min(0.05).max(20).required(),
    colour: hexField(),
    align: string().oneOf(['left', 'centre', 'right']).required(),
    wrap: number().min(1).max(20000).nullable().defined().default(undefined),
    x: number().required(),
    y: number().required(),
    turn: number().min(-360).max(360).required(),
    effects: effectsField(),
    hangs: boolean().required(),
    live: boolean().required(),
  }),
  key: (layer) => JSON.stringify([specOf(layer), layer.colour]),
  place: ({ x, y }) => ({ x: Math.floor(x), y: Math.floor(y) }),
  assets: ({ font }) => {
    const own = ownAssetId(font);
    return own ? [own] : [];
  },
  figure: (layer) => `${Math.round(layer.sizePx * 10) / 10} px`,
  name: (layer) => layer.name || layer.words.trim().split('\n')[0].trim() || 'Empty text',
  // Only glyphs tell its size.
  ownBox: undefined,
  box: (layer, { glyphs }) => (glyphs.has(layer.font) ? textBox(layer, glyphs) : undefined),
  moved: (layer, dx, dy) => ({ x: tidy(layer.x + dx), y: tidy(layer.y + dy) }),
  resized(layer, resize) {
    const { kx, ky } = resize;
    const at = resizePoint(layer, resize);
    const place = { x: tidy(at.x), y: tidy(at.y) };
    if (Math.abs(kx - ky) < 1e-9) {
      return {
        sizePx: tidy(layer.sizePx * kx),
        wrap: layer.wrap === null ? null : tidy(layer.wrap * kx),
        ...place,
      };
    }
    // Wider only: lines that are wrapped get another width, others wider letters.
    return {
      ...(layer.wrap === null
        ? { stretchX: layer.stretchX * kx }
        : { wrap: tidy(layer.wrap * kx) }),
      stretchY: layer.stretchY * ky,
      ...place,
    };
  },
  turned(layer, degrees, pivot) {
    const at = turnAbout(layer, pivot, degrees);
    return { turn: normalTurn(layer.turn + degrees), x: tidy(at.x), y: tidy(at.y) };
  },
};
