/*
 * Finding the least whole number from which on something holds, with few looks; its margin grows
 * with the number.
 */

export interface KnownMargin {
  readonly at: number;
  /** 0 or more where it holds. */
  readonly margin: number;
}

/** A logarithm of likeness grows by about so much with each step of quality. */
const usualSlope = 0.027;

/** The highest known number that fails and the lowest above it that holds. */
export function bracket(known: readonly KnownMargin[]): {
  low: KnownMargin | undefined;
  high: KnownMargin | undefined;
} {
  let low: KnownMargin | undefined;
  let high: KnownMargin | undefined;
  for (const f of known) {
    if (f.margin >= 0 && (!high || f.at < high.at)) {
      high = f;
    }
  }
  for (const f of known) {
    if (f.margin < 0 && (!high || f.at < high.at) && (!low || f.at > low.at)) {
      low = f;
    }
  }
  return { low, high };
}

/**
 * The margin at any number, read off the lines between those that are known, and beyond them along
 * the outermost.
 */
export function marginAt(known: readonly KnownMargin[], at: number): number {
  const sorted = [...known].sort((a, b) => a.at - b.at);
  if (sorted.length === 1) {
    return sorted[0].margin + (at - sorted[0].at) * usualSlope;
  }
  const beyond = sorted.findIndex((k) => k.at >= at);
  const i = beyond < 0 ? sorted.length - 2 : Math.max(0, beyond - 1);
  const a = sorted[i];
  const b = sorted[i + 1];
  // Noise may turn a slope around; a search that followed it would run away.
  const slope = Math.max((b.margin - a.margin) / (b.at - a.at), usualSlope / 4);
  return at <= a.at
    ? a.margin + (at - a.at) * slope
    : b.margin + (at - b.at) * (at >= b.at ? slope : (b.margin - a.margin) / (b.at - a.at));
}

/**
 * The next number to try: where the known margins cross 0, inside of what is still open.
 * @param known what was found, one at least
 * @param read the margin that is expected at a number
 * @returns undefined once nothing between is left, or the end has been reached
 */
export function nextTry(
  known: readonly KnownMargin[],
  least: number,
  most: number,
  read: (at: number) => number = (at) => marginAt(known, at),
): number | undefined {
  const { low, high } = bracket(known);
  const from = low ? low.at + 1 : least;
  const to = high ? high.at - 1 : most;
  if (from > to) {
    return undefined;
  }
  for (let at = from; at <= to; at++) {
    if (read(at) >= 0) {
      return at;
    }
  }
  return to;
}
