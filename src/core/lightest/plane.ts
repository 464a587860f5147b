/*
 * Z. Wang, A. C. Bovik, H. R. Sheikh and E. P. Simoncelli, “Image quality assessment: from error
 * visibility to structural similarity”, IEEE Transactions on Image Processing 13(4), 2004: an 11×11
 * Gaussian window of standard deviation 1.5. Values from memory.
 */
export const windowPx = 11;
const deviation = 1.5;

/** Values of one quantity, 0..1, row by row. */
export interface Plane {
  readonly width: number;
  readonly height: number;
  readonly data: Float32Array;
}

function gaussian(taps: number): Float64Array {
  const weights = Float64Array.from({ length: taps }, (_, i) =>
    Math.exp(-((i - (taps - 1) / 2) ** 2) / (2 * deviation * deviation)),
  );
  const sum = weights.reduce((a, b) => a + b, 0);
  return weights.map((w) => w / sum);
}

/** A row of weighted means of a row, the window moved by one px each. */
function across(row: Float64Array, weights: Float64Array, out: Float64Array): void {
  if (weights.length === windowPx) {
    const [a, b, c, d, e, f] = weights;
    for (let o = 0; o < out.length; o++) {
      out[o] =
        a * (row[o] + row[o + 10]) +
        b * (row[o + 1] + row[o + 9]) +
        c * (row[o + 2] + row[o + 8]) +
        d * (row[o + 3] + row[o + 7]) +
        e * (row[o + 4] + row[o + 6]) +
        f * row[o + 5];
    }
  } else {
    for (let o = 0; o < out.length; o++) {
      let sum = 0;
      for (let t = 0; t < weights.length; t++) {
        sum += weights[t] * row[o + t];
      }
      out[o] = sum;
    }
  }
}

/** Weighted means of as many rows as there are weights. */
function down(rows: readonly Float64Array[], weights: Float64Array, out: Float32Array): void {
  if (weights.length === windowPx) {
    const [a, b, c, d, e, f] = weights;
    const [r0, r1, r2, r3, r4, r5, r6, r7, r8, r9, r10] = rows;
    for (let o = 0; o < out.length; o++) {
      out[o] =
        a * (r0[o] + r10[o]) +
        b * (r1[o] + r9[o]) +
        c * (r2[o] + r8[o]) +
        d * (r3[o] + r7[o]) +
        e * (r4[o] + r6[o]) +
        f * r5[o];
    }
  } else {
    for (let o = 0; o < out.length; o++) {
      let sum = 0;
      for (let t = 0; t < weights.length; t++) {
        sum += weights[t] * rows[t][o];
      }
      out[o] = sum;
    }
  }
}

/**
 * Weighted means under the window, wherever it fits whole; where a side is shorter than the window,
 * the window is as short.
 * Only the rows under the window are held, so that it all stays in the processor's cache.
 * @param rowAt fills a row of what is smoothed
 */
function smooth(
  width: number,
  height: number,
  rowAt: (y: number, row: Float64Array) => void,
): Float32Array {
  const tx = Math.min(windowPx, width);
  const ty = Math.min(windowPx, height);
  const w = width - tx + 1;
  const h = height - ty + 1;
  const wx = gaussian(tx);
  const wy = gaussian(ty);
  const row = new Float64Array(width);
  const out = new Float32Array(w * h);
  let rows = Array.from({ length: ty }, () => new Float64Array(w));
  for (let y = 0; y < height; y++) {
    rows = [...rows.slice(1), rows[0]];
    rowAt(y, row);
    across(row, wx, rows[ty - 1]);
    if (y >= ty - 1) {
      down(rows, wy, out.subarray((y - ty + 1) * w, (y - ty + 2) * w));
    }
  }
  return out;
}

export const meanOf = ({ width, height, data }: Plane): Float32Array =>
  smooth(width, height, (y, row) => row.set(data.subarray(y * width, (y + 1) * width)));

/** Local means of two planes' product. */
export const productOf = ({ width, height, data }: Plane, other: Plane): Float32Array =>
  smooth(width, height, (y, row) => {
    for (let x = 0, i = y * width; x < width; x++, i++) {
      row[x] = data[i] * other.data[i];
    }
  });

/**
 * Means of 2×2 px, as the paper's own low pass before every second px is taken; an odd last row or
 * column falls away.
 */
export function half({ width, height, data }: Plane): Plane {
  const w = width >> 1;
  const h = height >> 1;
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) {
    for (let x = 0, i = 2 * y * width, o = y * w; x < w; x++, i += 2, o++) {
      out[o] = (data[i] + data[i + 1] + data[i + width] + data[i + width + 1]) / 4;
    }
  }
  return { width: w, height: h, data: out };
}
