import type { Size } from '../frame/placement';
import { kernels } from '../../kernels/kernels';
import type { Raster } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import { bandsOf, type Bands } from './bands';
import { hidingOf } from './hiding';
import { alongLines } from './lines';
import { referenceByKernels, seenByKernels } from './lossKernels';
import { lightOf, opponentOf } from './opponent';
import { createFourChannelImage, type FourChannelImage } from './fourChannelImage';
import { fullAt, kept, lossWeights, type LossWeights } from './weights';

/**
 * What the eye sees of a difference between two pictures. 0 for equal ones; at about 1 somebody who
 * looks from one to the other begins to see it.
 */
export interface Loss {
  /** Of the picture: a mean in which the worst places count most. */
  readonly overall: number;
  /** At the worst place. */
  readonly worst: number;
}

/** The picture that others are compared with. */
export interface Reference {
  readonly width: number;
  readonly height: number;
  /** The square of what is seen of the difference, at each px. */
  seen(raster: Raster, under: Hex, weights: LossWeights): Float32Array;
}

/** A picture with all that the terms are made of. */
export interface Prepared {
  readonly bands: Bands;
  readonly hiding: Float32Array;
}

export const bandsOfRaster = (raster: Raster, under: Hex): Bands =>
  bandsOf(opponentOf(lightOf(raster, under)));

export function prepare(raster: Raster, under: Hex): Prepared {
  const bands = bandsOfRaster(raster, under);
  return { bands, hiding: hidingOf(bands) };
}

/**
 * Prepares the picture that others are compared with.
 * @param under colour of the page, seen where the picture is see-through
 */
export function referenceOf(raster: Raster, under: Hex): Reference {
  const { width, height } = raster;
  const k = kernels();
  if (k) {
    const prepared = referenceByKernels(k, raster, under);
    return {
      width,
      height,
      seen: (other, beneath, weights) => seenByKernels(k, prepared, other, beneath, weights),
    };
  }
  const prepared = prepare(raster, under);
  return {
    width,
    height,
    seen: (other, beneath, weights) => seenOf(prepared, bandsOfRaster(other, beneath), weights),
  };
}

/** The kinds of differences that are weighed, in the order of `termsOf`; coarse ones are the last. */
export const termCount = 20;
export const coarseTerms = 3;

/** The weights of the terms in their order. */
export const termWeights = (w: LossWeights): readonly number[] => [
  ...w.fineLines,
  ...w.fine,
  ...w.middleLines,
  ...w.middle,
  w.lost,
  w.grown,
  w.busy,
  ...w.coarse,
];

/**
 * Squared differences of each kind.
 * @param take is given each px and its terms, which last until the next
 */
export function termsOf(a: Bands, b: Bands, take: (px: number, terms: Float64Array) => void): void {
  const { width, height } = a.fine;
  const fine = createFourChannelImage(width, height);
  const middle = createFourChannelImage(width, height);
  for (let i = 0; i < fine.data.length; i += 4) {
    for (let c = 0; c < 4; c++) {
      const p = a.fine.data[i + c];
      const q = b.fine.data[i + c];
      const full = c < 2 ? 1 + (Math.abs(p) + Math.abs(q)) / (2 * fullAt[c]) : 1;
      fine.data[i + c] = (p - q) / full;
      middle.data[i + c] = a.middle.data[i + c] - b.middle.data[i + c];
    }
  }
  const along = (of: FourChannelImage): FourChannelImage => {
    const out = createFourChannelImage(width, height);
    alongLines(of, (at, p, q, r, s) => {
      out.data[at] = p;
      out.data[at + 1] = q;
      out.data[at + 2] = r;
      out.data[at + 3] = s;
    });
    return out;
  };
  const fineLines = along(fine).data;
  const middleLines = along(middle).data;
  const terms = new Float64Array(termCount);
  for (let i = 0; i < fine.data.length; i += 4) {
    for (let c = 0; c < 4; c++) {
      terms[c] = fineLines[i + c];
      terms[4 + c] = fine.data[i + c] ** 2;
    }
    for (let c = 0; c < 3; c++) {
      terms[8 + c] = middleLines[i + c];
      terms[11 + c] = middle.data[i + c] ** 2;
      terms[17 + c] = (a.coarse.data[i + c] - b.coarse.data[i + c]) ** 2;
    }
    // The same way round, whatever its sign was.
    const was = Math.abs(a.fine.data[i + 3]);
    const is = a.fine.data[i + 3] < 0 ? -b.fine.data[i + 3] : b.fine.data[i + 3];
    terms[14] = Math.max(0, kept * was - is) ** 2;
    terms[15] = Math.max(0, is - was) ** 2;
    terms[16] = (a.coarse.data[i + 3] - b.coarse.data[i + 3]) ** 2;
    take(i >> 2, terms);
  }
}

