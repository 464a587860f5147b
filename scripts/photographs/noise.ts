/**
 * Value noise and its sums. Everything here is a pure function of its arguments, so a photograph
 * renders the same twice.
 */

const hash = (x: number, y: number, z: number): number => {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(z, 2147483647 - 1274126177);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
};

const ease = (t: number) => t * t * (3 - 2 * t);
const mix = (a: number, b: number, t: number) => a + (b - a) * t;
const wrap = (i: number, period: number) => (period > 0 ? ((i % period) + period) % period : i);

/** Noise in 0..1 at a point; with a period the lattice repeats after that many cells in x and y. */
export function noise3(x: number, y: number, z = 0, period = 0): number {
  const xi = Math.floor(x);
  const yi = Math.floor(y);
  const zi = Math.floor(z);
  const u = ease(x - xi);
  const v = ease(y - yi);
  const w = ease(z - zi);
  const x0 = wrap(xi, period);
  const x1 = wrap(xi + 1, period);
  const y0 = wrap(yi, period);
  const y1 = wrap(yi + 1, period);
  const near = mix(
    mix(hash(x0, y0, zi), hash(x1, y0, zi), u),
    mix(hash(x0, y1, zi), hash(x1, y1, zi), u),
    v,
  );
  if (w === 0) {
    return near;
  }
  const far = mix(
    mix(hash(x0, y0, zi + 1), hash(x1, y0, zi + 1), u),
    mix(hash(x0, y1, zi + 1), hash(x1, y1, zi + 1), u),
    v,
  );
  return mix(near, far, w);
}

/** Sum of octaves, 0..1. */
export function fbm(x: number, y: number, z = 0, octaves = 5, period = 0): number {
  let sum = 0;
  let weight = 0.5;
  let total = 0;
  for (let i = 0; i < octaves; i++) {
    sum += weight * noise3(x, y, z + i * 17, period);
    total += weight;
    x *= 2;
    y *= 2;
    period *= 2;
    weight *= 0.5;
  }
  return sum / total;
}

/**
 * Distance to the nearest and to the second nearest of one point a cell, and a random number of the
 * nearest cell.
 */
export function cells(
  x: number,
  y: number,
  seed = 0,
  period = 0,
): { near: number; second: number; id: number } {
  const xi = Math.floor(x);
  const yi = Math.floor(y);
  let near = 9;
  let second = 9;
  let id = 0;
  for (let j = -1; j <= 1; j++) {
    for (let i = -1; i <= 1; i++) {
      const cx = wrap(xi + i, period);
      const cy = wrap(yi + j, period);
      const dx = xi + i + hash(cx, cy, seed) - x;
      const dy = yi + j + hash(cx, cy, seed + 7) - y;
      const d = Math.sqrt(dx * dx + dy * dy);
      if (d < near) {
        second = near;
        near = d;
        id = hash(cx, cy, seed + 13);
      } else if (d < second) {
        second = d;
      }
    }
  }
  return { near, second, id };
}

export const smoothstep = (from: number, to: number, x: number): number =>
  ease(Math.min(1, Math.max(0, (x - from) / (to - from))));
export const clamp01 = (x: number): number => Math.min(1, Math.max(0, x));
export { hash, mix };
