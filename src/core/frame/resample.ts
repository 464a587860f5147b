import { kernels, type Kernels } from '../../kernels/kernels';
import { levelOfLinear, levelOfStep, linearOfLevel } from '../colour/transfer';
import { createRaster, rowsOf, wholeOf, type Raster, type Rows } from '../raster/raster';
import { windows, type Windows } from './kernel';

/**
 * Where a source lies on the output: its upper left corner in output px, and output px per source
 * px on each axis.
 */
export interface Placement {
  readonly x: number;
  readonly y: number;
  readonly scaleX: number;
  readonly scaleY: number;
}

function isOpaque({ data }: Raster): boolean {
  for (let i = 3; i < data.length; i += 4) {
    if (data[i] !== 255) {
      return false;
    }
  }
  return true;
}

/*
 * The loops below are written out per channel count: a test inside them costs more than the
 * arithmetic.
 */

function readRow3(
  data: Uint8ClampedArray,
  i: number,
  line: Float32Array,
  k: number,
  end: number,
): void {
  for (; k < end; k += 3, i += 4) {
    line[k] = linearOfLevel[data[i]];
    line[k + 1] = linearOfLevel[data[i + 1]];
    line[k + 2] = linearOfLevel[data[i + 2]];
  }
}

function readRow4(
  data: Uint8ClampedArray,
  i: number,
  line: Float32Array,
  k: number,
  end: number,
): void {
  for (; k < end; k += 4, i += 4) {
    const a = data[i + 3] / 255;
    line[k] = linearOfLevel[data[i]] * a;
    line[k + 1] = linearOfLevel[data[i + 1]] * a;
    line[k + 2] = linearOfLevel[data[i + 2]] * a;
    line[k + 3] = a;
  }
}

function filterRow3(
  line: Float32Array,
  { count, taps, starts, weights }: Windows,
  out: Float32Array,
  o: number,
): void {
  for (let i = 0, w = 0; i < count; i++, o += 3) {
    let r = 0;
    let g = 0;
    let b = 0;
    for (let k = starts[i] * 3, end = w + taps; w < end; w++, k += 3) {
      const weight = weights[w];
      r += line[k] * weight;
      g += line[k + 1] * weight;
      b += line[k + 2] * weight;
    }
    out[o] = r;
    out[o + 1] = g;
    out[o + 2] = b;
  }
}

function filterRow4(
  line: Float32Array,
  { count, taps, starts, weights }: Windows,
  out: Float32Array,
  o: number,
): void {
  for (let i = 0, w = 0; i < count; i++, o += 4) {
    let r = 0;
    let g = 0;
    let b = 0;
    let a = 0;
    for (let k = starts[i] * 4, end = w + taps; w < end; w++, k += 4) {
      const weight = weights[w];
      r += line[k] * weight;
      g += line[k + 1] * weight;
      b += line[k + 2] * weight;
      a += line[k + 3] * weight;
    }
    out[o] = r;
    out[o + 1] = g;
    out[o + 2] = b;
    out[o + 3] = a;
  }
}

/**
 * sum += four rows by their weights; four at a time, since reading and writing the sum is most of
 * the work.
 */
function addRows(
  sum: Float32Array,
  rows: Float32Array,
  at: readonly [number, number, number, number],
  by: readonly [number, number, number, number],
): void {
  const [a, b, c, d] = at;
  const [wa, wb, wc, wd] = by;
  for (let k = 0; k < sum.length; k++) {
    sum[k] += rows[a + k] * wa + rows[b + k] * wb + rows[c + k] * wc + rows[d + k] * wd;
  }
}

function storeRow(
  sum: Float32Array,
  channels: 3 | 4,
  count: number,
  out: Uint8ClampedArray,
  at: number,
): void {
  for (let i = 0, k = 0; i < count; i++, k += channels, at += 4) {
    if (channels === 3) {
      out[at] = levelOfLinear(sum[k]);
      out[at + 1] = levelOfLinear(sum[k + 1]);
      out[at + 2] = levelOfLinear(sum[k + 2]);
      out[at + 3] = 255;
      continue;
    }
    const a = sum[k + 3];
    if (a < 1 / 510) {
      continue;
    }
    out[at] = levelOfLinear(sum[k] / a);
    out[at + 1] = levelOfLinear(sum[k + 1] / a);
    out[at + 2] = levelOfLinear(sum[k + 2] / a);
    out[at + 3] = Math.round(a * 255);
  }
}

