import { hash } from './noise';

export type Vec = [number, number, number];

export const add = (a: Vec, b: Vec, k = 1): Vec => [
  a[0] + b[0] * k,
  a[1] + b[1] * k,
  a[2] + b[2] * k,
];
export const sub = (a: Vec, b: Vec): Vec => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const dot = (a: Vec, b: Vec): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const unit = (a: Vec): Vec => {
  const l = Math.hypot(...a);
  return [a[0] / l, a[1] / l, a[2] / l];
};
export const cross = (a: Vec, b: Vec): Vec => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const blend = (a: Vec, b: Vec, t: number): Vec => [
  a[0] + (b[0] - a[0]) * t,
  a[1] + (b[1] - a[1]) * t,
  a[2] + (b[2] - a[2]) * t,
];
export const scaled = (a: Vec, k: number): Vec => [a[0] * k, a[1] * k, a[2] * k];
export const times = (a: Vec, b: Vec): Vec => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];

/** #rrggbb to linear light. */
export function linear(hex: string): Vec {
  const channel = (i: number) => {
    const v = parseInt(hex.slice(i, i + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  };
  return [channel(1), channel(3), channel(5)];
}

export interface Surface {
  albedo: Vec;
  gloss: number;
  shine: number;
  glow?: Vec;
}

/**
 * A scene of signed distances. `distance` must never overestimate by much; `surface` is asked once
 * a hit.
 */
export interface Scene {
  distance(x: number, y: number, z: number): number;
  surface(p: Vec, normal: Vec): Surface;
  sky(direction: Vec): Vec;
  camera: { eye: Vec; target: Vec; zoom: number };
  key: { direction: Vec; colour: Vec; softness: number };
  fill: Vec;
  haze?: { colour: Vec; perUnit: number };
  far: number;
}

function march(scene: Scene, eye: Vec, ray: Vec, from: number): number {
  let t = from;
  for (let i = 0; i < 220 && t < scene.far; i++) {
    const d = scene.distance(eye[0] + ray[0] * t, eye[1] + ray[1] * t, eye[2] + ray[2] * t);
    if (d < 0.0004 * t) {
      return t;
    }
    t += d * 0.8;
  }
  return t < scene.far ? t : -1;
}

function normalAt(scene: Scene, p: Vec, e: number): Vec {
  const [x, y, z] = p;
  const a = scene.distance(x + e, y - e, z - e);
  const b = scene.distance(x - e, y - e, z + e);
  const c = scene.distance(x - e, y + e, z - e);
  const d = scene.distance(x + e, y + e, z + e);
  return unit([a - b - c + d, -a - b + c + d, -a + b - c + d]);
}

/**
 * Penumbra from the closest miss along the way to the light (common practice in distance-field
 * rendering).
 */
function shadow(scene: Scene, p: Vec): number {
  const { direction: l, softness } = scene.key;
  let light = 1;
  let t = 0.02;
  for (let i = 0; i < 56 && t < 9; i++) {
    const d = scene.distance(p[0] + l[0] * t, p[1] + l[1] * t, p[2] + l[2] * t);
    light = Math.min(light, 0.5 + (0.5 * d) / (softness * t));
    if (light <= 0) {
      return 0;
    }
    t += Math.min(0.35, Math.max(0.012, d));
  }
  return light * light * (3 - 2 * light);
}

function openness(scene: Scene, p: Vec, n: Vec): number {
  let closed = 0;
  let weight = 1;
  for (let i = 1; i <= 5; i++) {
    const h = 0.05 * i;
    closed += (h - scene.distance(p[0] + n[0] * h, p[1] + n[1] * h, p[2] + n[2] * h)) * weight;
    weight *= 0.75;
  }
  return Math.max(0, Math.min(1, 1 - 1.6 * closed));
}

function shade(scene: Scene, eye: Vec, ray: Vec, from: number): { colour: Vec; depth: number } {
  const t = march(scene, eye, ray, from);
  if (t < 0) {
    return { colour: scene.sky(ray), depth: scene.far };
  }
  const p = add(eye, ray, t);
  const n = normalAt(scene, p, 0.0006 * (1 + t));
  const s = scene.surface(p, n);
  const lit = Math.max(0, dot(n, scene.key.direction)) * shadow(scene, add(p, n, 0.004));
  const open = openness(scene, p, n);
  const half = unit(sub(scene.key.direction, ray));
  const fresnel = 0.04 + 0.96 * (1 - Math.max(0, -dot(n, ray))) ** 5;
  const highlight = (s.gloss * lit * Math.max(0, dot(n, half)) ** s.shine * (s.shine + 8)) / 26;
  const bounce = scene.sky(add(ray, n, -2 * dot(ray, n)));
  let colour: Vec = [0, 0, 0];
  for (let i = 0; i < 3; i++) {
    const ambient = scene.fill[i] * open * (0.62 + 0.38 * n[1]);
    colour[i] =
      s.albedo[i] * (scene.key.colour[i] * lit + ambient) +
      scene.key.colour[i] * highlight +
      s.gloss * fresnel * bounce[i] * open +
      (s.glow?.[i] ?? 0);
  }
  if (scene.haze) {
    colour = blend(colour, scene.haze.colour, 1 - Math.exp(-t * scene.haze.perUnit));
  }
  return { colour, depth: t };
}

/** Film-like shoulder, then the sRGB curve. */
const develop = (v: number): number => {
  const f = (v * (2.51 * v + 0.03)) / (v * (2.43 * v + 0.59) + 0.14);
  const c = Math.min(1, Math.max(0, f));
  return 255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055);
};

/**
 * Where marching may begin: a coarse grid of depths, each taken as the nearest of its neighbours
 * with a margin.
 */
function startDepths(
  scene: Scene,
  width: number,
  height: number,
  rayAt: (x: number, y: number) => Vec,
): (x: number, y: number) => number {
  const cell = 8;
  const columns = Math.ceil(width / cell) + 1;
  const rows = Math.ceil(height / cell) + 1;
  const coarse = new Float32Array(columns * rows);
  for (let j = 0; j < rows; j++) {
    for (let i = 0; i < columns; i++) {
      const t = march(scene, scene.camera.eye, rayAt(i * cell, j * cell), 0.02);
      coarse[j * columns + i] = t < 0 ? scene.far : t;
    }
  }
  return (x, y) => {
    const ci = Math.round(x / cell);
    const cj = Math.round(y / cell);
    let nearest = scene.far;
    for (let j = Math.max(0, cj - 1); j <= Math.min(rows - 1, cj + 1); j++) {
      for (let i = Math.max(0, ci - 1); i <= Math.min(columns - 1, ci + 1); i++) {
        nearest = Math.min(nearest, coarse[j * columns + i]);
      }
    }
    return Math.max(0.02, nearest * 0.72);
  };
}

/** RGB bytes, top row first; pixels at depth edges get nine samples, all get a little grain. */
export function photograph(
  scene: Scene,
  width: number,
  height: number,
  progress: (share: number) => void,
): Uint8Array {
  const forward = unit(sub(scene.camera.target, scene.camera.eye));
  const right = unit(cross(forward, [0, 1, 0]));
  const up = cross(right, forward);
  const rayAt = (x: number, y: number) => {
    const u = (x - width / 2) / (height / 2) / scene.camera.zoom;
    const v = (height / 2 - y) / (height / 2) / scene.camera.zoom;
    return unit(add(add(forward, right, u), up, v));
  };
  const start = startDepths(scene, width, height, rayAt);
  const sample = (x: number, y: number) => shade(scene, scene.camera.eye, rayAt(x, y), start(x, y));
  const light = new Float32Array(width * height * 3);
  const depth = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const s = sample(x + 0.5, y + 0.5);
      light.set(s.colour, (y * width + x) * 3);
      depth[y * width + x] = s.depth;
    }
    if (y % 40 === 0) {
      progress((0.8 * y) / height);
    }
  }
  const out = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const d = depth[i];
      const edge = [
        x > 0 ? i - 1 : i,
        x < width - 1 ? i + 1 : i,
        y > 0 ? i - width : i,
        y < height - 1 ? i + width : i,
      ].some((k) => Math.abs(depth[k] - d) > 0.02 * d);
      let c: Vec = [light[i * 3], light[i * 3 + 1], light[i * 3 + 2]];
      if (edge) {
        c = [0, 0, 0];
        for (let k = 0; k < 9; k++) {
          const s = sample(x + ((k % 3) + 0.5) / 3, y + (Math.floor(k / 3) + 0.5) / 3).colour;
          for (let ch = 0; ch < 3; ch++) {
            c[ch] += Math.min(1.6, s[ch]) / 9;
          }
        }
      }
      const vignette = 1 - 0.22 * (((x / width - 0.5) ** 2 + (y / height - 0.5) ** 2) * 2);
      const grain = (hash(x, y, 3) + hash(x, y, 4) - 1) * 5;
      for (let ch = 0; ch < 3; ch++) {
        out[i * 3 + ch] = Math.max(
          0,
          Math.min(
            255,
            Math.round(develop(c[ch] * vignette) + grain + (hash(x, y, 5 + ch) - 0.5) * 2),
          ),
        );
      }
    }
    if (y % 40 === 0) {
      progress(0.8 + (0.2 * y) / height);
    }
  }
  return out;
}
