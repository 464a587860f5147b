import { boundsOf, pointOf, turnAbout, type Box } from '../../arrange/box';
import { colourOf } from '../../colour/parse';
import type { Size } from '../../frame/placement';
import { arc, fillPolygon, type Point } from '../../raster/polygon';
import type { Mask } from '../../raster/raster';
import type { ShapeLayer } from '../../site/model/objectLayers';
import type { Draw } from '../kind';
import { shape, shapeBox } from '../shape';

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

export const drawShape: Draw<ShapeLayer> = (layer, slot) => {
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
};
