/**
 * `npm run likeness:fit`: fits the weights of the measure of likeness to an outside judge, on half of
 * the pictures, and says how well it does on the other half.
 */
import {
  coarseTerms,
  lossTo,
  prepare,
  referenceOf,
  type Reference,
  termCount,
  termWeights,
} from '../../src/core/likeness/loss';
import { lossWeights, type LossWeights } from '../../src/core/likeness/weights';
import { readPixels } from './judge';
import { pairs, type Pair } from './pairs';

const under = '#ffffff';

/** What is far from where a difference begins to be seen does not matter. */
const judged = ({ norm }: Pair): boolean => norm > 0.25 && norm < 5;
const matters = ({ norm }: Pair): boolean => norm > 0.4 && norm < 2.5;

/** A pair with its terms, one plane each. */
interface Prepared {
  readonly pair: Pair;
  readonly terms: readonly Float32Array[];
  readonly hiding: Float32Array;
}

/** The weights of one term alone, with nothing hidden. */
function alone(term: number): LossWeights {
  const one = new Float64Array(termCount + hidingCount);
  one[term] = 1;
  return asWeights(one);
}

async function prepared(list: readonly Pair[]): Promise<Prepared[]> {
  const out: Prepared[] = [];
  let at = '';
  let reference: Reference | undefined;
  let hiding: Float32Array = new Float32Array();
  for (const pair of list) {
    if (!reference || at !== pair.before) {
      at = pair.before;
      const before = await readPixels(at);
      reference = referenceOf(before, under);
      ({ hiding } = prepare(before, under));
    }
    const after = await readPixels(pair.after);
    const { seen } = reference;
    const terms = Array.from({ length: termCount }, (_, k) => seen(after, under, alone(k)));
    out.push({ pair, terms, hiding });
  }
  return out;
}

const add = (to: Float64Array, plane: Float32Array, by: number): void => {
  for (let i = 0; i < to.length; i++) {
    to[i] += by * plane[i];
  }
};

const product = (a: Float64Array, b: Float32Array): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i++) {
    sum += a[i] * b[i];
  }
  return sum;
};

const hidingCount = 4;

/**
 * The loss of a pair, and how its logarithm changes with that of each parameter: the weights of the
 * terms, then bare, hides, bareCoarse, hidesCoarse.
 */
function slopes({ terms, hiding }: Prepared, at: Float64Array): { loss: number; by: Float64Array } {
  const n = hiding.length;
  const weights = at.map(Math.exp);
  const [bare, hides, bareCoarse, hidesCoarse] = weights.subarray(termCount);
  const small = new Float64Array(n);
  const coarse = new Float64Array(n);
  terms.forEach((plane, k) => add(k < termCount - coarseTerms ? small : coarse, plane, weights[k]));
  const seen = new Float64Array(n);
  let third = 1e-30;
  let sixth = 1e-30;
  let twelfth = 1e-30;
  for (let i = 0; i < n; i++) {
    const p = 1 + bare / (1 + hides * hiding[i]);
    const q = 1 + bareCoarse / (1 + hidesCoarse * hiding[i]);
    const e = small[i] * p * p + coarse[i] * q * q;
    seen[i] = e;
    const cube = e * Math.sqrt(e);
    const square = cube * cube;
    third += cube;
    sixth += square;
    twelfth += square * square;
  }
  const norms = [Math.cbrt(third / n), (sixth / n) ** (1 / 6), (twelfth / n) ** (1 / 12)];
  const loss = (norms[0] + norms[1] + norms[2]) / 3;
  const by = new Float64Array(at.length);
  const forSmall = new Float64Array(n);
  const forCoarse = new Float64Array(n);
  const [f3, f6, f12] = [third, sixth, twelfth].map((sum, i) => norms[i] / (6 * sum));
  let forBare = 0;
  let forHides = 0;
  let forBareCoarse = 0;
  let forHidesCoarse = 0;
  for (let i = 0; i < n; i++) {
    const e = seen[i];
    const square = e * e;
    const pull = f3 * Math.sqrt(e) + f6 * square + f12 * square * square * e;
    const h = 1 / (1 + hides * hiding[i]);
    const hc = 1 / (1 + hidesCoarse * hiding[i]);
    const p = 1 + bare * h;
    const q = 1 + bareCoarse * hc;
    const a = pull * small[i] * 2 * p * bare * h;
    const b = pull * coarse[i] * 2 * q * bareCoarse * hc;
    forBare += a;
    forHides -= a * h * hides * hiding[i];
    forBareCoarse += b;
    forHidesCoarse -= b * hc * hidesCoarse * hiding[i];
    forSmall[i] = pull * p * p;
    forCoarse[i] = pull * q * q;
  }
  by.set([forBare, forHides, forBareCoarse, forHidesCoarse], termCount);
  terms.forEach((plane, k) => {
    by[k] = weights[k] * product(k < termCount - coarseTerms ? forSmall : forCoarse, plane);
  });
  return { loss, by: by.map((v) => v / loss) };
}

