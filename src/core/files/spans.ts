/**
 * Parts of a text: where the first begins and ends, where the second does, and so on; in their
 * order, none over another.
 */
export type Spans = Uint32Array<ArrayBuffer>;

/** A place of the text lies in one of them. */
export function isWithin(spans: Spans, at: number): boolean {
  let low = 0;
  let high = spans.length / 2;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (spans[2 * middle + 1] <= at) {
      low = middle + 1;
    } else {
      high = middle;
    }
  }
  return 2 * low < spans.length && spans[2 * low] <= at;
}

/** The same parts. */
export const sameSpans = (a: Spans, b: Spans): boolean =>
  a.length === b.length && a.every((at, i) => at === b[i]);