/** What is left of a difference where a picture hides so much. */
const shown = (bare: number, hides: number, hiding: number): number =>
  (1 + bare / (1 + hides * hiding)) ** 2;

/** The square of what is seen, at each px. */
export function seenOf(
  { bands, hiding }: Prepared,
  other: Bands,
  weights: LossWeights,
): Float32Array {
  const list = termWeights(weights);
  const out = new Float32Array(hiding.length);
  termsOf(bands, other, (px, terms) => {
    let small = 0;
    for (let k = 0; k < termCount - coarseTerms; k++) {
      small += list[k] * terms[k];
    }
    let coarse = 0;
    for (let k = termCount - coarseTerms; k < termCount; k++) {
      coarse += list[k] * terms[k];
    }
    out[px] =
      small * shown(weights.bare, weights.hides, hiding[px]) +
      coarse * shown(weights.bareCoarse, weights.hidesCoarse, hiding[px]);
  });
  return out;
}

/** Px both ways of a place: about the stroke of a letter. */
const placeSide = 8;
/** The worst px is by so much above its place in a usual file. */
const pxOverPlace = 1.7;

/** The largest mean of a plane over a square place of it. */
function worstPlace(plane: Float32Array, { width, height }: Size): number {
  const w = Math.min(placeSide, width);
  const h = Math.min(placeSide, height);
  const columns = new Float64Array(width);
  let most = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      columns[x] += plane[i] - (y >= h ? plane[i - h * width] : 0);
    }
    if (y < h - 1) {
      continue;
    }
    let sum = 0;
    for (let x = 0; x < width; x++) {
      sum += columns[x] - (x >= w ? columns[x - w] : 0);
      most = x >= w - 1 ? Math.max(most, sum) : most;
    }
  }
  return Math.max(0, most) / (w * h);
}

/**
 * Norms of what is seen over the px: the third, the sixth and the twelfth, and of those the mean. The
 * worst is between the worst px and the worst place: a px alone comes and goes with any setting.
 */
export function pooled(seen: Float32Array, size: Size): Loss {
  let third = 0;
  let sixth = 0;
  let twelfth = 0;
  let most = 0;
  for (const square of seen) {
    const cube = square * Math.sqrt(square);
    third += cube;
    sixth += cube * cube;
    twelfth += cube * cube * cube * cube;
    most = Math.max(most, square);
  }
  const n = seen.length;
  return {
    overall: (Math.cbrt(third / n) + (sixth / n) ** (1 / 6) + (twelfth / n) ** (1 / 12)) / 3,
    worst: (most * pxOverPlace ** 2 * worstPlace(seen, size)) ** (1 / 4),
  };
}

/**
 * What is seen of the difference to the picture that was prepared.
 * @param under the same colour as there
 * @throws RangeError when the sizes differ
 */
export function lossTo(
  reference: Reference,
  raster: Raster,
  under: Hex,
  weights: LossWeights = lossWeights,
): Loss {
  const { width, height } = reference;
  if (raster.width !== width || raster.height !== height) {
    throw new RangeError(
      `Expected a picture of ${width}×${height} px, found ${raster.width}×${raster.height}`,
    );
  }
  return pooled(reference.seen(raster, under, weights), reference);
}
