import type { PageRect } from './survey';

/** A box of the page that can be pointed at. */
export interface PointedBox {
  /** What tells it from others where it comes from. */
  readonly id: number;
  readonly rect: PageRect;
  /** What it is called on the page, such as `div#header`; empty where it has no name. */
  readonly name: string;
}

/** What can be pointed at on a page, elements or shapes in a picture of it; px of the page. */
export interface Pointing {
  /** The innermost box at a point. */
  boxAt(x: number, y: number): PointedBox | undefined;
  /** The nearest upright edge within reach of a point; the point itself where there is none. */
  edgeX(x: number, y: number, within: number): number;
  /** The same of level edges. */
  edgeY(x: number, y: number, within: number): number;
}

const holds = ({ x, y, width, height }: PageRect, px: number, py: number): boolean =>
  px >= x && py >= y && px < x + width && py < y + height;

function nearest(edges: readonly number[], at: number, within: number): number {
  let best = at;
  let least = within;
  for (const edge of edges) {
    const away = Math.abs(edge - at);
    if (away <= least) {
      best = edge;
      least = away;
    }
  }
  return best;
}

/** @param boxes of a page's elements, from back to front */
export function elementPointing(boxes: readonly PointedBox[]): Pointing {
  // An edge is met only where its box reaches along it.
  const along = (y: number, within: number) =>
    boxes.filter(({ rect }) => y >= rect.y - within && y <= rect.y + rect.height + within);
  const across = (x: number, within: number) =>
    boxes.filter(({ rect }) => x >= rect.x - within && x <= rect.x + rect.width + within);
  return {
    boxAt: (x, y) => boxes.findLast(({ rect }) => holds(rect, x, y)),
    edgeX: (x, y, within) =>
      nearest(
        along(y, within).flatMap(({ rect }) => [rect.x, rect.x + rect.width]),
        x,
        within,
      ),
    edgeY: (x, y, within) =>
      nearest(
        across(x, within).flatMap(({ rect }) => [rect.y, rect.y + rect.height]),
        y,
        within,
      ),
  };
}

/**
 * A length between two points that were clung to edges, along the axis that they lie further apart
 * on.
 */
export interface Distance {
  readonly from: { readonly x: number; readonly y: number };
  readonly to: { readonly x: number; readonly y: number };
  /** Px, rounded. */
  readonly px: number;
}

export function distanceBetween(
  from: { readonly x: number; readonly y: number },
  to: { readonly x: number; readonly y: number },
): Distance {
  const level = Math.abs(to.x - from.x) >= Math.abs(to.y - from.y);
  return {
    from,
    to: level ? { x: to.x, y: from.y } : { x: from.x, y: to.y },
    px: Math.round(level ? Math.abs(to.x - from.x) : Math.abs(to.y - from.y)),
  };
}
