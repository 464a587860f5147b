import type { FourChannelImage } from './fourChannelImage';

/** Px that a line reaches to either side. */
export const lineReach = 4;

/** Offsets of a px from a line's middle to one side; the other side is opposite. */
type HalfLine = readonly (readonly [number, number])[];

/** A line's length on the grid, by its slant: as long for the eye in every direction, about. */
const lengths = [1, 0.92, 0.75, 0.92];

/**
 * Eight directions, each a line of nine px (seven on the slant): differences that lie along one of
 * them add up, those of noise do not. What is seen first of a loss are rings, steps and edges gone.
 */
export const halfLines: readonly HalfLine[] = Array.from({ length: 8 }, (_, k) => {
  const angle = (Math.PI * k) / 8;
  const x = Math.cos(angle);
  const y = Math.sin(angle);
  const stretch = lengths[k % 4] / Math.max(Math.abs(x), Math.abs(y));
  const places = Array.from(
    { length: lineReach },
    (_unused, i) => [Math.round((i + 1) * x * stretch), Math.round((i + 1) * y * stretch)] as const,
  );
  return places.filter(
    (p, i) => !places.slice(0, i).some((q) => q[0] === p[0] && q[1] === p[1]) && (p[0] || p[1]),
  );
});

/** Makes of squared sums a mean over directions, for a ninth of it. */
export const lineScale = 1 / (9 * halfLines.length);

/**
 * For each of the four the mean over directions of the squared sum along the line, for a ninth of
 * it; beyond the border nothing differs.
 * @param take is given each px's place in the data and its four values
 */
export function alongLines(
  { width, height, data }: FourChannelImage,
  take: (at: number, a: number, b: number, c: number, d: number) => void,
): void {
  const w = width + 2 * lineReach;
  const wide = new Float32Array(w * (height + 2 * lineReach) * 4);
  for (let y = 0; y < height; y++) {
    wide.set(
      data.subarray(y * width * 4, (y + 1) * width * 4),
      ((y + lineReach) * w + lineReach) * 4,
    );
  }
  const offsets = halfLines.map((line) => line.map(([x, y]) => (y * w + x) * 4));
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = ((y + lineReach) * w + x + lineReach) * 4;
      let a = 0;
      let b = 0;
      let c = 0;
      let d = 0;
      for (const line of offsets) {
        let p = wide[at];
        let q = wide[at + 1];
        let r = wide[at + 2];
        let s = wide[at + 3];
        for (const offset of line) {
          p += wide[at + offset] + wide[at - offset];
          q += wide[at + offset + 1] + wide[at - offset + 1];
          r += wide[at + offset + 2] + wide[at - offset + 2];
          s += wide[at + offset + 3] + wide[at - offset + 3];
        }
        a += p * p;
        b += q * q;
        c += r * r;
        d += s * s;
      }
      take((y * width + x) * 4, a * lineScale, b * lineScale, c * lineScale, d * lineScale);
    }
  }
}
