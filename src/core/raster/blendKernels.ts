import type { Kernels } from '../../kernels/kernels';
import { isSeparable, nonSeparableModes, type BlendMode, type SeparableMode } from './blend';
import type { Paint } from './composite';
import type { Raster, Rect, Rgb } from './raster';
import { alphaSteps, tableOf } from './rowBlend';

/** What is laid on a target row by row: px of a raster, or one colour through a mask or everywhere. */
export type RowSource = Extract<Paint, { type: 'raster' | 'mask' | 'solid' }>;

/** In the order that the kernel counts them. */
const together = Object.keys(nonSeparableModes);

/** What each step of alpha comes to, where floats give the whole table by it; else 0. */
function stepOf(alphas: Int32Array): number {
  const by = Math.fround(alphas[255] / 255);
  const same = alphas.every((alpha, i) => {
    const v = Math.fround(i * by);
    // Halves are rounded otherwise there.
    return Math.round(v) === alpha && v - Math.floor(v) !== 0.5;
  });
  return same ? by : 0;
}

/** Px of a kernel's row: whole fours. */
const fours = (pixels: number): number => (pixels + 3) & ~3;

const pixelOf = ({ r, g, b }: Rgb): number => r | (g << 8) | (b << 16);

/** Blends one row that lies at an address over another. */
function rowCall(
  k: Kernels,
  mode: BlendMode,
  opacity: number,
  pixels: number,
): { rooms: (...sizes: number[]) => number[]; blend(target: number, source: number): void } {
  if (!isSeparable(mode)) {
    const which = together.indexOf(mode);
    return {
      rooms: (...sizes) => k.rooms(...sizes),
      blend: (target, source) => k.call.blendTogether(target, source, pixels, which, opacity),
    };
  }
  const normal = mode === 'normal';
  const table = normal
    ? 0
    : k.table(`mode ${mode}`, () => Uint16Array.from(tableOf(mode as SeparableMode)));
  const steps = alphaSteps(opacity, normal ? 65536 : 32768);
  const by = stepOf(steps);
  let alphas = 0;
  return {
    rooms(...sizes) {
      const [first, ...rest] = k.rooms(1024, ...sizes);
      alphas = first;
      k.put(alphas, steps);
      return rest;
    },
    blend: (target, source) =>
      normal
        ? k.call.blendNormal(target, source, pixels, alphas, by, opacity)
        : k.call.blendByTable(target, source, pixels, alphas, table, opacity),
  };
}

/**
 * Lays a source on an area of a target, in place. The modes that work on three channels together are
 * in single precision: a level differs by one from the loops' where it is at a half.
 * @param area lies within the target and the source
 */
export function blendByKernels(
  k: Kernels,
  target: Raster,
  source: RowSource,
  mode: BlendMode,
  opacity: number,
  area: Rect,
): void {
  const { rooms, blend } = rowCall(k, mode, opacity, area.width);
  const bytes = fours(area.width) * 4;
  const [into, from, cover] = rooms(bytes, bytes, fours(area.width));
  if (source.type === 'solid') {
    k.bytes.fill(255, cover, cover + area.width);
    k.call.coverRow(cover, pixelOf(source.colour), area.width, from);
  }
  for (let y = area.y; y < area.y + area.height; y++) {
    const at = (y * target.width + area.x) * 4;
    const row = target.data.subarray(at, at + area.width * 4);
    if (source.type === 'raster') {
      const { raster } = source;
      const first = ((y - source.y) * raster.width + area.x - source.x) * 4;
      k.put(from, raster.data.subarray(first, first + area.width * 4));
    } else if (source.type === 'mask') {
      const first = (y - source.y) * source.mask.width + area.x - source.x;
      k.put(cover, source.mask.data.subarray(first, first + area.width));
      k.call.coverRow(cover, pixelOf(source.colour), area.width, from);
    }
    k.put(into, row);
    blend(into, from);
    row.set(k.bytes.subarray(into, into + area.width * 4));
  }
}
