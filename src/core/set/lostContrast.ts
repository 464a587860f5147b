import { hexOf } from '../colour/hex';
import { unpack } from '../legibility/measure';
import { wordContrastOf, type WordContrast, type WordsSeen } from '../legibility/pageWords';
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

/** Words that can be read as before. */
export interface KeptWords {
  readonly selector: string;
  readonly wanted: number;
  readonly grounds: readonly Rgb[];
}

export interface WordsCompared {
  /** The worst first. */
  readonly lost: readonly LostWords[];
  readonly kept: readonly KeptWords[];
  /** Words farther down than the page was read: nothing is known of them. */
  readonly unread: number;
}

/** Grounds that are told of words, at most. */
const mostGrounds = 24;

/** One px in so many may have less. */
const spared = 20;

function groundsOf({ behind: { colours, counts } }: WordContrast): Rgb[] {
  const all = counts.reduce((a, b) => a + b, 0);
  return [...colours]
    .map((packed, k) => ({ packed, count: counts[k] }))
    .filter(({ count }) => count * spared * mostGrounds >= all)
    .sort((a, b) => b.count - a.count)
    .slice(0, mostGrounds)
    .map((g) => unpack(g.packed));
}

/**
 * Which words had the contrast that is wanted of them, and which of those have it no longer.
 * @param before the page as it was, with where its letters are
 * @param after the same words in their order, and what lies behind them now
 * @throws RangeError where they are not as many
 */
export function compareWords(before: WordsSeen, after: WordsSeen): WordsCompared {
  if (before.words.length !== after.words.length) {
    throw new RangeError(
      `Expected the same ${before.words.length} words before and after, found ${after.words.length}.`,
    );
  }
  const lost: LostWords[] = [];
  const kept: KeptWords[] = [];
  before.words.forEach((words, i) => {
    const was = wordContrastOf(before, words);
    const is = was && wordContrastOf({ ...after, alphaMask: before.alphaMask }, after.words[i]);
    if (!is || was.contrast.fifth < was.wanted) {
      return;
    }
    const { selector, ink } = after.words[i];
    const { wanted } = is;
    const grounds = groundsOf(is);
    if (is.contrast.fifth >= wanted) {
      kept.push({ selector, wanted, grounds });
      return;
    }
    lost.push({
      text: words.text,
      selector,
      at: words.lines[0],
      before: was.contrast.fifth,
      after: is.contrast.fifth,
      wanted,
      colour: hexOf(ink.colour),
      grounds,
    });
  });
  return {
    lost: lost.sort((a, b) => a.after / a.wanted - b.after / b.wanted),
    kept,
    unread: before.words.filter(({ lines }) => lines[0]?.y >= before.bare.height).length,
  };
}
