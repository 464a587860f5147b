import { colourOf } from '../colour/parse';
import {
  intersect,
  isEmpty,
  wholeRaster,
  type Mask,
  type Raster,
  type Rect,
} from '../raster/raster';
import type { Hex } from '../site/model/hex';
import { wantedContrast } from './contrast';
import {
  behindWords,
  inkRatio,
  textContrast,
  unpack,
  type Behind,
  type Ink,
  type TextContrast,
} from './measure';
import type { Veil } from './report';
import { leastVeil } from './veil';

/** Words of a page that lie over a picture of it. */
export interface PageWords {
  readonly text: string;
  /** Of the element that has them. */
  readonly selector: string;
  readonly ink: Ink;
  readonly sizePx: number;
  readonly weight: number;
  /** Their lines, px of what is seen. */
  readonly lines: readonly Rect[];
}

/** What is seen at once of a page with words over a picture. */
export interface WordsSeen {
  /** Opaque, without any words. */
  readonly bare: Raster;
  /** Where letters cover it, as large. */
  readonly alphaMask: Mask;
  readonly words: readonly PageWords[];
}

/** How words of a page stand off what lies behind them. */
export interface PageWordReport {
  readonly text: string;
  readonly selector: string;
  /** Where its worst place is, px of what is seen. */
  readonly contrast: TextContrast;
  /** What it is to be: 3 for large words, 4.5 for other (WCAG 2.2, success criterion 1.4.3). */
  readonly wanted: number;
  /** Of the colours offered, those in which the words would reach it. */
  readonly inks: readonly Hex[];
}

export interface PageWordsReport {
  /** The worst first. */
  readonly words: readonly PageWordReport[];
  /**
   * Veils on the picture with which all words reach what is wanted that their colour helps, weakest
   * first.
   */
  readonly veils: readonly Veil[];
}

/** The part of a cover that lies in some rectangles, and where that begins. */
function coverIn(
  { width, height, data }: Mask,
  lines: readonly Rect[],
): { readonly mask: Mask; readonly x: number; readonly y: number } | undefined {
  const whole = { x: 0, y: 0, width, height };
  const parts = lines.map((line) => intersect(outward(line), whole)).filter((p) => !isEmpty(p));
  if (parts.length === 0) {
    return undefined;
  }
  const x = Math.min(...parts.map((p) => p.x));
  const y = Math.min(...parts.map((p) => p.y));
  const right = Math.max(...parts.map((p) => p.x + p.width));
  const bottom = Math.max(...parts.map((p) => p.y + p.height));
  const mask = {
    width: right - x,
    height: bottom - y,
    data: new Uint8Array((right - x) * (bottom - y)),
  };
  for (const part of parts) {
    for (let v = part.y; v < part.y + part.height; v++) {
      const from = v * width + part.x;
      mask.data.set(data.subarray(from, from + part.width), (v - y) * mask.width + part.x - x);
    }
  }
  return { mask, x, y };
}

/** The whole px that a rectangle touches. */
function outward({ x, y, width, height }: Rect): Rect {
  const [left, top] = [Math.floor(x), Math.floor(y)];
  return {
    x: left,
    y: top,
    width: Math.ceil(x + width) - left,
    height: Math.ceil(y + height) - top,
  };
}

/** Words with what lies behind them. */
export interface WordContrast {
  readonly words: PageWords;
  readonly behind: Behind;
  readonly contrast: TextContrast;
  readonly wanted: number;
}

/** How words stand off; undefined where none of them is in what is seen. */
export function wordContrastOf(
  { bare, alphaMask }: WordsSeen,
  words: PageWords,
): WordContrast | undefined {
  const own = coverIn(alphaMask, words.lines);
  const behind = own && behindWords(bare, own.mask, own.x, own.y);
  return (
    behind && {
      words,
      behind,
      contrast: textContrast(behind, words.ink),
      wanted: wantedContrast(words),
    }
  );
}

const isShort = ({ contrast, wanted }: WordContrast): boolean => contrast.worst < wanted;

/**
 * How words of a page stand off what the page has behind them and two px around them, by the px that it
 * paints.
 * @param colours for veils and for the words themselves
 */
export function pageWordsReport(seen: WordsSeen, colours: readonly Hex[]): PageWordsReport {
  const stood = seen.words.flatMap((words) => wordContrastOf(seen, words) ?? []);
  const short = stood.filter(isShort);
  const veils = colours.flatMap((colour): Veil[] => {
    const percents = short.map(({ behind, words, wanted }) =>
      leastVeil(behind, words.ink, colourOf(colour), wanted),
    );
    // Words that no veil of this colour helps, such as those on a ground of their own, ask for none.
    const helped = percents.filter((p) => p !== undefined).filter((p) => p < 100);
    return helped.length > 0 ? [{ colour, percent: Math.max(...helped) }] : [];
  });
  const reports = stood.map((one): PageWordReport & { readonly share: number } => ({
    text: one.words.text,
    selector: one.words.selector,
    contrast: one.contrast,
    wanted: one.wanted,
    inks: isShort(one)
      ? colours.filter((c) =>
          one.behind.colours.every(
            (packed) =>
              inkRatio({ ...one.words.ink, colour: colourOf(c) }, unpack(packed)) >= one.wanted,
          ),
        )
      : [],
    share: one.contrast.worst / one.wanted,
  }));
  return {
    words: reports.sort((a, b) => a.share - b.share).map(({ share: _, ...report }) => report),
    veils: veils.sort((a, b) => a.percent - b.percent),
  };
}

/**
 * The cover of letters, out of the same px with all letters black and all white (each is mixed with the
 * same px behind it, so that their difference is its cover).
 */
export function letterMask(black: Raster, white: Raster): Mask {
  const { width, height } = black;
  const { width: w, height: h } = wholeRaster(white);
  if (width !== w || height !== h) {
    throw new RangeError(`Expected ${width} × ${height} px twice, found ${w} × ${h}`);
  }
  const data = new Uint8Array(width * height);
  for (let i = 0, k = 0; i < data.length; i++, k += 4) {
    data[i] = Math.max(
      0,
      white.data[k] - black.data[k],
      white.data[k + 1] - black.data[k + 1],
      white.data[k + 2] - black.data[k + 2],
    );
  }
  return { width, height, data };
}
