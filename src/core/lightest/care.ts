import type { Aim, Care } from '../site/model/picture';
import type { Loss } from '../likeness/loss';

/** Raised when likeness is measured in another way: what was judged before does not count any more. */
export const measureVersion = 3;

/** What a level of care allows to be seen: of the picture, and at its worst place. */
export type CareLimit = Loss;

/**
 * At an overall loss of 1 somebody who looks from one to the other begins to see it: `careful` is
 * just that, `close` holds when it is enlarged, and `light` is seen by comparing alone.
 */
export const careLimits: Readonly<Record<Care, CareLimit>> = {
  close: { overall: 0.6, worst: 2.5 },
  careful: { overall: 1, worst: 3 },
  light: { overall: 1.45, worst: 5 },
};

export const cares: readonly Care[] = ['close', 'careful', 'light'];

export const careTitle: Readonly<Record<Care, string>> = {
  close: 'Close',
  careful: 'Careful',
  light: 'Light',
};

export const careWords: Readonly<Record<Care, string>> = {
  close: 'not seen, enlarged too',
  careful: 'not seen at its size',
  light: 'seen by comparing',
};

/**
 * The figure that people are shown: 100 for equal pictures, 90 where a difference begins to be seen,
 * 0 at the least.
 */
export const likenessOf = ({ overall }: Loss): number => Math.max(0, 100 - 10 * overall);

/**
 * How far a loss is below a limit: 0 where it just holds, negative where it does not. In
 * logarithms, which run nearly straight over the quality of a file.
 */
export const careMargin = ({ overall, worst }: Loss, limit: CareLimit): number =>
  Math.min(
    Math.log(limit.overall / Math.max(1e-4, overall)),
    Math.log(limit.worst / Math.max(1e-4, worst)),
  );

/** What a search is to hold: an owner's aim, or any other limit. */
export type Goal = Aim | { readonly by: 'limit'; readonly limit: CareLimit };

/** The limit that a goal sets; undefined where it asks for a number of bytes. */
export const limitOf = (goal: Goal): CareLimit | undefined => {
  if (goal.by === 'bytes') {
    return undefined;
  }
  if (goal.by === 'limit') {
    return goal.limit;
  }
  return careLimits[goal.care];
};

/** How far a file is above what is aimed at; for a number of bytes, how far below that. */
export function goalMargin(goal: Goal, loss: Loss, bytes: number): number {
  const limit = limitOf(goal);
  return limit
    ? careMargin(loss, limit)
    : Math.log((goal as Extract<Aim, { by: 'bytes' }>).bytes / bytes);
}
