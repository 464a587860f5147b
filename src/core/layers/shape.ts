import { boolean, number, object, string } from 'yup';
import { boundsOf, normalTurn, pointOf, resizePoint, turnAbout, type Box } from '../arrange/box';
import { colourOf } from '../colour/parse';
import { hexField } from '../colour/hexField';
import { effectsField } from '../effects/registry';
import type { Size } from '../frame/placement';
import { arc, fillPolygon, type Point } from '../raster/polygon';
import type { Mask } from '../raster/raster';
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

/** A band goes on far enough for its ends to lie outside the slot, with their outlines. */
const drawnBox = (layer: ShapeLayer, slot: Size): Box => {
  const box = shapeBox(layer);
  if (layer.shape !== 'band') {
    return box;
  }
  const t = (layer.turn * Math.PI) / 180;
  const far = Math.hypot(slot.width, slot.height) + 400;
  // From the middle of the slot along the band, so that it reaches both edges wherever its own
  // middle lies.
  const along = (slot.width / 2 - box.x) * Math.cos(t) + (slot.height / 2 - box.y) * Math.sin(t);
  return { ...box, x: box.x + along * Math.cos(t), y: box.y + along * Math.sin(t), width: far };
};

/** The contour as corners, in slot px. */
function contour(layer: ShapeLayer, box: Box): Point[] {
  const { width, height } = box;
  const left = box.x - width / 2;
  const top = box.y - height / 2;
  const quarter = Math.PI / 2;
  if (layer.shape === 'ellipse') {
    return arc(box.x, box.y, width / 2, height / 2, 0, 2 * Math.PI).map((p) =>
      turnAbout(p, box, box.turn),
    );
  }
  const r = layer.shape === 'band' ? 0 : Math.min(layer.radius, width / 2, height / 2);
  if (r <= 0) {
    return [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ].map(([u, v]) => pointOf(box, u, v));
  }
  const corner = (cx: number, cy: number, from: number) => [
    ...arc(cx, cy, r, r, from, from + quarter),
    { x: cx + r * Math.cos(from + quarter), y: cy + r * Math.sin(from + quarter) },
  ];
  return [
    ...corner(left + r, top + r, Math.PI),
    ...corner(left + width - r, top + r, 3 * quarter),
    ...corner(left + width - r, top + height - r, 0),
    ...corner(left + r, top + height - r, quarter),
  ].map((p) => turnAbout(p, box, box.turn));
}

function cover(
  points: readonly Point[],
  x: number,
  y: number,
  width: number,
  height: number,
): Mask {
  const { data } = fillPolygon(
    points.map((p) => ({ x: p.x - x, y: p.y - y })),
    width,
    height,
  );
  return { width, height, data: Uint8ClampedArray.from(data, (c) => c * 255) };
}

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
  draw(layer, slot) {
    const box = drawnBox(layer, slot);
    const around = boundsOf(box);
    const at = shape.place(layer, slot);
    // Of a band only what lies in the slot and around it.
    const limit =
      layer.shape === 'band'
        ? { left: -200, top: -200, right: slot.width + 200, bottom: slot.height + 200 }
        : around;
    const x = Math.floor(Math.max(around.left, limit.left));
    const y = Math.floor(Math.max(around.top, limit.top));
    const width = Math.max(1, Math.ceil(Math.min(around.right, limit.right)) - x);
    const height = Math.max(1, Math.ceil(Math.min(around.bottom, limit.bottom)) - y);
    return {
      type: 'mask',
      mask: cover(contour(layer, box), x, y, width, height),
      colour: colourOf(layer.fill ?? '#000000'),
      x: x - at.x,
      y: y - at.y,
    };
  },
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
