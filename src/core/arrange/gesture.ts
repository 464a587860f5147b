import {
  boundsOf,
  pointOf,
  resizePoint,
  turnAbout,
  type Box,
  type Place,
  type Resize,
} from './box';
import { snap, type Part, type Snapped } from './snap';
import type { Bounds } from './box';
import type { Size } from '../frame/placement';

/** A handle of a box by shares of its width and height: corners and middles of sides. */
export interface Handle {
  readonly u: 0 | 0.5 | 1;
  readonly v: 0 | 0.5 | 1;
}

export const handles: readonly Handle[] = [
  { u: 0, v: 0 },
  { u: 0.5, v: 0 },
  { u: 1, v: 0 },
  { u: 1, v: 0.5 },
  { u: 1, v: 1 },
  { u: 0.5, v: 1 },
  { u: 0, v: 1 },
  { u: 0, v: 0.5 },
];

export const isCorner = ({ u, v }: Handle): boolean => u !== 0.5 && v !== 0.5;

/** Nothing is made smaller than this, px. */
const leastSide = 2;

/**
 * Stretching that brings a handle to a point; the opposite side or corner stays.
 * @param keep proportions stay as they are; at a corner by the nearest point of its diagonal, or by
 * one axis where that is given
 */
export function resizeTo(box: Box, handle: Handle, to: Place, keep: boolean | 'x' | 'y'): Resize {
  const pivot = pointOf(box, 1 - handle.u, 1 - handle.v);
  const at = turnAbout(to, pivot, -box.turn);
  const w = (handle.u - 0.5) * 2 * box.width;
  const h = (handle.v - 0.5) * 2 * box.height;
  const dx = at.x - pivot.x;
  const dy = at.y - pivot.y;
  const least = (length: number) => leastSide / Math.max(leastSide, length);
  const kx = w === 0 ? 1 : Math.max(least(box.width), dx / w);
  const ky = h === 0 ? 1 : Math.max(least(box.height), dy / h);
  if (!keep || !isCorner(handle)) {
    return { kx, ky, pivot, turn: box.turn };
  }
  const along = Math.max(
    least(Math.min(box.width, box.height)),
    (dx * w + dy * h) / (w * w + h * h),
  );
  const byAxis = keep === 'x' ? kx : ky;
  const k = keep === true ? along : byAxis;
  return { kx: k, ky: k, pivot, turn: box.turn };
}

/** The box after a resize along its own axes. */
export const resizedBox = (box: Box, resize: Resize): Box => ({
  ...box,
  ...resizePoint(box, resize),
  width: box.width * resize.kx,
  height: box.height * resize.ky,
});

/** Px within which things are drawn to each other, at a magnification of 1. */
export const snapDistance = 5;

/**
 * The same with the sides that move drawn to what is near; a box that is turned has no sides to be
 * drawn.
 */
export function resizeSnapped(
  box: Box,
  handle: Handle,
  to: Place,
  keep: boolean,
  slot: Size,
  others: readonly Bounds[],
  within: number,
): { resize: Resize; guides: Snapped['guides'] } {
  const free = resizeTo(box, handle, to, keep);
  if (box.turn !== 0 || within <= 0) {
    return { resize: free, guides: [] };
  }
  const part = (share: number): Part[] => {
    if (share === 0) {
      return ['near'];
    }
    if (share === 1) {
      return ['far'];
    }
    return [];
  };
  const { dx, dy, guides } = snap(boundsOf(resizedBox(box, free)), slot, others, within, {
    x: part(handle.u),
    y: part(handle.v),
  });
  if (guides.length === 0) {
    return { resize: free, guides };
  }
  const corner = pointOf(resizedBox(box, free), handle.u, handle.v);
  const at = { x: corner.x + dx, y: corner.y + dy };
  const kept = keep && isCorner(handle);
  // With proportions kept only one side can be brought to a line.
  const axis = guides[0].axis;
  return {
    resize: resizeTo(box, handle, at, kept ? axis : false),
    guides: kept ? guides.filter((g) => g.axis === axis) : guides,
  };
}

/**
 * Degrees that a pointer went round a point, clockwise.
 * @param step the whole turn is brought to multiples of this, where it is given
 * @param before turn that the thing has already
 */
export function turnBetween(
  pivot: Place,
  from: Place,
  to: Place,
  before: number,
  step?: number,
): number {
  const angle = (p: Place) => (Math.atan2(p.y - pivot.y, p.x - pivot.x) * 180) / Math.PI;
  const by = angle(to) - angle(from);
  // Upright and the quarter turns hold on to it a little.
  const grid = step ?? 90;
  const near = step === undefined ? 1.5 : Infinity;
  const whole = Math.round((before + by) / grid) * grid;
  return Math.abs(before + by - whole) <= near ? whole - before : by;
}
