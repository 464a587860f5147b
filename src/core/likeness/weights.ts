/*
 * Fitted by `npm run likeness:fit` on pictures of the application against an outside judge; see
 * docs/LIKENESS.md.
 */

/** What each kind of difference counts, and how much hiding takes of it. */
export interface LossWeights {
  /** Differences along lines and px by px: finest x, finest y, fine x, fine y. */
  readonly fineLines: readonly number[];
  readonly fine: readonly number[];
  /** The same of x, y and b of middle size. */
  readonly middleLines: readonly number[];
  readonly middle: readonly number[];
  /** Fine detail of lightness that is weaker than it was, or stronger. */
  readonly lost: number;
  readonly grown: number;
  /** A place that became busier or calmer. */
  readonly busy: number;
  /** Coarse x, y and b. */
  readonly coarse: readonly number[];
  /** Where nothing hides, and how quickly hiding begins; of all but what is coarse. */
  readonly bare: number;
  readonly hides: number;
  /** The same of what is coarse. */
  readonly bareCoarse: number;
  readonly hidesCoarse: number;
}

export const lossWeights: LossWeights = {
  fineLines: [0.3662, 0.01186, 0.06878, 0.1064],
  fine: [0.1697, 0.002482, 0.228, 0.07256],
  middleLines: [6.614, 0.1037, 0.02576],
  middle: [33.92, 0.5074, 2.015],
  lost: 0.6384,
  grown: 0.521,
  busy: 0.4851,
  coarse: [227.7, 1.204, 11.79],
  bare: 3.411,
  hides: 2.352,
  bareCoarse: 2.719,
  hidesCoarse: 19.27,
};

/**
 * How strong the finest x and y are where their differences count half: the eye is full there. Not
 * fitted.
 */
export const fullAt = [5, 71.8] as const;
/** Share of a fine detail that may go before it counts as lost. Not fitted. */
export const kept = 0.4;
