import {
  isSeparable,
  nonSeparableModes,
  tabulate,
  type BlendMode,
  type SeparableMode,
} from './blend';

/*
 * Over an opaque target, which is nearly all there is, levels are computed in whole numbers: alpha
 * in 16 bits, and results of a mode in 1/128 of a level with alpha in 15, so that every product
 * stays below 2^31. A level is rounded half up; the small surplus carries exact halves, which
 * strengths in hundredths produce, over what the bits of alpha leave out (0.004 levels at most,
 * while the nearest other hundredth is 0.01 away).
 */
export const half16 = (1 << 15) + 256;
export const half22 = (1 << 21) + (1 << 15);
export const half = 0.5 + 1e-7;

const tables = new Map<SeparableMode, Int32Array>();

/** The mode's results in 1/128 of a level. */
export function tableOf(mode: SeparableMode): Int32Array {
  let table = tables.get(mode);
  if (!table) {
    const levels = tabulate(mode);
    table = new Int32Array(levels.length);
    for (let i = 0; i < table.length; i++) {
      table[i] = Math.round(levels[i] * 128);
    }
    tables.set(mode, table);
  }
  return table;
}

/** Alpha of each of the 256 levels of cover at an opacity, where `one` stands for 1. */
export const alphaSteps = (opacity: number, one: number): Int32Array =>
  Int32Array.from({ length: 256 }, (_, cover) => Math.round((cover * opacity * one) / 255));

/** Blends `pixels` pixels of `source` from index `from` on `target` from index `at`. */
export type RowBlend = (
  target: Uint8ClampedArray,
  at: number,
  source: Uint8ClampedArray,
  from: number,
  pixels: number,
) => void;

function blendNormal(opacity: number): RowBlend {
  const alphas = alphaSteps(opacity, 65536);
  const k = opacity / 255;
  return (target, at, source, from, pixels) => {
    for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
      const a = alphas[source[from + 3]];
      if (a === 0) {
        continue;
      }
      const ab = target[at + 3];
      if (a === 65536) {
        target[at] = source[from];
        target[at + 1] = source[from + 1];
        target[at + 2] = source[from + 2];
        target[at + 3] = 255;
      } else if (ab === 255) {
        const r = target[at];
        const g = target[at + 1];
        const b = target[at + 2];
        target[at] = ((r << 16) + a * (source[from] - r) + half16) >> 16;
        target[at + 1] = ((g << 16) + a * (source[from + 1] - g) + half16) >> 16;
        target[at + 2] = ((b << 16) + a * (source[from + 2] - b) + half16) >> 16;
      } else {
        const as = source[from + 3] * k;
        const rest = (ab / 255) * (1 - as);
        const ao = as + rest;
        target[at] = ((as * source[from] + rest * target[at]) / ao + half) | 0;
        target[at + 1] = ((as * source[from + 1] + rest * target[at + 1]) / ao + half) | 0;
        target[at + 2] = ((as * source[from + 2] + rest * target[at + 2]) / ao + half) | 0;
        target[at + 3] = (ao * 255 + half) | 0;
      }
    }
  };
}

/** Sections 5 and 10 of the recommendation: cs' = (1 − αb)·cs + αb·B(cb, cs), then source-over. */
function blendByTable(table: Int32Array, opacity: number): RowBlend {
  const alphas = alphaSteps(opacity, 32768);
  const k = opacity / 255;
  return (target, at, source, from, pixels) => {
    for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
      const a = alphas[source[from + 3]];
      if (a === 0) {
        continue;
      }
      const ab = target[at + 3];
      const r = target[at];
      const g = target[at + 1];
      const b = target[at + 2];
      const mr = table[(r << 8) | source[from]];
      const mg = table[(g << 8) | source[from + 1]];
      const mb = table[(b << 8) | source[from + 2]];
      if (ab === 255) {
        target[at] = ((r << 22) + a * (mr - (r << 7)) + half22) >> 22;
        target[at + 1] = ((g << 22) + a * (mg - (g << 7)) + half22) >> 22;
        target[at + 2] = ((b << 22) + a * (mb - (b << 7)) + half22) >> 22;
      } else {
        const as = source[from + 3] * k;
        const abf = ab / 255;
        const rest = abf * (1 - as);
        const ao = as + rest;
        const own = (1 - abf) * as;
        const mixed = (abf * as) / 128;
        target[at] = ((own * source[from] + mixed * mr + rest * r) / ao + half) | 0;
        target[at + 1] = ((own * source[from + 1] + mixed * mg + rest * g) / ao + half) | 0;
        target[at + 2] = ((own * source[from + 2] + mixed * mb + rest * b) / ao + half) | 0;
        target[at + 3] = (ao * 255 + half) | 0;
      }
    }
  };
}

const blendTogether =
  (mode: keyof typeof nonSeparableModes, opacity: number): RowBlend =>
  (target, at, source, from, pixels) => {
    const f = nonSeparableModes[mode];
    const k = opacity / 255;
    for (let end = at + pixels * 4; at < end; at += 4, from += 4) {
      const as = source[from + 3] * k;
      if (as === 0) {
        continue;
      }
      const ab = target[at + 3] / 255;
      const rest = ab * (1 - as);
      const ao = as + rest;
      const mixed = f(
        [target[at] / 255, target[at + 1] / 255, target[at + 2] / 255],
        [source[from] / 255, source[from + 1] / 255, source[from + 2] / 255],
      );
      for (let c = 0; c < 3; c++) {
        target[at + c] =
          (((1 - ab) * as * source[from + c] + ab * as * 255 * mixed[c] + rest * target[at + c]) /
            ao +
            half) |
          0;
      }
      target[at + 3] = (ao * 255 + half) | 0;
    }
  };

export function rowBlend(mode: BlendMode, opacity: number): RowBlend {
  if (mode === 'normal') {
    return blendNormal(opacity);
  }
  return isSeparable(mode) ? blendByTable(tableOf(mode), opacity) : blendTogether(mode, opacity);
}
