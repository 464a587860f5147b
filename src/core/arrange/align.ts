import { boundsOf, unionOf, type Bounds, type Box, type Place } from './box';

export type AlignSide = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom';

const offsets: Readonly<Record<AlignSide, (own: Bounds, to: Bounds) => Place>> = {
  left: (o, t) => ({ x: t.left - o.left, y: 0 }),
  centre: (o, t) => ({ x: (t.left + t.right - o.left - o.right) / 2, y: 0 }),
  right: (o, t) => ({ x: t.right - o.right, y: 0 }),
  top: (o, t) => ({ x: 0, y: t.top - o.top }),
  middle: (o, t) => ({ x: 0, y: (t.top + t.bottom - o.top - o.bottom) / 2 }),
  bottom: (o, t) => ({ x: 0, y: t.bottom - o.bottom }),
};

/**
 * How far each box moves to stand in line.
 * @param within what they are lined up in; the rectangle around them all if left out
 */
export function align(boxes: readonly Box[], side: AlignSide, within?: Bounds): Place[] {
  const own = boxes.map(boundsOf);
  const to = within ?? unionOf(own);
  return to ? own.map((o) => offsets[side](o, to)) : [];
}

/**
 * How far each box moves so that the gaps between neighbours are equal; the two outermost stay.
 * Fewer than three stay all.
 */
export function spaceEvenly(boxes: readonly Box[], axis: 'x' | 'y'): Place[] {
  const [near, far] = axis === 'x' ? (['left', 'right'] as const) : (['top', 'bottom'] as const);
  const own = boxes.map(boundsOf);
  const order = own
    .map((_, i) => i)
    .sort((a, b) => own[a][near] + own[a][far] - own[b][near] - own[b][far]);
  const moves: Place[] = own.map(() => ({ x: 0, y: 0 }));
  if (own.length < 3) {
    return moves;
  }
  const inner = order.slice(1, -1);
  const first = own[order[0]];
  const last = own[order.at(-1)!];
  const gap =
    (last[near] - first[far] - inner.reduce((sum, i) => sum + own[i][far] - own[i][near], 0)) /
    (inner.length + 1);
  let at = first[far];
  for (const i of inner) {
    at += gap;
    moves[i] = axis === 'x' ? { x: at - own[i].left, y: 0 } : { x: 0, y: at - own[i].top };
    at += own[i][far] - own[i][near];
  }
  return moves;
}