function fillByLoops(source: Raster, columns: Windows, rows: Windows, out: Raster): void {
  const channels = isOpaque(source) ? 3 : 4;
  const stride = columns.count * channels;
  // A ring of filtered rows: each source row is filtered once, and only as many are kept as one
  // output row needs.
  const ring = new Float32Array(rows.taps * stride);
  const line = new Float32Array(source.width * channels);
  const sum = new Float32Array(stride);
  const from = columns.starts[0];
  const to = Math.min(source.width, columns.starts[columns.count - 1] + columns.taps);
  const [readRow, filterRow] = channels === 3 ? [readRow3, filterRow3] : [readRow4, filterRow4];
  let ready = rows.starts[0];
  for (let j = 0; j < rows.count; j++) {
    const start = rows.starts[j];
    for (ready = Math.max(ready, start); ready < start + rows.taps; ready++) {
      readRow(source.data, (ready * source.width + from) * 4, line, from * channels, to * channels);
      filterRow(line, columns, ring, (ready % rows.taps) * stride);
    }
    const place = (t: number) => ((start + Math.min(t, rows.taps - 1)) % rows.taps) * stride;
    const weight = (t: number) => (t < rows.taps ? rows.weights[j * rows.taps + t] : 0);
    sum.fill(0);
    for (let t = 0; t < rows.taps; t += 4) {
      addRows(
        sum,
        ring,
        [place(t), place(t + 1), place(t + 2), place(t + 3)],
        [weight(t), weight(t + 1), weight(t + 2), weight(t + 3)],
      );
    }
    storeRow(
      sum,
      channels,
      columns.count,
      out.data,
      ((rows.first + j) * out.width + columns.first) * 4,
    );
  }
}

/** The same by kernels, whose sums are of floats: a level differs by one where it is at a half. */
function fillByKernels(
  k: Kernels,
  source: Rows,
  columns: Windows,
  rows: Windows,
  out: Raster,
): void {
  const linear = k.table('linear light of levels', () => linearOfLevel);
  const levels = k.table('levels of linear light', () => levelOfStep);
  const from = columns.starts[0];
  const pixels = Math.min(source.width, columns.starts[columns.count - 1] + columns.taps) - from;
  const stride = columns.count * 16;
  const [row, line, starts, weights, ring, places, shares, made] = k.rooms(
    pixels * 4,
    pixels * 16,
    columns.count * 4,
    columns.weights.byteLength,
    rows.taps * stride,
    rows.taps * 4,
    rows.taps * 4,
    columns.count * 4,
  );
  k.put(
    starts,
    columns.starts.map((start) => start - from),
  );
  k.put(weights, columns.weights);
  let ready = rows.starts[0];
  for (let j = 0; j < rows.count; j++) {
    const start = rows.starts[j];
    for (ready = Math.max(ready, start); ready < start + rows.taps; ready++) {
      k.put(row, source.row(ready).subarray(from * 4, (from + pixels) * 4));
      const into = ring + (ready % rows.taps) * stride;
      k.call.filterRow(
        row,
        pixels,
        linear,
        line,
        starts,
        weights,
        columns.taps,
        columns.count,
        into,
      );
    }
    const rowsAt = k.ints(places, rows.taps);
    for (let t = 0; t < rows.taps; t++) {
      rowsAt[t] = ring + ((start + t) % rows.taps) * stride;
    }
    k.put(shares, rows.weights.subarray(j * rows.taps, (j + 1) * rows.taps));
    k.call.mixRows(places, shares, rows.taps, columns.count, levels, made);
    out.data.set(
      k.bytes.subarray(made, made + columns.count * 4),
      ((rows.first + j) * out.width + columns.first) * 4,
    );
  }
}

/**
 * Draws a placed source on a see-through raster of the wanted size: Lanczos with three lobes, on
 * premultiplied linear-light values, widened when reducing. Output pixels outside the placed source
 * stay see-through; its edges are rounded to whole pixels, so no border pixel is mixed with
 * nothing.
 * @param width px of the output @param height px of the output
 */
export const resample = (
  source: Raster,
  placement: Placement,
  width: number,
  height: number,
): Raster => resampleRows(rowsOf(source), placement, width, height);

/**
 * The same of a picture that is never there as a whole, to the level. Without kernels it is put
 * together first.
 */
export function resampleRows(
  source: Rows,
  placement: Placement,
  width: number,
  height: number,
): Raster {
  const out = createRaster(width, height);
  const columns = windows(source.width, width, placement.x, placement.scaleX);
  const rows = windows(source.height, height, placement.y, placement.scaleY);
  if (columns.count === 0 || rows.count === 0) {
    return out;
  }
  const simd = kernels();
  if (simd) {
    fillByKernels(simd, source, columns, rows, out);
  } else {
    fillByLoops(wholeOf(source), columns, rows, out);
  }
  return out;
}
