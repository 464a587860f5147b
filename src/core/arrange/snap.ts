import type { Size } from '../frame/placement';
import type { Bounds } from './box';

/**
 * Clear px at the sides that narrow screens may cut (50: common practice, no source), less where
 * the slot is small.
 */
export const safeMargin = (slot: Size, most = 50): { x: number; y: number } => ({
  x: Math.min(most, Math.round(slot.width * 0.06)),
  y: Math.min(50, Math.round(slot.height * 0.1)),
});

/** A line that something was drawn to: across at `at`, from and to along it, px. */
export interface Guide {
  readonly axis: 'x' | 'y';
  readonly at: number;
  readonly from: number;
  readonly to: number;
  /** What the line belongs to. */
  readonly what: 'edge' | 'middle' | 'safe margin' | 'layer';
}

interface Line {
  readonly at: number;
  readonly what: Guide['what'];
  readonly other?: Bounds;
}

export interface Snapped {
  /** To be added to the movement, px. */
  readonly dx: number;
  readonly dy: number;
  readonly guides: readonly Guide[];
}

function linesOf(axis: 'x' | 'y', slot: Size, others: readonly Bounds[]): Line[] {
  const length = axis === 'x' ? slot.width : slot.height;
  const margin = safeMargin(slot)[axis];
  const [near, far] = axis === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  return [
    { at: length / 2, what: 'middle' },
    { at: 0, what: 'edge' },
    { at: length, what: 'edge' },
    { at: margin, what: 'safe margin' },
    { at: length - margin, what: 'safe margin' },
    ...others.flatMap((other): Line[] => [
      { at: other[near], what: 'layer', other },
      { at: other[far], what: 'layer', other },
      { at: (other[near] + other[far]) / 2, what: 'layer', other },
    ]),
  ];
}

/**
 * What draws a moved rectangle to it: middles to middles, sides to sides; of the slot, its edges,
 * its safe margin and the other layers, whichever is nearest, and among equally near ones in this
 * order.
 * @param within how near a line must be, px
 * @param parts which of its own lines the rectangle offers on each axis: `near`, `middle`, `far`
 */
export function snap(
  moving: Bounds,
  slot: Size,
  others: readonly Bounds[],
  within: number,
  parts: { x: readonly Part[]; y: readonly Part[] } = { x: allParts, y: allParts },
): Snapped {
  const x = nearest('x', moving, linesOf('x', slot, others), within, parts.x);
  const y = nearest('y', moving, linesOf('y', slot, others), within, parts.y);
  const dx = x?.by ?? 0;
  const dy = y?.by ?? 0;
  const moved = {
    left: moving.left + dx,
    right: moving.right + dx,
    top: moving.top + dy,
    bottom: moving.bottom + dy,
  };
  const guides: Guide[] = [];
  if (x) {
    guides.push({
      axis: 'x',
      at: x.line.at,
      from: Math.min(moved.top, x.line.other?.top ?? 0),
      to: Math.max(moved.bottom, x.line.other?.bottom ?? slot.height),
      what: x.line.what,
    });
  }
  if (y) {
    guides.push({
      axis: 'y',
      at: y.line.at,
      from: Math.min(moved.left, y.line.other?.left ?? 0),
      to: Math.max(moved.right, y.line.other?.right ?? slot.width),
      what: y.line.what,
    });
  }
  return { dx, dy, guides };
}

export type Part = 'near' | 'middle' | 'far';
export const allParts: readonly Part[] = ['middle', 'near', 'far'];

function nearest(
  axis: 'x' | 'y',
  moving: Bounds,
  lines: readonly Line[],
  within: number,
  parts: readonly Part[],
): { by: number; line: Line } | undefined {
  const near = axis === 'x' ? moving.left : moving.top;
  const far = axis === 'x' ? moving.right : moving.bottom;
  const own = { near, far, middle: (near + far) / 2 };
  let best: { by: number; line: Line } | undefined;
  for (const line of lines) {
    // The middle of the slot is for middles, its edges and margins for sides.
    for (const part of parts) {
      if (line.what === 'middle' ? part !== 'middle' : line.what !== 'layer' && part === 'middle') {
        continue;
      }
      const by = line.at - own[part];
      if (Math.abs(by) <= within && (!best || Math.abs(by) < Math.abs(best.by) - 1e-6)) {
        best = { by, line };
      }
    }
  }
  return best;
}

/** A distance to be shown: from one side of the rectangle to what is next on that side, px. */
export interface Gap {
  readonly side: 'left' | 'right' | 'top' | 'bottom';
  readonly from: number;
  readonly to: number;
  /** Where along the side it is drawn. */
  readonly at: number;
}

/**
 * How far a rectangle is from what comes next to each side: another layer that lies abreast of it,
 * or the slot's edge.
 */
export function gapsOf(moving: Bounds, slot: Size, others: readonly Bounds[]): Gap[] {
  const abreast = others.filter((o) => o.top < moving.bottom && o.bottom > moving.top);
  const above = others.filter((o) => o.left < moving.right && o.right > moving.left);
  const before = (values: number[], limit: number) =>
    Math.max(0, ...values.filter((v) => v <= limit));
  const after = (values: number[], limit: number, end: number) =>
    Math.min(end, ...values.filter((v) => v >= limit));
  const middleY = Math.min(slot.height, Math.max(0, (moving.top + moving.bottom) / 2));
  const middleX = Math.min(slot.width, Math.max(0, (moving.left + moving.right) / 2));
  const gaps: Gap[] = [
    {
      side: 'left',
      from: before(
        abreast.map((o) => o.right),
        moving.left,
      ),
      to: moving.left,
      at: middleY,
    },
    {
      side: 'right',
      from: moving.right,
      to: after(
        abreast.map((o) => o.left),
        moving.right,
        slot.width,
      ),
      at: middleY,
    },
    {
      side: 'top',
      from: before(
        above.map((o) => o.bottom),
        moving.top,
      ),
      to: moving.top,
      at: middleX,
    },
    {
      side: 'bottom',
      from: moving.bottom,
      to: after(
        above.map((o) => o.top),
        moving.bottom,
        slot.height,
      ),
      at: middleX,
    },
  ];
  return gaps.filter((g) => g.to > g.from);
}
