import type { WordsSeen } from '@/core/legibility/pageWords';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { Rgb } from '@/core/raster/raster';
import type { LostWords, WordsCompared } from '@/core/set/lostContrast';
import { openPageFrame, type PageFrame } from './frame';

type Scheme = 'light' | 'dark';
type Rule = Awaited<ReturnType<PageFrame['inkRules']>>[number];

/** Words that lost their contrast, where they are seen and by which rule they have their colour. */
export interface LostOnPage extends LostWords {
  /** Which of the pages. */
  readonly page: number;
  /** Width of the screen at which they are worst, px. */
  readonly screen: number;
  readonly scheme: Scheme;
  /** Undefined where no rule of the page's own sheets says it. */
  readonly rule: Rule;
  /** What words lie on that have their colour from the same rule and can be read. */
  readonly beside: readonly Rgb[];
}

/** What was found out of all words of some pages. */
export interface WordsOnPages {
  /** The worst first. */
  readonly lost: readonly LostOnPage[];
  /** Words that lie too far down a page to be read, at the width that has the most. */
  readonly unread: number;
}

interface Wanted {
  readonly pages: readonly { readonly before: FrozenPage; readonly after: FrozenPage }[];
  readonly screens: readonly number[];
  /** Compares words of both, in a worker. */
  compare(before: WordsSeen, after: WordsSeen): Promise<WordsCompared>;
  /** Asked between all parts of the work; false gives it up. */
  wanted(): boolean;
}

/** What was found so far is not wanted any more. */
class GivenUp extends Error {}

const utf8 = new TextDecoder();

/** The page asks for dark colours somewhere. */
const hasDark = ({ html, files }: FrozenPage): boolean =>
  [html, ...files.filter((f) => f.type === 'text/css').map((f) => utf8.decode(f.bytes))].some(
    (text) => /prefers-color-scheme|light-dark\(|color-scheme\s*:[^;}]*dark/i.test(text),
  );

const keyOf = (scheme: Scheme, rule: Rule): string => `${scheme} ${rule?.path} ${rule?.selector}`;

/**
 * Lays pages out as they were and as they become, at some widths and in their colour schemes, and
 * tells the words that could be read and cannot any more, the worst first; words that are so at
 * several widths once, where they are worst.
 * @param host takes them while they are looked at
 * @returns undefined where it was given up
 */
export async function lostOnPages(
  host: HTMLElement,
  { pages, screens, compare, wanted }: Wanted,
): Promise<WordsOnPages | undefined> {
  /** Each part keeps the thread for a while: whoever changes something meanwhile goes first. */
  const still = <T>(part: () => Promise<T>): Promise<T> => {
    if (!wanted()) {
      throw new GivenUp();
    }
    return part();
  };
  let unread = 0;
  const found = new Map<string, Omit<LostOnPage, 'beside'>>();
  const beside = new Map<string, Rgb[]>();
  for (const [page, { before, after }] of pages.entries()) {
    const old = await openPageFrame(host, before);
    const now = await openPageFrame(host, after);
    try {
      for (const scheme of hasDark(before) ? (['light', 'dark'] as const) : (['light'] as const)) {
        old.scheme(scheme);
        now.scheme(scheme);
        for (const screen of screens) {
          await still(() => old.show(screen));
          await still(() => now.show(screen));
          const was = await still(() => old.allWords(true));
          const is = await still(() => now.allWords(false));
          const { lost, kept, unread: more } = await still(() => compare(was, is));
          unread = Math.max(unread, more);
          const asked = [...new Set([...lost, ...kept].map(({ selector }) => selector))];
          const inks = await still(() => now.inkRules(asked));
          const rules = new Map<string, Rule>(asked.map((selector, i) => [selector, inks[i]]));
          for (const words of lost) {
            const key = `${page} ${scheme} ${words.selector} ${words.text}`;
            const known = found.get(key);
            if (!known || words.after < known.after) {
              const rule = rules.get(words.selector);
              found.set(key, { ...words, page, screen, scheme, rule });
            }
          }
          for (const { selector, grounds } of kept) {
            const key = keyOf(scheme, rules.get(selector));
            beside.set(key, [...(beside.get(key) ?? []), ...grounds]);
          }
        }
      }
    } catch (error) {
      if (error instanceof GivenUp) {
        return undefined;
      }
      throw error;
    } finally {
      old.close();
      now.close();
    }
  }
  const lost = [...found.values()]
    .map((words) => ({ ...words, beside: beside.get(keyOf(words.scheme, words.rule)) ?? [] }))
    .sort((a, b) => a.after / a.wanted - b.after / b.wanted);
  return { lost, unread };
}
