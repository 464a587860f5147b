import { cells, fbm, noise3, smoothstep, clamp01 } from './noise';
import { blend, linear, scaled, unit, type Scene, type Surface, type Vec } from './march';
import { vesselDistance, vesselSurface, type Vessel } from './vessel';

const clay = linear('#a4553a');
const slip = linear('#efe9dc');
const celadon = linear('#a9b79a');
const sand = linear('#e3d6bd');
const kiln = linear('#3b4a45');

export const vessel = (
  x: number,
  z: number,
  height: number,
  radii: number[],
  glaze: Vec,
  glazeFrom: number,
  speckle: number,
  seed: number,
  body: Vec = clay,
): Vessel => ({ x, z, height, radii, wall: 0.035, glaze, glazeFrom, speckle, clay: body, seed });

const shelfVessels: Vessel[] = [
  vessel(-2.35, 0, 1.12, [0.26, 0.44, 0.53, 0.5, 0.36, 0.2], slip, 0.52, 0.9, 1),
  vessel(-1.12, 0.28, 0.62, [0.24, 0.4, 0.5, 0.57, 0.61], linear('#6f8f8a'), 0.22, 0.7, 2),
  vessel(
    0.05,
    -0.05,
    1.42,
    [0.24, 0.42, 0.46, 0.34, 0.18, 0.15, 0.24],
    linear('#6d8fa0'),
    0.5,
    0.5,
    3,
  ),
  vessel(1.12, 0.2, 0.78, [0.3, 0.37, 0.39, 0.38, 0.33], sand, 0.34, 0.8, 4, linear('#b58a68')),
  vessel(2.3, -0.02, 1.0, [0.28, 0.47, 0.56, 0.52, 0.38], celadon, 0.44, 0.5, 5),
];

function plaster(x: number, y: number, wall: string): Surface {
  const tone = 0.78 + 0.3 * fbm(x * 1.7, y * 1.7, 3, 6) - 0.08 * fbm(x * 22, y * 22, 1, 3);
  return { albedo: scaled(linear(wall), tone), gloss: 0.02, shine: 8 };
}

function wood(x: number, z: number): Surface {
  const board = Math.floor(z / 0.9);
  const along = x * 0.5 + board * 7.3;
  const rings = fbm(along * 0.9, z * 9 + 2.2 * fbm(along, z * 2, 8), board, 5);
  const fibre = fbm(along * 4, z * 90, 2, 3);
  const gap = smoothstep(0.012, 0.0, Math.abs(z / 0.9 - Math.round(z / 0.9)) * 0.9);
  const tone = (0.55 + 0.65 * rings + 0.22 * (fibre - 0.5)) * (1 - 0.7 * gap);
  return { albedo: scaled(linear('#9b7450'), tone), gloss: 0.14, shine: 18 };
}

interface ShelfLook {
  readonly wall: string;
  readonly camera: Scene['camera'];
  readonly light: Vec;
}

/** Pots on a wooden board before a plastered wall. */
export const shelfOf = (vessels: readonly Vessel[], { wall, camera, light }: ShelfLook): Scene => ({
  distance(x, y, z) {
    let d = Math.min(y, z + 1.5);
    for (const v of vessels) {
      d = Math.min(d, vesselDistance(v, x, y, z));
    }
    return d;
  },
  surface(p) {
    for (const v of vessels) {
      if (vesselDistance(v, p[0], p[1], p[2]) < 0.004) {
        return vesselSurface(v, p);
      }
    }
    return p[1] < 0.004 ? wood(p[0], p[2]) : plaster(p[0], p[1], wall);
  },
  sky: (d) =>
    blend(linear('#6d675f'), linear('#fff3df'), smoothstep(0.1, 0.75, d[1] * 0.5 - d[0] * 0.6)),
  camera,
  key: { direction: unit(light), colour: [1.5, 1.3, 1.03], softness: 0.085 },
  fill: [0.27, 0.29, 0.33],
  far: 14,
});

