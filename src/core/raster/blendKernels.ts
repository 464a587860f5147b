import type { Kernels } from '../../kernels/kernels';
import { isSeparable, nonSeparableModes, type BlendMode, type SeparableMode } from './blend';
import type { Paint } from './composite';
import { unite, type Raster, type Rect, type Rgb } from './raster';
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

/** One of several sources that are laid on a target. */
export interface CompositedLayer {
  readonly source: RowSource;
  readonly mode: BlendMode;
  /** 0..1 */
  readonly opacity: number;
  /** Where; it lies within the target and the source. */
  readonly area: Rect;
}

/** Blends a row that lies at an address over another. */
type RowCall = (target: number, source: number) => void;

/** @param alphas room for what alphas come to at an opacity */
function rowCall(k: Kernels, { mode, opacity, area }: CompositedLayer, alphas: number): RowCall {
  const pixels = area.width;
  if (!isSeparable(mode)) {
    const which = together.indexOf(mode);
    return (target, source) => k.call.blendTogether(target, source, pixels, which, opacity);
  }
  const normal = mode === 'normal';
  const steps = alphaSteps(opacity, normal ? 65536 : 32768);
  const by = stepOf(steps);
  k.put(alphas, steps);
  if (normal) {
    return (target, source) => k.call.blendNormal(target, source, pixels, alphas, by, opacity);
  }
  const table = tableAt(k, mode);
  return (target, source) =>
    k.call.blendByTable(target, source, pixels, alphas, by, table, opacity);
}

/** A mode's results, which stay with the kernels. */
const tableAt = (k: Kernels, mode: SeparableMode): number =>
  k.table(`mode ${mode}`, () => Uint16Array.from(tableOf(mode)));

/** Brings a row of a source to an address. */
function bringRow(
  k: Kernels,
  { source, area }: CompositedLayer,
  y: number,
  from: number,
  cover: number,
): void {
  if (source.type === 'raster') {
    const { raster } = source;
    const first = ((y - source.y) * raster.width + area.x - source.x) * 4;
    k.put(from, raster.data.subarray(first, first + area.width * 4));
  } else if (source.type === 'mask') {
    const first = (y - source.y) * source.mask.width + area.x - source.x;
    k.put(cover, source.mask.data.subarray(first, first + area.width));
    k.call.coverRow(cover, pixelOf(source.colour), area.width, from);
  }
}

/**
 * Lays sources on a target in their order, in place: each row goes in once, whatever is laid on it.
 * The modes that work on three channels together are in single precision: a level differs by one
 * from the loops' where it is at a half.
 * @param laid one at least
 */
export function blendByKernels(k: Kernels, target: Raster, laid: readonly CompositedLayer[]): void {
  // A table takes its place before the room of this call is given out.
  for (const { mode } of laid) {
    if (isSeparable(mode) && mode !== 'normal') {
      tableAt(k, mode);
    }
  }
  const whole = laid.map((one) => one.area).reduce(unite);
  const widest = fours(whole.width);
  const isSolid = ({ source }: CompositedLayer) => source.type === 'solid';
  const [into, from, cover, ...rest] = k.rooms(
    widest * 4,
    widest * 4,
    widest,
    ...laid.map(() => 1024),
    // The row of one colour is made once.
    ...laid.filter(isSolid).map(() => widest * 4),
  );
  const solids = rest.slice(laid.length);
  const rows = laid.map((one, i) => {
    const call = rowCall(k, one, rest[i]);
    if (one.source.type !== 'solid') {
      return { one, call, at: from };
    }
    const at = solids.shift()!;
    k.bytes.fill(255, cover, cover + one.area.width);
    k.call.coverRow(cover, pixelOf(one.source.colour), one.area.width, at);
    return { one, call, at };
  });
  for (let y = whole.y; y < whole.y + whole.height; y++) {
    const here = rows.filter(({ one: { area } }) => y >= area.y && y < area.y + area.height);
    if (here.length === 0) {
      continue;
    }
    const first = (y * target.width + whole.x) * 4;
    const row = target.data.subarray(first, first + whole.width * 4);
    k.put(into, row);
    for (const { one, call, at } of here) {
      bringRow(k, one, y, at, cover);
      call(into + (one.area.x - whole.x) * 4, at);
    }
    row.set(k.bytes.subarray(into, into + whole.width * 4));
  }
}
