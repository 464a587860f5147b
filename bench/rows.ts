/**
 * One measured comparison. Times are medians of several runs, ms; the reference ran in between, in
 * the same process.
 */
export interface Row {
  readonly name: string;
  readonly ours_ms: number;
  readonly reference: string;
  readonly reference_ms: number;
  readonly ratio: number;
}

/** Rows as they are measured. */
export type Rows = AsyncGenerator<Row, void>;

export const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

export const row = (name: string, ours: number, reference: string, theirs: number): Row => {
  const round = (v: number, digits: number) => Number(v.toFixed(digits));
  return {
    name,
    ours_ms: round(ours, 2),
    reference,
    reference_ms: round(theirs, 2),
    ratio: round(ours / theirs, 3),
  };
};

async function timed(run: () => unknown): Promise<number> {
  const start = performance.now();
  await run();
  return performance.now() - start;
}

/**
 * Runs the two in turn, after one turn that is not counted, so that a change of the machine's speed
 * hits both.
 */
export async function compare(
  name: string,
  ours: () => unknown,
  reference: string,
  theirs: () => unknown,
  turns = 7,
): Promise<Row> {
  const a: number[] = [];
  const b: number[] = [];
  for (let i = 0; i <= turns; i++) {
    const times = [await timed(ours), await timed(theirs)];
    if (i > 0) {
      a.push(times[0]);
      b.push(times[1]);
    }
  }
  return row(name, median(a), reference, median(b));
}
