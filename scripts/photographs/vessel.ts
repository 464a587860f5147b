import { cells, fbm, smoothstep, noise3 } from './noise';
import { blend, linear, type Surface, type Vec } from './march';

/** A thrown vessel: radii at even heights from foot to rim, hollow, standing at (x, z). */
export interface Vessel {
  x: number;
  z: number;
  height: number;
  radii: number[];
  wall: number;
  glaze: Vec;
  glazeFrom: number;
  speckle: number;
  clay: Vec;
  seed: number;
}

/** Catmull-Rom through the radii at h in 0..1. */
function radiusAt(radii: number[], h: number): number {
  const n = radii.length - 1;
  const f = Math.min(1, Math.max(0, h)) * n;
  const i = Math.min(n - 1, Math.floor(f));
  const t = f - i;
  const b = radii[i];
  const c = radii[i + 1];
  const a = radii[i - 1] ?? 2 * b - c;
  const d = radii[i + 2] ?? 2 * c - b;
  return (
    0.5 *
    (2 * b +
      (c - a) * t +
      (2 * a - 5 * b + 4 * c - d) * t * t +
      (3 * b - a - 3 * c + d) * t * t * t)
  );
}

export function vesselDistance(v: Vessel, x: number, y: number, z: number): number {
  const dx = x - v.x;
  const dz = z - v.z;
  const around = Math.sqrt(dx * dx + dz * dz);
  const widest = 0.75;
  const box = Math.max(around - widest, y - v.height, -y);
  if (box > 0.3) {
    return box;
  }
  const h = y / v.height;
  const r = radiusAt(v.radii, h);
  const slope = (radiusAt(v.radii, h + 0.02) - r) / (0.02 * v.height);
  const outer = (around - r) / Math.sqrt(1 + slope * slope);
  const body = Math.max(outer, y - v.height, -y);
  const hollow = Math.max(around - r + v.wall, v.wall * 1.6 - y);
  const k = v.wall * 0.35;
  const carve = Math.max(body, -hollow);
  const e = Math.max(k - Math.abs(body + hollow), 0) / k;
  return carve + e * e * k * 0.25;
}

export function vesselSurface(v: Vessel, p: Vec): Surface {
  const angle = Math.atan2(p[2] - v.z, p[0] - v.x);
  const h = p[1] / v.height;
  const drip =
    v.glazeFrom +
    0.13 * (fbm(Math.cos(angle) * 2.4 + v.seed, Math.sin(angle) * 2.4, 2) - 0.5) +
    0.05 * (noise3(angle * 5, v.seed, 1) - 0.5);
  const glazed = smoothstep(drip - 0.006, drip + 0.006, h);
  const rings = 0.94 + 0.06 * Math.sin(p[1] * 150 + 3 * fbm(angle * 2, p[1] * 3, v.seed));
  const clayTone = (0.8 + 0.4 * fbm(p[0] * 9, p[1] * 16, p[2] * 9)) * rings;
  const clay: Vec = [v.clay[0] * clayTone, v.clay[1] * clayTone, v.clay[2] * clayTone];
  const pooled =
    0.82 + 0.3 * fbm(angle * 3 + v.seed, h * 7, 4) + 0.12 * smoothstep(drip + 0.1, drip, h);
  let glaze: Vec = [v.glaze[0] * pooled, v.glaze[1] * pooled, v.glaze[2] * pooled];
  const spot = cells(angle * 7, p[1] * 17, v.seed);
  glaze = blend(
    glaze,
    linear('#5b4030'),
    smoothstep(0.05 + 0.2 * spot.id * spot.id, 0.04 + 0.1 * spot.id * spot.id, spot.near) *
      v.speckle,
  );
  glaze = blend(glaze, linear('#8a5236'), smoothstep(0.965, 1, h) * 0.55);
  return {
    albedo: blend(clay, glaze, glazed),
    gloss: 0.06 + 0.94 * glazed,
    shine: 16 + 90 * glazed,
  };
}