const shelf = shelfOf(shelfVessels, {
  wall: '#b9ab97',
  camera: { eye: [0, 0.98, 6.4], target: [0, 0.6, 0], zoom: 3.75 },
  light: [-0.62, 0.72, 0.52],
});

const yardVessels: Vessel[] = [
  vessel(-0.95, -1.15, 0.72, [0.2, 0.33, 0.38, 0.3, 0.2], linear('#c98d5a'), 0.3, 0.5, 11),
  vessel(-0.2, -1.35, 0.95, [0.2, 0.34, 0.36, 0.26, 0.16, 0.2], linear('#d3a26b'), 0.4, 0.4, 12),
  vessel(0.62, -1.1, 0.6, [0.2, 0.31, 0.37, 0.4], linear('#b9774a'), 0.2, 0.6, 13),
  vessel(1.2, -1.5, 0.8, [0.2, 0.34, 0.34, 0.22], linear('#d3a26b'), 0.3, 0.6, 14),
];

/** The open door of a kiln at full heat: bricks, an arch, pots standing in the glow. */
const glow: Scene = {
  distance(x, y, z) {
    const side = Math.abs(x) - 1.62;
    const top = Math.hypot(x, Math.max(0, y - 0.62)) - 1.62;
    const opening = y > 0.62 ? top : side;
    const course = y / 0.21;
    const row = Math.floor(course);
    const bx = x / 0.52 + (row % 2) * 0.5;
    const joint = Math.min(
      Math.abs(course - Math.round(course)) * 0.21,
      Math.abs(bx - Math.round(bx)) * 0.52,
    );
    const wall =
      z > 0.2
        ? z - 0.05
        : z - 0.02 * smoothstep(0.0, 0.03, joint) - 0.016 * fbm(x * 8, y * 8, 1, 3);
    const block = Math.max(wall, -opening, -(z + 0.45));
    let d = Math.min(block, y, z + 2.3);
    for (const v of yardVessels) {
      d = Math.min(d, vesselDistance(v, x, y, z));
    }
    return d * 0.85;
  },
  surface(p, n) {
    const heat = clamp01((0.25 - p[2]) / 1.6);
    const flame = 0.6 + 0.8 * fbm(p[0] * 1.6, p[1] * 1.1 - 2, p[2] * 1.2, 4);
    for (const v of yardVessels) {
      if (vesselDistance(v, p[0], p[1], p[2]) < 0.006) {
        const s = vesselSurface(v, p);
        const hot = 0.06 + 0.16 * p[1] + 0.35 * (1 - Math.max(0, n[2])) ** 2;
        return {
          ...s,
          gloss: 0.3,
          glow: [hot * 1.0 * flame, hot * 0.26 * flame, hot * 0.05 * flame],
        };
      }
    }
    if (p[2] < -2.2) {
      const g = 1.25 * flame * (1.25 - 0.34 * p[1]);
      return { albedo: [0, 0, 0], gloss: 0, shine: 1, glow: [g, g * 0.34, g * 0.05] };
    }
    const brick =
      p[1] < 0.01
        ? 0.45 + 0.8 * fbm(p[0] * 2, p[2] * 2, 3, 5) + 0.5 * (fbm(p[0] * 30, p[2] * 30, 5) - 0.5)
        : 0.5 +
          0.7 * fbm(Math.floor(p[0] / 0.52) * 3.1, Math.floor(p[1] / 0.21) * 5.7, 2, 2) +
          0.4 * (fbm(p[0] * 14, p[1] * 14, 5) - 0.5);
    const reach = Math.max(0, Math.hypot(p[0], Math.max(0, p[1] - 0.62)) - 1.62);
    const floor = p[1] < 0.01;
    const lane = Math.exp(-Math.max(0, Math.abs(p[0]) - 1.2) * 2.2 - Math.max(0, p[2]) * 0.9);
    const inFront = floor ? 0.16 * lane : 0.15 * Math.exp(-reach * 3.2);
    const spill = p[2] < -0.03 ? 0.3 * heat + 0.07 : inFront;
    return {
      albedo: scaled(linear(p[1] < 0.01 ? '#6e5b4d' : '#8d4f38'), brick),
      gloss: 0.03,
      shine: 10,
      glow: [spill * 1.5 * brick, spill * 0.46 * brick, spill * 0.1 * brick],
    };
  },
  sky: () => [0.01, 0.012, 0.016],
  camera: { eye: [0.5, 1.15, 4.6], target: [0.12, 0.92, 0], zoom: 2.3 },
  key: { direction: unit([-0.4, 0.5, 0.8]), colour: [0.12, 0.15, 0.2], softness: 0.2 },
  fill: [0.045, 0.05, 0.065],
  far: 12,
};

