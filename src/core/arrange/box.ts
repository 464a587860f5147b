/** Where a layer lies: a rectangle turned about its middle. Slot px; degrees clockwise. */
export interface Box {
  /** The middle. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly turn: number;
}

export interface Place {
  readonly x: number;
  readonly y: number;
}

/** An upright rectangle by its sides. */
export interface Bounds {
  readonly left: number;
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
}

/** A point turned about another by degrees clockwise. */
export function turnAbout(point: Place, pivot: Place, degrees: number): Place {
  if (degrees === 0) {
    return { x: point.x, y: point.y };
  }
  const t = (degrees * Math.PI) / 180;
  const c = Math.cos(t);
  const s = Math.sin(t);
  const dx = point.x - pivot.x;
  const dy = point.y - pivot.y;
  return { x: pivot.x + dx * c - dy * s, y: pivot.y + dx * s + dy * c };
}

/** Stretching along axes that are turned, with one point left where it is. */
export interface Resize {
  readonly kx: number;
  readonly ky: number;
  readonly pivot: Place;
  /** Direction of the axes, degrees clockwise. */
  readonly turn: number;
}

/** Where a point comes to lie. */
export function resizePoint(point: Place, { kx, ky, pivot, turn }: Resize): Place {
  const straight = turnAbout(point, pivot, -turn);
  return turnAbout(
    { x: pivot.x + (straight.x - pivot.x) * kx, y: pivot.y + (straight.y - pivot.y) * ky },
    pivot,
    turn,
  );
}

/**
 * A point of the box by shares of its width and height: 0, 0 is the upper left corner before it is
 * turned.
 */
export const pointOf = (box: Box, u: number, v: number): Place =>
  turnAbout({ x: box.x + (u - 0.5) * box.width, y: box.y + (v - 0.5) * box.height }, box, box.turn);

export const cornersOf = (box: Box): Place[] =>
  [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([u, v]) => pointOf(box, u, v));

/** The upright rectangle around a box. */
export function boundsOf(box: Box): Bounds {
  const corners = cornersOf(box);
  const xs = corners.map((p) => p.x);
  const ys = corners.map((p) => p.y);
  return {
    left: Math.min(...xs),
    top: Math.min(...ys),
    right: Math.max(...xs),
    bottom: Math.max(...ys),
  };
}

/** @returns undefined for none */
export function unionOf(list: readonly Bounds[]): Bounds | undefined {
  if (list.length === 0) {
    return undefined;
  }
  return {
    left: Math.min(...list.map((b) => b.left)),
    top: Math.min(...list.map((b) => b.top)),
    right: Math.max(...list.map((b) => b.right)),
    bottom: Math.max(...list.map((b) => b.bottom)),
  };
}

export const boxOfBounds = ({ left, top, right, bottom }: Bounds): Box => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
  width: right - left,
  height: bottom - top,
  turn: 0,
});

/** @param around px that still count as inside, for small things to be hit */
export function isInside(box: Box, point: Place, around = 0): boolean {
  const p = turnAbout(point, box, -box.turn);
  return (
    Math.abs(p.x - box.x) <= box.width / 2 + around &&
    Math.abs(p.y - box.y) <= box.height / 2 + around
  );
}

/** The same direction between −180 and 180 degrees. */
export const normalTurn = (degrees: number): number => degrees - 360 * Math.round(degrees / 360);
