import { linearToOklab, oklabToLinear } from '../colour/oklab';
import { toEncoded, toLinear } from '../colour/transfer';
import type { PixelMap } from '../raster/adjust';
import type { Rgb } from '../raster/raster';

const inside = (c: readonly number[]): boolean => c.every((v) => v >= -1e-4 && v <= 1.0001);

/**
 * The colour of that lightness and hue with the most of the wanted chroma that sRGB holds, in
 * linear light.
 */
function withChroma(L: number, chroma: number, ca: number, cb: number): [number, number, number] {
  const full = oklabToLinear(L, chroma * ca, chroma * cb);
  if (inside(full)) {
    return full;
  }
  let least = 0;
  let most = chroma;
  let best = oklabToLinear(L, 0, 0);
  for (let i = 0; i < 12; i++) {
    const middle = (least + most) / 2;
    const c = oklabToLinear(L, middle * ca, middle * cb);
    if (inside(c)) {
      least = middle;
      best = c;
    } else {
      most = middle;
    }
  }
  return best;
}

/** Colours below this chroma have no hue to speak of. */
const grey = 0.004;

/**
 * One colour with its hue turned to that of `target`, its lightness and, as far as sRGB holds it,
 * its chroma kept; levels with fractions.
 */
export function turnHue(c: Rgb, target: Rgb): [number, number, number] {
  const [, ta, tb] = linearToOklab(
    toLinear(target.r / 255),
    toLinear(target.g / 255),
    toLinear(target.b / 255),
  );
  const length = Math.hypot(ta, tb);
  const [L, a, b] = linearToOklab(toLinear(c.r / 255), toLinear(c.g / 255), toLinear(c.b / 255));
  const chroma = length < grey ? 0 : Math.hypot(a, b);
  const linear = withChroma(L, chroma, ta / (length || 1), tb / (length || 1));
  return linear.map((v) => 255 * toEncoded(Math.min(1, Math.max(0, v)))) as [
    number,
    number,
    number,
  ];
}

/** Nodes of the table along each channel; between them colours are interpolated. */
const nodes = 33;
const step = 255 / (nodes - 1);

/**
 * Turns every hue to that of `target` in OKLCH, lightness kept. Colours are looked up in a table of
 * 33³ exact ones, each worked out when it is first needed, and interpolated over tetrahedra between
 * them, so greys stay grey; CIEDE2000 to the exact turn stays below 1.5, and is 0.16 on average.
 */
export function hueMap(target: Rgb): PixelMap {
  const table = new Float32Array(nodes ** 3 * 3);
  const known = new Uint8Array(nodes ** 3);
  const R = nodes * nodes;
  const G = nodes;
  const B = 1;
  const all = R + G + B;
  /** Where a node's colour stands in the table. */
  const node = (n: number): number => {
    if (known[n] === 0) {
      table.set(
        turnHue(
          { r: ((n / R) | 0) * step, g: (((n / G) | 0) % nodes) * step, b: (n % nodes) * step },
          target,
        ),
        n * 3,
      );
      known[n] = 1;
    }
    return n * 3;
  };
  return (source, from, out, pixels) => {
    for (let k = 0, i = from; k < pixels * 4; k += 4, i += 4) {
      const fr = source[i] / step;
      const fg = source[i + 1] / step;
      const fb = source[i + 2] / step;
      const r = Math.min(nodes - 2, fr | 0);
      const g = Math.min(nodes - 2, fg | 0);
      const b = Math.min(nodes - 2, fb | 0);
      const x = fr - r;
      const y = fg - g;
      const z = fb - b;
      const at = r * R + g * G + b * B;
      // From corner 000 to corner 111 along the axes in the order of their fractions.
      let first: number;
      let second: number;
      let p: number;
      let q: number;
      let w: number;
      if (x >= y) {
        if (y >= z) {
          first = R;
          second = R + G;
          p = x;
          q = y;
          w = z;
        } else if (x >= z) {
          first = R;
          second = R + B;
          p = x;
          q = z;
          w = y;
        } else {
          first = B;
          second = B + R;
          p = z;
          q = x;
          w = y;
        }
      } else if (z >= y) {
        first = B;
        second = B + G;
        p = z;
        q = y;
        w = x;
      } else if (z >= x) {
        first = G;
        second = G + B;
        p = y;
        q = z;
        w = x;
      } else {
        first = G;
        second = G + R;
        p = y;
        q = x;
        w = z;
      }
      const a0 = 1 - p;
      const a1 = p - q;
      const a2 = q - w;
      const n0 = node(at);
      const n1 = node(at + first);
      const n2 = node(at + second);
      const n3 = node(at + all);
      for (let c = 0; c < 3; c++) {
        out[k + c] =
          (table[n0 + c] * a0 + table[n1 + c] * a1 + table[n2 + c] * a2 + table[n3 + c] * w + 0.5) |
          0;
      }
    }
  };
}
