import { oklabPlane } from '../colour/oklab';
import { edgeHiding, learnColours, unlikeness, type ColourModel } from '../cutout/colourModel';
import { mipLevelOf } from '../frame/mipLevels';
import { resample } from '../frame/resample';
import type { Raster } from '../raster/raster';

/*
 * The line between what lies above in a picture and what stands below it, one height for each
 * column: the one that parts the colours of both best and runs along edges, found exactly by going
 * through all heights column by column.
 */

/** Columns that the line is found at. */
const columns = 480;

/** How much a boundary through one colour costs, against a px on the wrong side. */
const roughness = 14;

/** How often the colours above and below are learned anew from where the line is. */
const rounds = 4;

/** Shares of the height that surely lie above and below. */
const surelyAbove = 0.04;
const surelyBelow = 0.12;

/** How far colours must be apart across the line, a hundred times OKLab, for there to be one. */
const stands = 3;

/** A picture at the width that the line is found at. */
function small(picture: Raster): Raster {
  const times = Math.max(0, Math.floor(Math.log2(picture.width / columns)));
  const from = mipLevelOf(picture, times);
  const height = Math.max(8, Math.round((picture.height * columns) / picture.width));
  return resample(
    from,
    { x: 0, y: 0, scaleX: columns / from.width, scaleY: height / from.height },
    columns,
    height,
  );
}

/** What px lie above, or below, a line. */
function sideOf(tops: readonly number[], height: number, above: boolean): number[] {
  return tops.flatMap((top, x) => {
    const from = above ? 0 : top;
    const to = above ? top : height;
    return Array.from({ length: Math.max(0, to - from) }, (_, i) => (from + i) * columns + x);
  });
}

/** The cheapest line, given the colours on both sides. */
function cheapest(
  lab: Float32Array,
  height: number,
  above: ColourModel,
  below: ColourModel,
  strange: Strange,
): number[] {
  const hiding = edgeHiding(lab, columns, height);
  const levels = height + 1;
  const from = new Uint16Array(columns * levels);
  let costs = new Float64Array(levels);
  for (let x = 0; x < columns; x++) {
    // The least cost of coming to each height from any in the column before.
    const came = new Float64Array(levels);
    const place = new Uint16Array(levels);
    if (x > 0) {
      const upright = new Float64Array(levels);
      for (let y = 0; y < height; y++) {
        const p = y * columns + x;
        upright[y + 1] = upright[y] + roughness * hiding(p, p - 1);
      }
      let best = 0;
      for (let y = 0; y < levels; y++) {
        if (costs[y] - upright[y] < costs[best] - upright[best]) {
          best = y;
        }
        came[y] = costs[best] - upright[best] + upright[y];
        place[y] = best;
      }
      best = height;
      for (let y = height; y >= 0; y--) {
        if (costs[y] + upright[y] < costs[best] + upright[best]) {
          best = y;
        }
        const cost = costs[best] + upright[best] - upright[y];
        if (cost < came[y]) {
          came[y] = cost;
          place[y] = best;
        }
      }
    }
    // What is above a height is as the sky, and what is below as the ground.
    let own = 0;
    for (let y = 0; y < height; y++) {
      own += colourCost(below, lab, y * columns + x, strange.below);
    }
    for (let y = 0; y <= height; y++) {
      const p = y * columns + x;
      if (y > 0) {
        const q = p - columns;
        own += colourCost(above, lab, q, strange.above) - colourCost(below, lab, q, strange.below);
      }
      const level = y > 0 && y < height ? roughness * hiding(p, p - columns) : 0;
      const surely = y < height * surelyAbove || y > height * (1 - surelyBelow * 0.25);
      came[y] += own + level + (surely ? 1e6 : 0);
      from[x * levels + y] = place[y];
    }
    costs = came;
  }
  let y = costs.indexOf(Math.min(...costs));
  const tops = new Array<number>(columns);
  for (let x = columns - 1; x >= 0; x--) {
    tops[x] = y;
    y = from[x * levels + y];
  }
  return tops;
}

