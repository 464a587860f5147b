/*
 * What colours a thing has, learned from px of it: a mixture of Gaussians in OKLab, as graph cuts
 * that separate a thing from its ground use (Rother, Kolmogorov and Blake, "GrabCut", 2004, there in
 * RGB).
 */

/** One of the mixture's colours: where it lies, how far it spreads along each axis, how much of it. */
interface Part {
  readonly mean: readonly [number, number, number];
  /** Inverse variances. */
  readonly tight: readonly [number, number, number];
  /** What it costs to be of this part at all: less for a large and narrow one. */
  readonly base: number;
}

export type ColourModel = readonly Part[];

/**
 * Spread that every part has at least, OKLab: noise and compression make more than that of one
 * colour (ours, by looking).
 */
const leastSpread = 0.012;

const rounds = 8;

/** The mean of some px, and the sum of their weights. */
interface Sum {
  n: number;
  l: number;
  a: number;
  b: number;
  ll: number;
  aa: number;
  bb: number;
}

const noSum = (): Sum => ({ n: 0, l: 0, a: 0, b: 0, ll: 0, aa: 0, bb: 0 });

function addTo(sum: Sum, l: number, a: number, b: number): void {
  sum.n++;
  sum.l += l;
  sum.a += a;
  sum.b += b;
  sum.ll += l * l;
  sum.aa += a * a;
  sum.bb += b * b;
}

/**
 * Learns the colours of some px.
 *
 * @param lab OKLab of a picture, three a px
 * @param of which px, by their number
 * @param most how many colours are told apart at most
 * @returns undefined where there is no px
 */
export function learnColours(
  lab: Float32Array,
  of: ArrayLike<number>,
  most = 6,
): ColourModel | undefined {
  if (of.length === 0) {
    return undefined;
  }
  // A few thousand px tell as much as all of them.
  const step = Math.max(1, Math.floor(of.length / 6000));
  const px: number[] = [];
  for (let i = 0; i < of.length; i += step) {
    px.push(3 * of[i]);
  }
  const centres = firstCentres(lab, px, most);
  const member = new Uint8Array(px.length);
  let sums: Sum[] = [];
  for (let round = 0; round < rounds; round++) {
    sums = centres.map(noSum);
    px.forEach((k, i) => {
      let best = Infinity;
      centres.forEach(([l, a, b], c) => {
        const away = (lab[k] - l) ** 2 + (lab[k + 1] - a) ** 2 + (lab[k + 2] - b) ** 2;
        if (away < best) {
          best = away;
          member[i] = c;
        }
      });
      addTo(sums[member[i]], lab[k], lab[k + 1], lab[k + 2]);
    });
    sums.forEach(({ n, l, a, b }, c) => {
      if (n > 0) {
        centres[c] = [l / n, a / n, b / n];
      }
    });
  }
  return sums
    .filter(({ n }) => n > 0)
    .map(({ n, l, a, b, ll, aa, bb }): Part => {
      const variance = (square: number, sum: number) =>
        Math.max(leastSpread ** 2, square / n - (sum / n) ** 2);
      const spread = [variance(ll, l), variance(aa, a), variance(bb, b)] as const;
      return {
        mean: [l / n, a / n, b / n],
        tight: [1 / spread[0], 1 / spread[1], 1 / spread[2]],
        base: 0.5 * Math.log(spread[0] * spread[1] * spread[2]) - Math.log(n / px.length),
      };
    });
}

/** Colours to begin with, each as far as can be from those before it. */
function firstCentres(
  lab: Float32Array,
  px: readonly number[],
  most: number,
): [number, number, number][] {
  const at = (k: number): [number, number, number] => [lab[k], lab[k + 1], lab[k + 2]];
  const centres = [at(px[px.length >> 1])];
  const away = new Float64Array(px.length).fill(Infinity);
  while (centres.length < most) {
    const [l, a, b] = centres[centres.length - 1];
    let far = 0;
    let next = -1;
    px.forEach((k, i) => {
      const d = (lab[k] - l) ** 2 + (lab[k + 1] - a) ** 2 + (lab[k + 2] - b) ** 2;
      away[i] = Math.min(away[i], d);
      if (away[i] > far) {
        far = away[i];
        next = k;
      }
    });
    if (far < (2 * leastSpread) ** 2) {
      break;
    }
    centres.push(at(next));
  }
  return centres;
}

/** How little a colour is of a thing: the negative logarithm of its likelihood, the more the less. */
export function unlikeness(model: ColourModel, l: number, a: number, b: number): number {
  let least = Infinity;
  for (const { mean, tight, base } of model) {
    const dl = l - mean[0];
    const da = a - mean[1];
    const db = b - mean[2];
    const cost = base + 0.5 * (dl * dl * tight[0] + da * da * tight[1] + db * db * tight[2]);
    if (cost < least) {
      least = cost;
    }
  }
  return least;
}

/**
 * How much a boundary between two px is hidden by their alikeness, 0..1: 1 where they are of one
 * colour, little where an edge runs between them.
 */
export function edgeHiding(lab: Float32Array, width: number, height: number) {
  let sum = 0;
  let n = 0;
  const apart = (p: number, q: number): number => {
    const [i, k] = [3 * p, 3 * q];
    return (lab[i] - lab[k]) ** 2 + (lab[i + 1] - lab[k + 1]) ** 2 + (lab[i + 2] - lab[k + 2]) ** 2;
  };
  for (let y = 0; y < height; y++) {
    for (let x = 1; x < width; x++) {
      sum += apart(y * width + x - 1, y * width + x);
      n++;
    }
  }
  const beta = sum > 0 ? n / (2 * sum) : 0;
  return (p: number, q: number): number => Math.exp(-beta * apart(p, q));
}
