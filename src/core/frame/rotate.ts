import { levelOfLinear, linearOfLevel } from '../colour/transfer';
import { createRaster, type Raster } from '../raster/raster';

/**
 * Cubic convolution with a = −0.5 (R. G. Keys, IEEE Transactions on Acoustics, Speech, and Signal
 * Processing 29, 1981): weights of four samples.
 */
function cubicWeights(t: number, out: Float64Array): void {
  const t2 = t * t;
  const t3 = t2 * t;
  out[0] = -0.5 * t + t2 - 0.5 * t3;
  out[1] = 1 - 2.5 * t2 + 1.5 * t3;
  out[2] = 0.5 * t + 2 * t2 - 1.5 * t3;
  out[3] = -0.5 * t2 + 0.5 * t3;
}

/** Weights for 256 places between two samples; finer steps change no level. */
const steps = 256;
const table = (() => {
  const all = new Float32Array(steps * 4);
  const one = new Float64Array(4);
  for (let i = 0; i < steps; i++) {
    cubicWeights(i / steps, one);
    all.set(one, i * 4);
  }
  return all;
})();

/** Premultiplied linear light, four floats a pixel. */
function toLight({ data, width, height }: Raster): Float32Array {
  const light = new Float32Array(width * height * 4);
  for (let i = 0; i < data.length; i += 4) {
    const a = data[i + 3] / 255;
    light[i] = linearOfLevel[data[i]] * a;
    light[i + 1] = linearOfLevel[data[i + 1]] * a;
    light[i + 2] = linearOfLevel[data[i + 2]] * a;
    light[i + 3] = a;
  }
  return light;
}

/**
 * Draws a raster turned about a point, at its own scale: cubic convolution on premultiplied
 * linear-light values; outside the source is see-through.
 * @param degrees clockwise
 * @param from the point of the source, px, that comes to lie on `to`
 * @param width px of the output @param height px of the output
 */
export function rotate(
  source: Raster,
  degrees: number,
  from: { x: number; y: number },
  to: { x: number; y: number },
  width: number,
  height: number,
): Raster {
  const out = createRaster(width, height);
  const light = toLight(source);
  const { width: sw, height: sh } = source;
  const c = Math.cos((degrees * Math.PI) / 180);
  const s = Math.sin((degrees * Math.PI) / 180);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const dx = x + 0.5 - to.x;
      const dy = y + 0.5 - to.y;
      const u = dx * c + dy * s + from.x - 0.5;
      const v = -dx * s + dy * c + from.y - 0.5;
      // To the nearest of the places there are weights for: a whole px stays one.
      const fu = Math.round(u * steps);
      const fv = Math.round(v * steps);
      const ui = Math.floor(fu / steps);
      const vi = Math.floor(fv / steps);
      if (ui < -2 || vi < -2 || ui > sw || vi > sh) {
        continue;
      }
      const wu = (fu - ui * steps) << 2;
      const wv = (fv - vi * steps) << 2;
      let r = 0;
      let g = 0;
      let b = 0;
      let a = 0;
      for (let j = 0; j < 4; j++) {
        const row = vi + j - 1;
        if (row < 0 || row >= sh) {
          continue;
        }
        const wy = table[wv + j];
        for (let i = 0; i < 4; i++) {
          const column = ui + i - 1;
          if (column < 0 || column >= sw) {
            continue;
          }
          const w = wy * table[wu + i];
          const k = (row * sw + column) * 4;
          r += light[k] * w;
          g += light[k + 1] * w;
          b += light[k + 2] * w;
          a += light[k + 3] * w;
        }
      }
      if (a < 1 / 510) {
        continue;
      }
      const at = (y * width + x) * 4;
      out.data[at] = levelOfLinear(r / a);
      out.data[at + 1] = levelOfLinear(g / a);
      out.data[at + 2] = levelOfLinear(b / a);
      out.data[at + 3] = Math.round(Math.min(1, a) * 255);
    }
  }
  return out;
}

/** Mirrors a raster in place: left to right, or top to bottom. */
export function mirror({ data, width, height }: Raster, axis: 'x' | 'y'): void {
  const words = new Uint32Array(data.buffer, data.byteOffset, width * height);
  if (axis === 'x') {
    for (let y = 0; y < height; y++) {
      words.subarray(y * width, (y + 1) * width).reverse();
    }
    return;
  }
  for (let y = 0; y < height >> 1; y++) {
    const top = words.slice(y * width, (y + 1) * width);
    words.copyWithin(y * width, (height - 1 - y) * width, (height - y) * width);
    words.set(top, (height - 1 - y) * width);
  }
}
