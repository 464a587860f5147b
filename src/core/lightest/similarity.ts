import { colourOf } from '../colour/parse';
import { lightnessOf } from '../colour/lightness';
import { linearToOklab } from '../colour/oklab';
import { linearOfLevel } from '../colour/transfer';
import type { Raster } from '../raster/raster';
import type { Hex } from '../site/model/hex';
import { half, meanOf, productOf, windowPx, type Plane } from './plane';

/** How alike two pictures are for the eye. */
export interface Similarity {
  /**
   * Structural similarity over several scales, of lightness: 1 for equal pictures, below 0 only for
   * opposite ones.
   */
  readonly structure: number;
  /**
   * Difference of hue and chroma that all but one in a hundred areas of 4×4 px stay below: a
   * hundred times the distance in OKLab's a, b.
   */
  readonly colour: number;
}

/*
 * Z. Wang, E. P. Simoncelli and A. C. Bovik, “Multiscale structural similarity for image quality
 * assessment”, Asilomar 2003: K1 = 0.01, K2 = 0.03, five scales, multiplied with an exponent each.
 * Values from memory.
 */
const c1 = 0.01 ** 2;
const c2 = 0.03 ** 2;

/**
 * The paper's are 0.0448, 0.2856, 0.3001, 0.2363 and 0.1333, found for pictures seen from some way
 * off. Those of a page are looked at px by px, so the finest scale counts for more here (ours, by
 * looking).
 */
const exponents = [0.2, 0.3, 0.25, 0.15, 0.1];

/** A plane with its local means and those of its squares. */
export interface Scale {
  readonly plane: Plane;
  readonly mean: Float32Array;
  readonly square: Float32Array;
}

/**
 * A picture prepared to be compared with others of its size: what of the measure depends on it
 * alone.
 */
export interface Reference {
  readonly width: number;
  readonly height: number;
  /** From full size down, each half of the one before. */
  readonly scales: readonly Scale[];
  readonly chroma: Float32Array;
}

/** As many scales as the window still fits the smallest of, one at least. */
const scaleCount = (width: number, height: number): number =>
  Math.min(
    exponents.length,
    Math.max(1, Math.floor(Math.log2(Math.min(width, height) / windowPx)) + 1),
  );

/** Lightness, 0..1, of what is seen over a colour. */
function lightnessPlane({ width, height, data }: Raster, under: Hex): Plane {
  const { r: ur, g: ug, b: ub } = colourOf(under);
  const out = new Float32Array(width * height);
  for (let i = 0, k = 0; i < out.length; i++, k += 4) {
    const a = data[k + 3];
    if (a === 255) {
      out[i] = lightnessOf(data[k], data[k + 1], data[k + 2]) / 100;
      continue;
    }
    // Whole numbers from the start: a table that is asked with others is many times slower.
    const mix = (c: number, u: number) => (u + ((c - u) * a) / 255 + 0.5) | 0;
    out[i] = lightnessOf(mix(data[k], ur), mix(data[k + 1], ug), mix(data[k + 2], ub)) / 100;
  }
  return { width, height, data: out };
}

const areaPx = 4;

/**
 * OKLab's a and b of each area's mean light, as seen over a colour; areas at the right and lower
 * end may be smaller.
 */
function chromaOf({ width, height, data }: Raster, under: Hex): Float32Array {
  const { r: ur, g: ug, b: ub } = colourOf(under);
  const w = Math.ceil(width / areaPx);
  const h = Math.ceil(height / areaPx);
  const out = new Float32Array(w * h * 2);
  const back = [linearOfLevel[ur], linearOfLevel[ug], linearOfLevel[ub]];
  for (let v = 0; v < h; v++) {
    for (let u = 0; u < w; u++) {
      let r = 0;
      let g = 0;
      let b = 0;
      let n = 0;
      for (let y = v * areaPx, bottom = Math.min(height, y + areaPx); y < bottom; y++) {
        for (let x = u * areaPx, right = Math.min(width, x + areaPx); x < right; x++, n++) {
          const k = (y * width + x) * 4;
          const a = data[k + 3] / 255;
          r += back[0] + a * (linearOfLevel[data[k]] - back[0]);
          g += back[1] + a * (linearOfLevel[data[k + 1]] - back[1]);
          b += back[2] + a * (linearOfLevel[data[k + 2]] - back[2]);
        }
      }
      const lab = linearToOklab(r / n, g / n, b / n);
      const o = (v * w + u) * 2;
      out[o] = lab[1];
      out[o + 1] = lab[2];
    }
  }
  return out;
}

/**
 * Prepares the picture that others are compared with.
 * @param under colour of the page, seen where the picture is see-through
 */
export function referenceOf(raster: Raster, under: Hex): Reference {
  const scales: Scale[] = [];
  let plane = lightnessPlane(raster, under);
  for (let n = scaleCount(raster.width, raster.height); n > 0; n--) {
    scales.push(scaleOf(plane));
    if (n > 1) {
      plane = half(plane);
    }
  }
  return { width: raster.width, height: raster.height, scales, chroma: chromaOf(raster, under) };
}

export const scaleOf = (plane: Plane): Scale => ({
  plane,
  mean: meanOf(plane),
  square: productOf(plane, plane),
});

/**
 * Means over a scale: of the whole measure of the 2004 paper, and of it without its term for
 * luminance.
 */
export function compareScale(
  { plane, mean, square }: Scale,
  other: Plane,
): { whole: number; contrast: number } {
  const mx = mean;
  const xx = square;
  const my = meanOf(other);
  const yy = productOf(other, other);
  const xy = productOf(plane, other);
  let whole = 0;
  let contrast = 0;
  for (let i = 0; i < mx.length; i++) {
    const m = mx[i] * my[i];
    const ma = mx[i] * mx[i];
    const mb = my[i] * my[i];
    const local = (2 * (xy[i] - m) + c2) / (xx[i] - ma + yy[i] - mb + c2);
    contrast += local;
    whole += (local * (2 * m + c1)) / (ma + mb + c1);
  }
  return { whole: whole / mx.length, contrast: contrast / mx.length };
}

/**
 * Compares a picture with the one prepared.
 * @param under the same colour as there
 * @throws RangeError when the sizes differ
 */
export function similarityTo(reference: Reference, raster: Raster, under: Hex): Similarity {
  if (raster.width !== reference.width || raster.height !== reference.height) {
    throw new RangeError(
      `Expected a picture of ${reference.width}×${reference.height} px, found ${raster.width}×${raster.height}`,
    );
  }
  const used = exponents.slice(0, reference.scales.length);
  const total = used.reduce((a, b) => a + b, 0);
  let plane = lightnessPlane(raster, under);
  let structure = 1;
  reference.scales.forEach((scale, i) => {
    const { whole, contrast } = compareScale(scale, plane);
    const last = i === used.length - 1;
    structure *= Math.max(0, last ? whole : contrast) ** (used[i] / total);
    if (!last) {
      plane = half(plane);
    }
  });
  const chroma = chromaOf(raster, under);
  const distances = new Float32Array(chroma.length / 2);
  for (let i = 0; i < distances.length; i++) {
    distances[i] =
      100 *
      Math.hypot(
        chroma[2 * i] - reference.chroma[2 * i],
        chroma[2 * i + 1] - reference.chroma[2 * i + 1],
      );
  }
  distances.sort();
  return {
    structure,
    colour: distances[Math.min(distances.length - 1, Math.floor(distances.length * 0.99))],
  };
}
