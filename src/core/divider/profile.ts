import type { Size } from '../frame/placement';
import type { Point } from '../raster/polygon';
import type { ProfileLayer, ProfileName } from '../site/model/blendLayers';
import { ownHeight } from './ownLine';
import { hash, octaves, valueNoise } from '../texture/noise';

/*
 * Profiles of a section's upper edge. All repeat after the slot's width, so that they join
 * sideways.
 */

/**
 * Height of a profile, 0..1, at a place in elements; `count` elements lie side by side and then
 * repeat.
 */
type Height = (u: number, count: number, seed: number) => number;

type MadeName = Exclude<ProfileName, 'own'>;

const between = (a: number, b: number, t: number): number => a + (b - a) * t;
const element = (u: number, count: number): number => ((Math.floor(u) % count) + count) % count;

/** Straight lines from peak to valley and on. */
const ridge: Height = (u, count, seed) => {
  const k = Math.floor(2 * u);
  const t = 2 * u - k;
  const level = (n: number) => {
    const i = ((n % (2 * count)) + 2 * count) % (2 * count);
    return i % 2 === 0 ? 0.1 + 0.25 * hash(i, 0, seed) : 0.6 + 0.4 * hash(i, 1, seed);
  };
  return between(level(k), level(k + 1), t);
};

const wave: Height = (u, count, seed) =>
  0.5 - 0.5 * Math.cos(2 * Math.PI * u) * (0.7 + 0.3 * valueNoise(u, 0.5, count, 1, seed));

/** Half circles side by side. */
const scallop: Height = (u) => {
  const t = 2 * (u - Math.floor(u)) - 1;
  return Math.sqrt(Math.max(0, 1 - t * t));
};

const step: Height = (u, count, seed) => 0.15 + 0.85 * hash(element(u, count), 2, seed);

const torn: Height = (u, count, seed) => 0.15 + 0.85 * octaves(u * 2, 0.5, count * 2, 1, seed, 6);

/** A saw: slowly up, and down at once. */
const slope: Height = (u) => u - Math.floor(u);

const heights: Readonly<Record<MadeName, Height>> = { ridge, wave, scallop, step, torn, slope };

/** The height of a layer's profile; farther back, another one, or the owner's own begun elsewhere. */
function heightOf(layer: ProfileLayer, depth: number): Height {
  if (layer.profile !== 'own') {
    return heights[layer.profile];
  }
  const own = ownHeight(layer.points);
  return (u) => own(u + depth * 0.37);
}

/** How far apart the points of a curve are, px. */
const pointsEvery: Readonly<Record<ProfileName, number>> = {
  ridge: 0,
  wave: 2,
  scallop: 1,
  step: 0,
  torn: 1.5,
  slope: 0,
  own: 1.5,
};

/** Places along the slot where a profile's line has a corner, or is taken as one; px. */
function placesOf({ profile, count }: ProfileLayer, width: number): number[] {
  const every = pointsEvery[profile];
  const corners = profile === 'ridge' ? 2 * count : count;
  const n = every > 0 ? Math.max(corners, Math.ceil(width / every / corners) * corners) : corners;
  return Array.from({ length: n + 1 }, (_, i) => (i * width) / n);
}

/** One of the profiles behind each other. */
export interface Profile {
  /** From the left to the right end of the slot, px; without the ground below. */
  readonly line: readonly Point[];
  /** 1 in front. */
  readonly opacity: number;
}

/** How much higher each profile farther back is, as a share of the room that is left above. */
const backRise = 0.5;

function lineOf(layer: ProfileLayer, { width, height }: Size, depth: number): Point[] {
  const { profile, seed, depths } = layer;
  const f = heightOf(layer, depth);
  const count = profile === 'own' ? layer.count : layer.count + depth;
  const own = { ...layer, count };
  // Those farther back take their share of the room above the front one, and begin at another
  // place, whole px for both ends.
  const rise =
    height * (layer.rise + (1 - layer.rise) * (depths > 1 ? (depth / (depths - 1)) * backRise : 0));
  const shift = depth * 0.37 * count;
  const places = placesOf(own, width);
  const level = (u: number) =>
    height - rise * Math.min(1, Math.max(0, f(u, count, seed + depth * 17)));
  if (profile === 'step' || profile === 'slope') {
    // Each element begins with a fall or a rise that is upright: two points at one place.
    const turn = shift % 1;
    const us = Array.from({ length: count + 2 }, (_, i) => i - turn);
    const points: Point[] = [];
    for (const u of us) {
      const before = profile === 'step' ? level(u + turn - 0.5 + Math.floor(shift)) : height - rise;
      const after = profile === 'step' ? level(u + turn + 0.5 + Math.floor(shift)) : height;
      points.push({ x: (u * width) / count, y: before }, { x: (u * width) / count, y: after });
    }
    return cutAt(points, width);
  }
  return places.map((x) => ({ x, y: level((x / width) * count + Math.floor(shift)) }));
}

/** A line cut at both ends of the slot. */
function cutAt(points: readonly Point[], width: number): Point[] {
  const at = (x: number): number => {
    const i = points.findIndex(
      (p, k) => k > 0 && p.x >= x && points[k - 1].x <= x && p.x > points[k - 1].x,
    );
    const a = points[i - 1];
    const b = points[i];
    return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  };
  return [
    { x: 0, y: at(0) },
    ...points.filter((p) => p.x > 0 && p.x < width),
    { x: width, y: at(width) },
  ];
}

/** The profiles of a layer, from back to front. */
export const profilesOf = (layer: ProfileLayer, slot: Size): Profile[] =>
  Array.from({ length: layer.depths }, (_, i) => layer.depths - 1 - i).map((depth) => ({
    line: lineOf(layer, slot, depth),
    opacity: (layer.depths - depth) / layer.depths,
  }));

/** The area below a line, down to the slot's lower edge. */
export const areaBelow = (line: readonly Point[], { width, height }: Size): Point[] => [
  ...line,
  { x: width, y: height },
  { x: 0, y: height },
];

const figure = (v: number): string => String(Math.round(v * 100) / 100);

/**
 * The layers as a Scalable Vector Graphics file of the slot's size; it may be stretched, and its
 * colour is exact at any size.
 * @param layers from back to front
 */
export function profileSvg(layers: readonly ProfileLayer[], slot: Size): string {
  const { width, height } = slot;
  const paths = layers.flatMap((layer) =>
    profilesOf(layer, slot).map(({ line, opacity }) => {
      const strength = opacity * layer.opacity;
      const points = areaBelow(line, slot)
        .map(({ x, y }) => `${figure(x)} ${figure(y)}`)
        .join('L');
      return `<path fill="${layer.colour}"${strength < 1 ? ` fill-opacity="${figure(strength)}"` : ''} d="M${points}Z"/>`;
    }),
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" preserveAspectRatio="none">${paths.join('')}</svg>\n`;
}