const hills = (x: number, z: number): number =>
  2.9 * fbm(x * 0.14, z * 0.14, 0, 3) +
  0.6 * (1 - Math.abs(2 * fbm(x * 0.35 + 9, z * 0.35, 4, 3) - 1)) +
  0.05 * fbm(x * 2.4, z * 2.4, 2, 2) -
  1.35;

interface HillsLook {
  /** How far the land is shifted, so that other hills stand before the camera. */
  readonly shift: number;
  readonly bare: readonly [string, string];
  readonly grass: string;
  readonly horizon: string;
  readonly zenith: string;
  readonly light: Vec;
  readonly colour: Vec;
}

/** Hills, terraced where clay was dug. */
export const hillsOf = ({
  shift,
  bare: tones,
  grass: green,
  horizon,
  zenith,
  light,
  colour,
}: HillsLook): Scene => ({
  distance(x, y, z) {
    if (y > 2.4) {
      return (y - 1.9) * 0.6;
    }
    const h = hills(x + shift, z);
    const step = 0.16;
    const terrace =
      Math.floor(h / step) * step + step * smoothstep(0.55, 0.95, h / step - Math.floor(h / step));
    return (y - (h + (terrace - h) * smoothstep(0.1, 0.5, h))) * 0.45;
  },
  surface(p, n) {
    const strata = fbm(p[0] * 0.4, p[1] * 11 + fbm(p[0], p[2], 1) * 1.2, 3, 4);
    const bare = blend(linear(tones[0]), linear(tones[1]), smoothstep(0.3, 0.7, strata));
    const grass = blend(linear(green), celadon, fbm(p[0] * 3, p[2] * 3, 6));
    const patch =
      smoothstep(0.74, 0.9, n[1]) * smoothstep(0.42, 0.6, fbm(p[0] * 0.7, p[2] * 0.7, 5));
    return {
      albedo: scaled(blend(bare, grass, patch), 0.75 + 0.5 * fbm(p[0] * 6, p[2] * 6, p[1] * 6, 3)),
      gloss: 0,
      shine: 4,
    };
  },
  sky(d) {
    const h = clamp01(d[1] * 2.4);
    const cloud =
      smoothstep(0.5, 0.8, fbm((d[0] * 3) / (d[1] + 0.22), 3 / (d[1] + 0.22), 4, 5)) *
      (1 - h * 0.5);
    return blend(blend(linear(horizon), linear(zenith), h ** 0.7), linear('#f7e5cf'), 0.6 * cloud);
  },
  camera: { eye: [0, 1.25, 9], target: [0.6, 0.98, 0], zoom: 2.5 },
  key: { direction: unit(light), colour, softness: 0.12 },
  fill: [0.28, 0.36, 0.46],
  haze: { colour: linear('#dfc4a6'), perUnit: 0.022 },
  far: 46,
});

const landscape = hillsOf({
  shift: 0,
  bare: ['#96492f', '#d69a6c'],
  grass: '#6d7a55',
  horizon: '#f3d3a8',
  zenith: '#7f9fb0',
  light: [-0.78, 0.36, -0.1],
  colour: [2.5, 1.85, 1.2],
});

