import { convertOklabToRgb, convertRgbToOklab } from 'culori/fn';
import type { Raster, Rgb } from '../raster/raster';

export interface MainColour {
  readonly colour: Rgb;
  /** Share of the picture's seen pixels, 0..1. */
  readonly share: number;
}

interface Cell {
  readonly lab: readonly [number, number, number];
  readonly count: number;
}

/** Pixels looked at, at most; a main colour is one that many of them have. */
const sample = 40_000;

/** The seen pixels, gathered into cells of 5 bits a channel, in OKLab (B. Ottosson, 2020). */
function cells({ data }: Raster): Cell[] {
  const pixels = data.length / 4;
  const step = Math.max(1, Math.floor(pixels / sample));
  const sums = new Map<number, [number, number, number, number]>();
  for (let p = 0; p < pixels; p += step) {
    const i = p * 4;
    if (data[i + 3] < 128) {
      continue;
    }
    const key = ((data[i] >> 3) << 10) | ((data[i + 1] >> 3) << 5) | (data[i + 2] >> 3);
    const sum = sums.get(key);
    if (sum) {
      sum[0] += data[i];
      sum[1] += data[i + 1];
      sum[2] += data[i + 2];
      sum[3]++;
    } else {
      sums.set(key, [data[i], data[i + 1], data[i + 2], 1]);
    }
  }
  return [...sums.values()].map(([r, g, b, count]) => {
    const {
      l,
      a,
      b: bb,
    } = convertRgbToOklab({ r: r / count / 255, g: g / count / 255, b: b / count / 255 });
    return { lab: [l, a, bb], count };
  });
}

const distance = (a: readonly number[], b: readonly number[]): number =>
  (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

/** Two centres nearer than this look the same at a glance (ours, by looking). */
const alike = 0.05;

/**
 * The colours a picture mostly consists of, the most frequent first: weighted k-means in OKLab,
 * begun with the commonest cell and then always the cell farthest from the ones before, so that the
 * same picture always gives the same colours.
 * @param most how many colours at most; fewer are given where the picture has fewer
 */
export function mainColours(raster: Raster, most = 6): MainColour[] {
  const all = cells(raster);
  const total = all.reduce((sum, c) => sum + c.count, 0);
  if (total === 0) {
    return [];
  }
  let newest = all.reduce((best, c) => (c.count > best.count ? c : best)).lab;
  let centres = [newest];
  /** Of each cell, how far the nearest centre is. */
  const apart = new Float64Array(all.length).fill(Infinity);
  while (centres.length < Math.min(most, all.length)) {
    // Far away and not rare: the distance counts by the root of how many have it.
    let next = 0;
    let heaviest = -1;
    for (let i = 0; i < all.length; i++) {
      apart[i] = Math.min(apart[i], distance(newest, all[i].lab));
      const weight = apart[i] * Math.sqrt(all[i].count);
      if (weight > heaviest) {
        heaviest = weight;
        next = i;
      }
    }
    if (apart[next] < alike ** 2) {
      break;
    }
    newest = all[next].lab;
    centres = [...centres, newest];
  }
  let shares: number[] = [];
  for (let round = 0; round < 12; round++) {
    const sums = centres.map(() => [0, 0, 0, 0]);
    for (const cell of all) {
      let nearest = 0;
      let least = Infinity;
      for (let i = 0; i < centres.length; i++) {
        const far = distance(centres[i], cell.lab);
        if (far < least) {
          least = far;
          nearest = i;
        }
      }
      const sum = sums[nearest];
      for (let k = 0; k < 3; k++) {
        sum[k] += cell.lab[k] * cell.count;
      }
      sum[3] += cell.count;
    }
    centres = centres.map((m, i) =>
      sums[i][3] ? [sums[i][0] / sums[i][3], sums[i][1] / sums[i][3], sums[i][2] / sums[i][3]] : m,
    );
    shares = sums.map((s) => s[3] / total);
  }
  const level = (v: number) => Math.round(255 * Math.min(1, Math.max(0, v)));
  return centres
    .map(([l, a, b], i) => {
      const c = convertOklabToRgb({ l, a, b });
      return { colour: { r: level(c.r), g: level(c.g), b: level(c.b) }, share: shares[i] };
    })
    .filter((c) => c.share > 0)
    .sort((x, y) => y.share - x.share);
}
