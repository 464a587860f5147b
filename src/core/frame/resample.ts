import { levelOfLinear, linearOfLevel } from '../colour/transfer';
import { createRaster, type Raster } from '../raster/raster';
import { windows, type Windows } from './kernel';

/** Where a source lies on the output: its upper left corner in output px, and output px per source px on each axis. */
export interface Placement {
  readonly x: number;
  readonly y: number;
  readonly scaleX: number;
  readonly scaleY: number;
}

function isOpaque({ data }: Raster): boolean {
  for (let i = 3; i < data.length; i += 4) if (data[i] !== 255) return false;
  return true;
}

/** One source row, filtered along x: `channels` interleaved linear, premultiplied values a pixel. */
function filterRow(source: Raster, y: number, columns: Windows, channels: 3 | 4, line: Float32Array, out: Float32Array): void {
  const { data, width } = source, { count, taps, starts, weights } = columns;
  if (count === 0) return;
  const from = starts[0], to = Math.min(width, starts[count - 1] + taps);
  for (let x = from, i = (y * width + from) * 4, k = from * channels; x < to; x++, i += 4, k += channels) {
    if (channels === 3) {
      line[k] = linearOfLevel[data[i]]; line[k + 1] = linearOfLevel[data[i + 1]]; line[k + 2] = linearOfLevel[data[i + 2]];
    } else {
      const a = data[i + 3] / 255;
      line[k] = linearOfLevel[data[i]] * a; line[k + 1] = linearOfLevel[data[i + 1]] * a; line[k + 2] = linearOfLevel[data[i + 2]] * a; line[k + 3] = a;
    }
  }
  for (let i = 0; i < count; i++) {
    let r = 0, g = 0, b = 0, a = 0;
    for (let t = 0, k = starts[i] * channels, w = i * taps; t < taps; t++, k += channels, w++) {
      const weight = weights[w];
      r += line[k] * weight; g += line[k + 1] * weight; b += line[k + 2] * weight;
      if (channels === 4) a += line[k + 3] * weight;
    }
    const o = i * channels;
    out[o] = r; out[o + 1] = g; out[o + 2] = b;
    if (channels === 4) out[o + 3] = a;
  }
}

function storeRow(sum: Float32Array, channels: 3 | 4, count: number, out: Uint8ClampedArray, at: number): void {
  for (let i = 0, k = 0; i < count; i++, k += channels, at += 4) {
    if (channels === 3) {
      out[at] = levelOfLinear(sum[k]); out[at + 1] = levelOfLinear(sum[k + 1]); out[at + 2] = levelOfLinear(sum[k + 2]); out[at + 3] = 255;
      continue;
    }
    const a = sum[k + 3];
    if (a < 1 / 510) continue;
    out[at] = levelOfLinear(sum[k] / a); out[at + 1] = levelOfLinear(sum[k + 1] / a); out[at + 2] = levelOfLinear(sum[k + 2] / a);
    out[at + 3] = Math.round(a * 255);
  }
}

/**
 * Draws a placed source on a see-through raster of the wanted size: Lanczos with three lobes, on premultiplied
 * linear-light values, widened when reducing. Output pixels outside the placed source stay see-through; its edges are
 * rounded to whole pixels, so no border pixel is mixed with nothing.
 * @param width px of the output @param height px of the output
 */
export function resample(source: Raster, placement: Placement, width: number, height: number): Raster {
  const out = createRaster(width, height);
  const columns = windows(source.width, width, placement.x, placement.scaleX);
  const rows = windows(source.height, height, placement.y, placement.scaleY);
  if (columns.count === 0 || rows.count === 0) return out;
  const channels = isOpaque(source) ? 3 : 4, stride = columns.count * channels;
  // A ring of filtered rows: each source row is filtered once, and only as many are kept as one output row needs.
  const ring = new Float32Array(rows.taps * stride), line = new Float32Array(source.width * channels), sum = new Float32Array(stride);
  let ready = rows.starts[0];
  for (let j = 0; j < rows.count; j++) {
    const start = rows.starts[j];
    for (ready = Math.max(ready, start); ready < start + rows.taps; ready++) {
      const slot = (ready % rows.taps) * stride;
      filterRow(source, ready, columns, channels, line, ring.subarray(slot, slot + stride));
    }
    sum.fill(0);
    for (let t = 0; t < rows.taps; t++) {
      const weight = rows.weights[j * rows.taps + t], slot = ((start + t) % rows.taps) * stride;
      if (weight !== 0) for (let k = 0; k < stride; k++) sum[k] += ring[slot + k] * weight;
    }
    storeRow(sum, channels, columns.count, out.data, ((rows.first + j) * width + columns.first) * 4);
  }
  return out;
}
