/*
 * Noise on a lattice that repeats, so that what is made of it joins with itself. Pure functions of
 * place and seed.
 */

/** A number in 0..1 for a lattice point; integer hash, multiply and fold. */
export function hash(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 374761393) ^ Math.imul(y, 668265263) ^ Math.imul(seed, 1103515245);
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  h = Math.imul(h ^ (h >>> 15), 2246822519);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

const wrap = (i: number, period: number): number => ((i % period) + period) % period;
const ease = (t: number): number => t * t * t * (t * (t * 6 - 15) + 10);

/**
 * Value noise in 0..1 at a place in lattice units; the lattice repeats after `px` by `py` cells.
 */
export function valueNoise(x: number, y: number, px: number, py: number, seed: number): number {
  const xi = Math.floor(x);
  const yi = Math.floor(y);
  const u = ease(x - xi);
  const v = ease(y - yi);
  const x0 = wrap(xi, px);
  const x1 = wrap(xi + 1, px);
  const y0 = wrap(yi, py);
  const y1 = wrap(yi + 1, py);
  const a = hash(x0, y0, seed);
  const b = hash(x1, y0, seed);
  const c = hash(x0, y1, seed);
  const d = hash(x1, y1, seed);
  return a + (b - a) * u + (c - a + (a - b - c + d) * u) * v;
}

/** A sum of octaves of value noise, 0..1. */
export function octaves(
  x: number,
  y: number,
  px: number,
  py: number,
  seed: number,
  count: number,
): number {
  let sum = 0;
  let weight = 0.5;
  let total = 0;
  for (let i = 0, k = 1; i < count; i++, k *= 2, weight /= 2) {
    sum += weight * valueNoise(x * k, y * k, px * k, py * k, seed + i * 101);
    total += weight;
  }
  return sum / total;
}

/**
 * Distances to the nearest and second nearest of one point a cell, in cells, and a number of the
 * nearest cell in 0..1.
 */
export function cellNoise(
  x: number,
  y: number,
  px: number,
  py: number,
  seed: number,
): { near: number; second: number; id: number } {
  const xi = Math.floor(x);
  const yi = Math.floor(y);
  let near = 9;
  let second = 9;
  let id = 0;
  for (let j = -1; j <= 1; j++) {
    for (let i = -1; i <= 1; i++) {
      const cx = wrap(xi + i, px);
      const cy = wrap(yi + j, py);
      const d = Math.hypot(
        xi + i + 0.15 + 0.7 * hash(cx, cy, seed) - x,
        yi + j + 0.15 + 0.7 * hash(cx, cy, seed + 7) - y,
      );
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
