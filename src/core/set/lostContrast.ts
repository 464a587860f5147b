import { hexOf } from '../colour/hex';
import { unpack } from '../legibility/measure';
import { stoodOf, type WordsSeen } from '../legibility/pageWords';
import type { Rect, Rgb } from '../raster/raster';
import type { Hex } from '../site/model/hex';

/** Words of a theme's page that could be read before and cannot any more. */
export interface LostWords {
  readonly text: string;
  /** Of the element that has them. */
  readonly selector: string;
  /** Where they are, px of the page. */
  readonly at: Rect;
  /** WCAG 2.2 contrast that all but one in twenty px have, 1..21. */
  readonly before: number;
  readonly after: number;
  /** 3 for large words, 4.5 for others. */
  readonly wanted: number;
  readonly colour: Hex;
  /** What lies behind them now, the commonest first. */
  readonly grounds: readonly Rgb[];
}

/** Grounds that are told of words, at most. */
const mostGrounds = 24;

/** One px in so many may have less. */
const spared = 20;

/**
 * Words that had the contrast that is wanted of them and have it no longer, the worst first.
 * @param before the page as it was, with where its letters are
 * @param after the same words in their order, and what lies behind them now
 */
export function lostContrast(before: WordsSeen, after: WordsSeen): LostWords[] {
  if (before.words.length !== after.words.length) {
    throw new RangeError(
      `Expected the same ${before.words.length} words before and after, found ${after.words.length}.`,
    );
  }
  return before.words
    .flatMap((words, i): LostWords[] => {
      const was = stoodOf(before, words);
      const is = was && stoodOf({ ...after, cover: before.cover }, after.words[i]);
      if (!is || was.contrast.fifth < was.wanted || is.contrast.fifth >= is.wanted) {
        return [];
      }
      const { colours, counts } = is.behind;
      const all = counts.reduce((a, b) => a + b, 0);
      const grounds = [...colours]
        .map((packed, k) => ({ packed, count: counts[k] }))
        .filter(({ count }) => count * spared * mostGrounds >= all)
        .sort((a, b) => b.count - a.count)
        .slice(0, mostGrounds);
      return [
        {
          text: words.text,
          selector: after.words[i].selector,
          at: words.lines[0],
          before: was.contrast.fifth,
          after: is.contrast.fifth,
          wanted: is.wanted,
          colour: hexOf(after.words[i].ink.colour),
          grounds: grounds.map((g) => unpack(g.packed)),
        },
      ];
    })
    .sort((a, b) => a.after / a.wanted - b.after / b.wanted);
}