/** Adam: D. Kingma and J. Ba, arXiv:1412.6980, 2014, on logarithms. */
function fit(list: readonly Prepared[], from: LossWeights, turns: number): Float64Array {
  const at = Float64Array.from(
    [...termWeights(from), from.bare, from.hides, from.bareCoarse, from.hidesCoarse].map((w) =>
      Math.log(Math.max(w, 1e-9)),
    ),
  );
  const mean = new Float64Array(at.length);
  const square = new Float64Array(at.length);
  const parts = 5;
  for (let turn = 1; turn <= turns; turn++) {
    const slope = new Float64Array(at.length);
    const some = list.filter((_, i) => i % parts === turn % parts);
    let error = 0;
    for (const one of some) {
      const { loss, by } = slopes(one, at);
      const off = Math.log(loss / one.pair.norm);
      const weight = matters(one.pair) ? 1 : 0.3;
      error += (weight * off * off) / some.length;
      by.forEach((v, k) => {
        slope[k] += (2 * weight * off * v) / some.length;
      });
    }
    const done = turn / turns;
    // Long strides first, short ones at the end.
    const step = 0.12 * (1 - done) ** 1.5 + 0.004;
    for (let k = 0; k < at.length; k++) {
      mean[k] = 0.9 * mean[k] + 0.1 * slope[k];
      square[k] = 0.98 * square[k] + 0.02 * slope[k] ** 2;
      at[k] -=
        (step * mean[k]) / (1 - 0.9 ** turn) / (Math.sqrt(square[k] / (1 - 0.98 ** turn)) + 1e-6);
    }
    if (turn % 10 === 0) {
      console.log(`${turn}: off by ${Math.sqrt(error).toFixed(4)}`);
    }
  }
  return at.map(Math.exp);
}

function asWeights(v: Float64Array): LossWeights {
  const list = (from: number, to: number) =>
    Array.from(v.subarray(from, to), (w) => Number(w.toPrecision(4)));
  const [lost, grown, busy] = list(14, 17);
  const [bare, hides, bareCoarse, hidesCoarse] = list(termCount, termCount + hidingCount);
  return {
    fineLines: list(0, 4),
    fine: list(4, 8),
    middleLines: list(8, 11),
    middle: list(11, 14),
    lost,
    grown,
    busy,
    coarse: list(17, 20),
    bare,
    hides,
    bareCoarse,
    hidesCoarse,
  };
}

function ranks(values: readonly number[]): number[] {
  const order = values.map((v, i) => [v, i] as const).sort((a, b) => a[0] - b[0]);
  const out = new Array<number>(values.length);
  order.forEach(([, i], rank) => {
    out[i] = rank;
  });
  return out;
}

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (a.length - 1) / 2;
  const x = ranks(a);
  const y = ranks(b);
  const sum = (p: readonly number[], q: readonly number[]) =>
    p.reduce((s, v, i) => s + (v - mean) * (q[i] - mean), 0);
  return sum(x, y) / Math.sqrt(sum(x, x) * sum(y, y));
}

function tell(name: string, list: readonly { readonly pair: Pair; readonly loss: number }[]) {
  const near = list.filter(({ pair }) => matters(pair));
  const off = near.map(({ pair, loss }) => Math.log(loss / pair.norm)).sort((a, b) => a - b);
  const mean = off.reduce((a, b) => a + b, 0) / off.length;
  const spread = Math.sqrt(off.reduce((a, v) => a + (v - mean) ** 2, 0) / off.length);
  const at = (share: number) => off[Math.floor(share * (off.length - 1))].toFixed(3);
  console.log(
    `${name}: ${list.length} files, Spearman ${correlation(
      list.map((l) => l.loss),
      list.map((l) => l.pair.norm),
    ).toFixed(4)}; of ${near.length} that matter the logarithm is off by ${mean.toFixed(3)}, ` +
      `spread ${spread.toFixed(3)}, ends ${at(0)} ${at(0.05)} ${at(0.5)} ${at(0.95)} ${at(1)}`,
  );
}

async function measured(list: readonly Pair[], weights: LossWeights) {
  const out: { pair: Pair; loss: number }[] = [];
  for (const one of list) {
    const reference = referenceOf(await readPixels(one.before), under);
    out.push({
      pair: one,
      loss: lossTo(reference, await readPixels(one.after), under, weights).overall,
    });
  }
  return out;
}

async function main(): Promise<void> {
  const [folder = 'node_modules/.cache/likeness', turns = '120', ...photographs] =
    process.argv.slice(2);
  const all = (await pairs(folder, photographs.length > 0 ? photographs : undefined)).filter(
    judged,
  );
  let weights = lossWeights;
  if (Number(turns) > 0) {
    const some = all.filter((p) => !p.held).filter((_, i) => i % 4 === 0);
    const list = await prepared(some);
    const found = fit(list, lossWeights, Number(turns));
    weights = asWeights(found);
    console.log(JSON.stringify(weights, null, 2));
    tell(
      'Fitted on',
      list.map((one) => ({ pair: one.pair, loss: slopes(one, found.map(Math.log)).loss })),
    );
  }
  const held = all.filter((p) => p.held).filter((_, i) => i % 4 === 0);
  tell('Left out', await measured(held, weights));
}

void main();
