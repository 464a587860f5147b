import type { ImageFormat } from '../site/model/picture';
import { goalMargin, type Goal } from './care';
import type { Judgement, TrialResult } from './trial';

export interface SearchListener {
  /** A file of the whole picture was written. */
  onTried(tried: TrialResult): void;
  /** Share of the search that is done, 0..1, and the format that is worked on. */
  onProgress(done: number, format: ImageFormat): void;
  /** Asked before each step; once it says no, nothing more is done. */
  wanted(): boolean;
}

/** It was given up; what had been tried is with the listener. */
export class SearchStopped extends Error {}

/** How the readings of a picture's sides are called. */
export const seamReading = 'seam-';

/** Nothing that holds of the drawing is lost in the file. */
export const keepsSeam = ({ lost }: Judgement): boolean => lost.length === 0;

/** What is aimed at holds. */
export const meetsGoal = (goal: Goal, judgement: Judgement): boolean =>
  goalMargin(goal, judgement.loss, judgement.bytes) >= 0;

/**
 * The best of what was tried. Files that meet the goal come before others, and files that keep the
 * seam before others of the same kind; of those the lightest is the best, where bytes are the goal
 * the most alike, and where nothing meets the goal what comes nearest to it. Undefined where
 * nothing was tried.
 */
export function bestOf(goal: Goal, tried: readonly Judgement[]): Judgement | undefined {
  const rank = (j: Judgement) => (meetsGoal(goal, j) ? 0 : 2) + (keepsSeam(j) ? 0 : 1);
  const within = (a: Judgement, b: Judgement): number => {
    if (!meetsGoal(goal, a)) {
      return goalMargin(goal, b.loss, b.bytes) - goalMargin(goal, a.loss, a.bytes);
    }
    return goal.by === 'bytes' ? a.loss.overall - b.loss.overall : 0;
  };
  return tried.toSorted((a, b) => rank(a) - rank(b) || within(a, b) || a.bytes - b.bytes)[0];
}

/** What it costs that a picture keeps its border. */
export interface BorderPrice {
  /** The lightest file that meets the goal and loses nothing but the colour of its sides. */
  readonly without: Judgement;
  /** The lightest that meets the goal and loses nothing. */
  readonly kept: Judgement;
}

/** Undefined where no file that is as alike would be lighter without it, or none keeps it. */
export function borderPriceOf(goal: Goal, tried: readonly Judgement[]): BorderPrice | undefined {
  const met = tried.filter((j) => meetsGoal(goal, j)).toSorted((a, b) => a.bytes - b.bytes);
  const kept = met.find(keepsSeam);
  const without = met.find(
    (j) => !keepsSeam(j) && j.lost.every((id) => id.startsWith(seamReading)),
  );
  return kept && without && without.bytes < kept.bytes ? { without, kept } : undefined;
}
