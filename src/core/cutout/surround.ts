import { oklabOf } from '../colour/oklab';
import { colourOf } from '../colour/parse';
import type { CutOut, SurroundSample } from '../site/model/photoLayer';

/**
 * How far every pixel is from the nearest sample's colour: a hundred times the distance in OKLab.
 */
export function differences(lab: Float32Array, samples: readonly SurroundSample[]): Float32Array {
  const out = new Float32Array(lab.length / 3).fill(Infinity);
  for (const { colour } of samples) {
    const [sl, sa, sb] = oklabOf(colourOf(colour));
    for (let i = 0, k = 0; i < out.length; i++, k += 3) {
      const dl = lab[k] - sl;
      const da = lab[k + 1] - sa;
      const db = lab[k + 2] - sb;
      const away = dl * dl + da * da + db * db;
      if (away < out[i]) {
        out[i] = away;
      }
    }
  }
  for (let i = 0; i < out.length; i++) {
    out[i] = 100 * Math.sqrt(out[i]);
  }
  return out;
}

/**
 * Px around a sample's place where joined surround may begin; the place itself may be a grain that
 * differs.
 */
const seedRadius = 2;

/**
 * Where the surround is: 1 for each pixel near enough to a sample's colour; joined, only those that
 * hang together, side by side, with the place of a sample.
 * @param scale px here for each px that the samples' places are given in
 */
export function surroundOf(
  away: Float32Array,
  width: number,
  height: number,
  { samples, tolerance, joined }: CutOut,
  scale: number,
): Uint8Array {
  const out = new Uint8Array(away.length);
  if (!joined) {
    for (let i = 0; i < out.length; i++) {
      out[i] = away[i] <= tolerance ? 1 : 0;
    }
    return out;
  }
  const open: number[] = [];
  const radius = Math.max(1, Math.round(seedRadius * scale));
  const take = (i: number) => {
    if (out[i] === 0 && away[i] <= tolerance) {
      out[i] = 1;
      open.push(i);
    }
  };
  for (const s of samples) {
    const cx = Math.floor(s.x * scale);
    const cy = Math.floor(s.y * scale);
    for (let y = Math.max(0, cy - radius); y <= Math.min(height - 1, cy + radius); y++) {
      for (let x = Math.max(0, cx - radius); x <= Math.min(width - 1, cx + radius); x++) {
        take(y * width + x);
      }
    }
  }
  for (let i = open.pop(); i !== undefined; i = open.pop()) {
    const x = i % width;
    if (x > 0) {
      take(i - 1);
    }
    if (x < width - 1) {
      take(i + 1);
    }
    if (i >= width) {
      take(i - width);
    }
    if (i < out.length - width) {
      take(i + width);
    }
  }
  return out;
}
