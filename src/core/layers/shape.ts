import { boolean, number, object, string } from 'yup';
import { normalTurn, resizePoint, turnAbout, type Box } from '../arrange/box';
import { hexField } from '../colour/hexField';
import { effectsField } from '../effects/registry';
import type { Size } from '../frame/placement';
import type { Hex } from '../site/model/hex';
import type { ShapeLayer, ShapeName } from '../site/model/objectLayers';
import { baseDefaults, baseFields } from './base';
import type { DefinitionOf } from './kind';

export const shapeTitles: Readonly<Record<ShapeName, string>> = {
  rectangle: 'Rectangle',
  ellipse: 'Ellipse',
  line: 'Line',
  band: 'Band',
};

/** A shape in the middle of the slot, at a size that suits it. */
export function newShape(id: string, shape: ShapeName, fill: Hex, slot: Size): ShapeLayer {
  const side = Math.max(8, Math.round(Math.min(slot.height * 0.5, slot.width * 0.3)));
  const sizes: Readonly<Record<ShapeName, Size>> = {
    line: { width: Math.max(8, Math.round(slot.width * 0.3)), height: 2 },
    band: { width: slot.width, height: Math.max(4, Math.round(slot.height * 0.25)) },
    ellipse: { width: side, height: side },
    rectangle: { width: Math.round(side * 1.6), height: side },
  };
  const size = sizes[shape];
  return {
    ...baseDefaults(id),
    kind: 'shape',
    shape,
    ...size,
    x: Math.round((slot.width - size.width) / 2),
    y: Math.round((slot.height - size.height) / 2),
    turn: 0,
    radius: 0,
    fill,
    effects: [],
    hangs: false,
  };
}

export const shapeBox = ({ x, y, width, height, turn }: ShapeLayer): Box => ({
  x: x + width / 2,
  y: y + height / 2,
  width,
  height,
  turn,
});

export const shape: DefinitionOf<ShapeLayer> = {
  kind: 'shape',
  role: 'thing',
  title: 'Shape',
  schema: object({
    ...baseFields,
    kind: string().oneOf(['shape']).required(),
    shape: string().oneOf(['rectangle', 'ellipse', 'line', 'band']).required(),
    x: number().required(),
    y: number().required(),
    width: number().min(1).max(20000).required(),
    height: number().min(0.5).max(20000).required(),
    turn: number().min(-360).max(360).required(),
    radius: number().min(0).max(10000).required(),
    fill: hexField().nullable().defined().default(undefined),
    effects: effectsField(),
    hangs: boolean().required(),
  }),
  key: (layer, slot) =>
    JSON.stringify([
      layer.shape,
      layer.shape === 'band'
        ? [layer.x, layer.y, slot.width, slot.height]
        : [layer.x - Math.floor(layer.x), layer.y - Math.floor(layer.y)],
      layer.width,
      layer.height,
      layer.turn,
      layer.radius,
      layer.fill,
    ]),
  place: (layer) =>
    layer.shape === 'band' ? { x: 0, y: 0 } : { x: Math.floor(layer.x), y: Math.floor(layer.y) },
  hollow: (layer) => layer.fill === null,
  figure: (layer) => `${Math.round(layer.width)} × ${Math.round(layer.height)}`,
  name: (layer) =>
    layer.name ||
    (layer.shape === 'rectangle' && layer.radius > 0
      ? 'Rounded rectangle'
      : shapeTitles[layer.shape]),
  ownBox: shapeBox,
  box: shapeBox,
  moved: (layer, dx, dy) => ({ x: layer.x + dx, y: layer.y + dy }),
  resized(layer, resize) {
    const middle = resizePoint(shapeBox(layer), resize);
    const width = Math.max(1, layer.width * resize.kx);
    const height = Math.max(0.5, layer.height * resize.ky);
    return { width, height, x: middle.x - width / 2, y: middle.y - height / 2 };
  },
  turned(layer, degrees, pivot) {
    const middle = turnAbout(shapeBox(layer), pivot, degrees);
    return {
      turn: normalTurn(layer.turn + degrees),
      x: middle.x - layer.width / 2,
      y: middle.y - layer.height / 2,
    };
  },
};
