import type { Aim, Care } from '../site/model/picture';
import type { Similarity } from './similarity';

/**
 * What a level of care asks for: at least so much structure, at most so much difference of colour.
 */
export interface CareLimit {
  readonly structure: number;
  readonly colour: number;
}

/** Ours, by looking at photographs, texts and textures at 1:1. */
export const careLimits: Readonly<Record<Care, CareLimit>> = {
  close: { structure: 0.995, colour: 0.9 },
  careful: { structure: 0.99, colour: 1.3 },
  light: { structure: 0.982, colour: 2 },
};

export const cares: readonly Care[] = ['close', 'careful', 'light'];

export const careTitle: Readonly<Record<Care, string>> = {
  close: 'Close',
  careful: 'Careful',
  light: 'Light',
};

export const careWords: Readonly<Record<Care, string>> = {
  close: 'the same, enlarged too',
  careful: 'the same at its size',
  light: 'a little softer',
};

/**
 * How far a similarity is above a limit: 0 where it just holds, negative where it does not. In
 * logarithms, which run nearly straight over the quality of a file.
 */
export const careMargin = ({ structure, colour }: Similarity, limit: CareLimit): number =>
  Math.min(
    Math.log((1 - limit.structure) / Math.max(1e-7, 1 - structure)),
    Math.log(limit.colour / Math.max(1e-4, colour)),
  );

/** What a search is to hold: an owner's aim, or a limit of any other height. */
export type Goal = Aim | { readonly by: 'limit'; readonly limit: CareLimit };

/** The likeness that a goal asks for; undefined where it asks for a number of bytes. */
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
export function goalMargin(goal: Goal, similarity: Similarity, bytes: number): number {
  const limit = limitOf(goal);
  return limit
    ? careMargin(similarity, limit)
    : Math.log((goal as Extract<Aim, { by: 'bytes' }>).bytes / bytes);
}