/**
 * A hand's breadth of a glazed bowl: crackle, pooled glaze in two tones, iron specks, a bare clay
 * foot.
 */
export const glazeOf = (thin: string, thick: string, eye: Vec): Scene => ({
  distance(x, y, z) {
    const sheet = Math.hypot(x * 0.62, z + 3.2) - 3.2;
    if (sheet > 0.3) {
      return (sheet - 0.12) * 0.85;
    }
    const edge = -0.55 + 0.5 * (fbm(x * 1.3, 3, 1, 3) - 0.5) + 0.12 * (noise3(x * 5, 1) - 0.5);
    const thick = 0.075 * smoothstep(edge - 0.12, edge + 0.16, y);
    const run = 0.035 * fbm(x * 4.2, y * 0.9, 2, 3) * smoothstep(edge - 0.1, edge + 0.3, y);
    const c = cells(x * 3.1 + 0.3 * fbm(x * 3, y * 3, 1), y * 3.1, 3);
    const crack =
      0.0015 * smoothstep(0.035, 0.0, c.second - c.near) * smoothstep(edge, edge + 0.3, y);
    const rough = 0.012 * fbm(x * 26, y * 26, 4, 3) * smoothstep(edge + 0.1, edge - 0.06, y);
    return (sheet - thick - run + crack - rough) * 0.7;
  },
  surface(p) {
    const [x, y] = p;
    const edge = -0.55 + 0.5 * (fbm(x * 1.3, 3, 1, 3) - 0.5) + 0.12 * (noise3(x * 5, 1) - 0.5);
    const on = smoothstep(edge - 0.05, edge - 0.01, y);
    const c = cells(x * 3.1 + 0.3 * fbm(x * 3, y * 3, 1), y * 3.1, 3);
    const pool = fbm(x * 2.2, y * 0.8, 3, 5);
    let tone = blend(linear(thick), linear(thin), smoothstep(0.25, 0.75, pool));
    tone = blend(tone, linear('#39574f'), smoothstep(edge + 0.26, edge, y) * 0.6);
    tone = blend(tone, linear('#4a4238'), 0.28 * smoothstep(0.026, 0.0, c.second - c.near));
    const speck = cells(x * 13, y * 13, 21);
    const size = 0.03 + 0.17 * speck.id ** 4;
    tone = blend(tone, linear('#54301e'), smoothstep(size, size * 0.6, speck.near) * 0.8);
    const body = scaled(
      blend(clay, linear('#c98a63'), fbm(x * 8, y * 20, 1)),
      0.7 + 0.5 * fbm(x * 30, y * 30, 4, 3),
    );
    const rust = blend(body, linear('#7a3a1c'), smoothstep(edge - 0.14, edge - 0.02, y) * 0.7);
    return { albedo: blend(rust, tone, on), gloss: 0.04 + 0.9 * on, shine: 20 + 120 * on };
  },
  sky: (d) =>
    blend(
      kiln,
      linear('#fff6e6'),
      smoothstep(0.25, 0.3, d[1]) *
        smoothstep(0.8, 0.72, Math.abs(d[0] + 0.3)) *
        smoothstep(0.75, 0.68, d[1]),
    ),
  camera: { eye, target: [eye[0] - 0.2, eye[1] - 0.3, 0], zoom: 2.6 },
  key: { direction: unit([-0.5, 0.62, 0.6]), colour: [1.9, 1.75, 1.5], softness: 0.1 },
  fill: [0.42, 0.45, 0.48],
  far: 10,
});

const glaze = glazeOf('#b4c4a2', '#6f917a', [0.2, 0.25, 3.6]);

export const scenes: Record<string, { scene: Scene; width: number; height: number }> = {
  'shelf-of-pots': { scene: shelf, width: 2400, height: 1200 },
  'glaze-close-up': { scene: glaze, width: 2400, height: 1350 },
  'kiln-glow': { scene: glow, width: 2400, height: 1350 },
  'clay-hills': { scene: landscape, width: 2400, height: 1350 },
};
