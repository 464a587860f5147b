import { createAlphaMask, type AlphaMask } from './alphaMask';

/** A point, px; whole numbers are the corners of pixels. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** Adds what lies to the right of one edge to the sums, one pixel row at a time. */
function addEdge(sums: Float32Array, width: number, height: number, a: Point, b: Point): void {
  if (a.y === b.y) {
    return;
  }
  const direction = a.y < b.y ? 1 : -1;
  const [top, bottom] = a.y < b.y ? [a, b] : [b, a];
  const slope = (bottom.x - top.x) / (bottom.y - top.y);
  for (
    let row = Math.max(0, Math.floor(top.y));
    row < Math.min(height, Math.ceil(bottom.y));
    row++
  ) {
    const y0 = Math.max(row, top.y);
    const y1 = Math.min(row + 1, bottom.y);
    const tall = (y1 - y0) * direction;
    const base = row * (width + 2);
    const x0 = top.x + (y0 - top.y) * slope;
    const x1 = top.x + (y1 - top.y) * slope;
    const left = Math.min(x0, x1);
    const right = Math.max(x0, x1);
    if (right <= 0) {
      sums[base] += tall;
      continue;
    }
    if (left >= width) {
      continue;
    }
    if (left < 0 || right > width) {
      // The part outside counts as if it lay on the border.
      const inside = (Math.min(right, width) - Math.max(left, 0)) / (right - left);
      const before = Math.max(0, -left) / (right - left);
      sums[base] += tall * before;
      spread(sums, base, Math.max(left, 0), Math.min(right, width), tall * inside);
      continue;
    }
    spread(sums, base, left, right, tall);
  }
}

/**
 * Shares the height of an edge among the pixels it crosses, by the exact area to its right in each;
 * sums hold differences.
 */
function spread(sums: Float32Array, base: number, left: number, right: number, tall: number): void {
  const first = Math.floor(left);
  const last = Math.max(first, Math.ceil(right) - 1);
  const step = right > left ? tall / (right - left) : 0;
  let passed = 0;
  let before = 0;
  for (let x = first; x <= last; x++) {
    const from = Math.max(left, x);
    const to = Math.min(right, x + 1);
    const part = first === last ? tall : (to - from) * step;
    // What the edge passed earlier covers this pixel whole; of the part in it counts what lies to
    // its right.
    const covered = passed + part * (x + 1 - (from + to) / 2);
    sums[base + x] += covered - before;
    passed += part;
    before = covered;
  }
  sums[base + last + 1] += tall - before;
}

/**
 * The exact share of every pixel that lies inside a polygon which does not cross itself, whichever
 * way round it goes.
 * @param width px of the cover @param height px of the cover
 */
export function fillPolygon(points: readonly Point[], width: number, height: number): AlphaMask {
  const out = createAlphaMask(width, height);
  const sums = new Float32Array((width + 2) * height);
  points.forEach((a, i) => addEdge(sums, width, height, a, points[(i + 1) % points.length]));
  for (let y = 0; y < height; y++) {
    let sum = 0;
    for (let x = 0; x < width; x++) {
      sum += sums[y * (width + 2) + x];
      out.data[y * width + x] = Math.min(1, Math.abs(sum));
    }
  }
  return out;
}

/**
 * Corners of an arc so near to each other that it strays from the circle by less than 0.001 px; the
 * last point is left out.
 */
export function arc(
  cx: number,
  cy: number,
  rx: number,
  ry: number,
  from: number,
  to: number,
): Point[] {
  const r = Math.max(rx, ry, 0.01);
  const steps = Math.max(
    1,
    Math.ceil(Math.abs(to - from) / (2 * Math.acos(Math.max(0, 1 - 0.001 / r)))),
  );
  return Array.from({ length: steps }, (_, i) => {
    const t = from + ((to - from) * i) / steps;
    return { x: cx + rx * Math.cos(t), y: cy + ry * Math.sin(t) };
  });
}