/**
 * What a px costs at most that is of neither side's colours. First it decides nothing; once it is
 * known how far the sky reaches, what is not of the sky stands below it.
 */
interface Strange {
  readonly above: number;
  readonly below: number;
}
const anywhere: Strange = { above: 12, below: 12 };
const belowAll: Strange = { above: 12, below: 0 };

const colourCost = (model: ColourModel, lab: Float32Array, p: number, most: number): number =>
  Math.min(most, unlikeness(model, lab[3 * p], lab[3 * p + 1], lab[3 * p + 2]));

/** How much the sky changes from one px to the next at most, OKLab. */
const softStep = 0.02;

/** What is come to from the top through px that change little by little, above a line. */
function floodedFrom(lab: Float32Array, tops: readonly number[]): number[] {
  const seen = new Uint8Array(lab.length / 3);
  const open: number[] = [];
  const out: number[] = [];
  const take = (p: number, from: number) => {
    const [i, k] = [3 * p, 3 * from];
    const step = Math.hypot(lab[i] - lab[k], lab[i + 1] - lab[k + 1], lab[i + 2] - lab[k + 2]);
    if (seen[p] === 0 && Math.floor(p / columns) < tops[p % columns] && step <= softStep) {
      seen[p] = 1;
      open.push(p);
      out.push(p);
    }
  };
  for (let x = 0; x < columns; x++) {
    take(x, x);
  }
  for (let p = open.pop(); p !== undefined; p = open.pop()) {
    const x = p % columns;
    if (x > 0) {
      take(p - 1, p);
    }
    if (x < columns - 1) {
      take(p + 1, p);
    }
    if (p >= columns) {
      take(p - columns, p);
    }
    if (p + columns < seen.length) {
      take(p + columns, p);
    }
  }
  return out;
}

/** How far the colours right above and right below a line are apart, a hundred times OKLab. */
function contrastAcross(lab: Float32Array, tops: readonly number[], height: number): number {
  const reach = Math.max(2, Math.round(height * 0.015));
  let sum = 0;
  tops.forEach((top, x) => {
    const mean = (from: number, to: number) => {
      const out = [0, 0, 0];
      const rows = Math.max(1, to - from);
      for (let y = from; y < from + rows; y++) {
        const p = 3 * (Math.min(height - 1, Math.max(0, y)) * columns + x);
        out.forEach((_, c) => {
          out[c] += lab[p + c] / rows;
        });
      }
      return out;
    };
    const over = mean(top - reach - 1, top - 1);
    const under = mean(top + 1, top + reach + 1);
    sum += 100 * Math.hypot(...over.map((v, c) => v - under[c]));
  });
  return sum / tops.length;
}

/**
 * Where each of `columns` columns of a picture begins to be covered, px from the top of a picture of
 * the height that is given with it.
 *
 * @returns undefined where nothing stands out against what is above it
 */
export function skylineOf(
  picture: Raster,
): { readonly tops: readonly number[]; readonly height: number } | undefined {
  const raster = small(picture);
  const { height } = raster;
  const lab = oklabPlane(raster.data);
  const rows = (from: number, to: number) =>
    Array.from({ length: Math.max(1, to - from) * columns }, (_, i) => from * columns + i);
  let above = learnColours(lab, rows(0, Math.ceil(height * surelyAbove)))!;
  let below = learnColours(lab, rows(Math.floor(height * (1 - surelyBelow)), height))!;
  let tops: number[] = [];
  for (let round = 0; round < rounds; round++) {
    tops = cheapest(lab, height, above, below, anywhere);
    above = learnColours(lab, sideOf(tops, height, true)) ?? above;
    below = learnColours(lab, sideOf(tops, height, false)) ?? below;
  }
  above = learnColours(lab, floodedFrom(lab, tops)) ?? above;
  tops = cheapest(lab, height, above, below, belowAll);
  return contrastAcross(lab, tops, height) < stands ? undefined : { tops, height };
}
