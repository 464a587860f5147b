import type { Bands } from './bands';

/** Px between the nine places that are looked at around one. */
export const hidingStep = 3;
/** What the place itself and the three calmest around it count. */
export const hidingShares = [0.45, 0.3, 0.15, 0.1] as const;

/**
 * How much a picture hides at each px: how busy it is there, drawn down by the calmest places around,
 * since next to letters on a calm ground rings are seen.
 */
export function hidingOf({ coarse: { width, height, data } }: Bands): Float32Array {
  const out = new Float32Array(width * height);
  const [own, first, second, third] = hidingShares;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const here = data[(y * width + x) * 4 + 3];
      // At most twice the place itself.
      let a = 2 * here;
      let b = a;
      let c = a;
      for (let v = y - hidingStep; v <= y + hidingStep; v += hidingStep) {
        for (let u = x - hidingStep; u <= x + hidingStep; u += hidingStep) {
          if (u < 0 || v < 0 || u >= width || v >= height) {
            continue;
          }
          const busy = data[(v * width + u) * 4 + 3];
          if (busy < a) {
            c = b;
            b = a;
            a = busy;
          } else if (busy < b) {
            c = b;
            b = busy;
          } else if (busy < c) {
            c = busy;
          }
        }
      }
      out[y * width + x] = own * here + first * a + second * b + third * c;
    }
  }
  return out;
}
