import type { Mask } from '../raster/raster';
import type { TextureName } from '../site/model/colourLayers';
import { cellNoise, hash, octaves, valueNoise } from './noise';

/**
 * Where a texture is asked: px, and the same in units of its elements, which repeat after `nx` by
 * `ny`.
 */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly u: number;
  readonly v: number;
  readonly nx: number;
  readonly ny: number;
  /** Px of one element. */
  readonly scale: number;
  readonly seed: number;
}

/** Cover of one pixel, 0..1, around a half; contrast is laid on afterwards. */
type Texture = (p: Place) => number;

const smooth = (from: number, to: number, t: number): number => {
  const k = Math.min(1, Math.max(0, (t - from) / (to - from)));
  return k * k * (3 - 2 * k);
};
/** A line of a width, both in elements, softened over one px. */
const line = (distance: number, width: number, scale: number): number =>
  1 - smooth(width / 2 - 0.5 / scale, width / 2 + 0.5 / scale, Math.abs(distance));
const toWhole = (v: number): number => v - Math.round(v);

export const textures: Readonly<Record<TextureName, Texture>> = {
  grain: ({ x, y, u, v, nx, ny, scale, seed }) =>
    scale < 1.5
      ? hash(x, y, seed)
      : 0.5 + 0.9 * (valueNoise(u, v, nx, ny, seed) - 0.5) + 0.5 * (hash(x, y, seed + 1) - 0.5),
  speckle({ u, v, nx, ny, scale, seed }) {
    const { near, id } = cellNoise(u, v, nx, ny, seed);
    const size = 0.08 + 0.3 * id ** 3;
    return 1 - smooth(size - 0.6 / scale, size + 0.6 / scale, near);
  },
  weave({ u, v, nx, ny, scale, seed }) {
    const over = ((Math.floor(u) + Math.floor(v)) & 1) === 0;
    const across = over ? v - Math.floor(v) : u - Math.floor(u);
    const along = over ? u - Math.floor(u) : v - Math.floor(v);
    const thread = Math.sin(Math.PI * across) * (0.55 + 0.45 * Math.sin(Math.PI * along));
    const fibre = valueNoise(
      over ? u : u * 6,
      over ? v * 6 : v,
      over ? nx : nx * 6,
      over ? ny * 6 : ny,
      seed,
    );
    return Math.min(1, thread * (0.75 + 0.4 * fibre)) * (scale < 3 ? 0.8 : 1);
  },
  paper: ({ x, y, u, v, nx, ny, seed }) =>
    0.5 + 1.1 * (octaves(u, v, nx, ny, seed, 4) - 0.5) + 0.25 * (hash(x, y, seed + 3) - 0.5),
  mosaic({ u, v, nx, ny, scale, seed }) {
    const { near, second, id } = cellNoise(u, v, nx, ny, seed);
    return (0.25 + 0.65 * id) * smooth(0.02, 0.06 + 1.2 / scale, second - near);
  },
  stripes: ({ u, v, scale }) => line(toWhole((u + v) / 2), 0.5, scale * Math.SQRT2),
  dots: ({ u, v, scale }) =>
    1 - smooth(0.28 - 0.5 / scale, 0.28 + 0.5 / scale, Math.hypot(toWhole(u), toWhole(v))),
  mesh: ({ u, v, scale }) =>
    Math.max(
      line(toWhole(u), Math.min(0.5, 1.4 / scale), scale),
      line(toWhole(v), Math.min(0.5, 1.4 / scale), scale),
    ),
};

export const textureNames = Object.keys(textures) as TextureName[];

/** Diagonal stripes and crossed threads repeat after two elements, so their number must be even. */
const pairs: ReadonlySet<TextureName> = new Set(['stripes', 'weave']);

/** How many elements go along a side: a whole number, so that the last joins with the first. */
export function elementsAlong(texture: TextureName, side: number, scale: number): number {
  const count = Math.max(1, Math.round(side / Math.max(1, scale)));
  return pairs.has(texture) ? Math.max(2, count + (count & 1)) : count;
}

export interface TextureSpec {
  readonly texture: TextureName;
  readonly scale: number;
  /** 0 flattens it to even cover, 1 is full. */
  readonly contrast: number;
  readonly seed: number;
}

/**
 * A texture as cover for a colour, joining with itself at all four sides.
 * @param width px @param height px
 */
export function drawTexture(
  { texture, scale, contrast, seed }: TextureSpec,
  width: number,
  height: number,
): Mask {
  const nx = elementsAlong(texture, width, scale);
  const ny = elementsAlong(texture, height, scale);
  const at = textures[texture];
  const data = new Uint8Array(width * height);
  const own = Math.min(width / nx, height / ny);
  for (let y = 0, i = 0; y < height; y++) {
    const v = ((y + 0.5) * ny) / height;
    for (let x = 0; x < width; x++, i++) {
      const cover =
        0.5 +
        contrast * (at({ x, y, u: ((x + 0.5) * nx) / width, v, nx, ny, scale: own, seed }) - 0.5);
      data[i] = Math.max(0, Math.min(255, cover * 255 + 0.5));
    }
  }
  return { width, height, data };
}
