import type { WordsSeen } from '@/core/legibility/pageWords';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { LostWords } from '@/core/set/lostContrast';
import { openPageFrame } from './frame';

/** Words that lost their contrast, where they are seen and by which rule they have their colour. */
export interface LostOnPage extends LostWords {
  /** Width of the screen at which they are worst, px. */
  readonly screen: number;
  readonly scheme: 'light' | 'dark';
  /** Undefined where no rule of the page's own sheets says it. */
  readonly rule: { readonly path: string; readonly selector: string } | undefined;
}

interface Wanted {
  readonly before: FrozenPage;
  readonly after: FrozenPage;
  readonly screens: readonly number[];
  /** Compares words of both, in a worker. */
  lost(before: WordsSeen, after: WordsSeen): Promise<readonly LostWords[]>;
  /** Asked before each width; false gives it up. */
  wanted(done: number, of: number): boolean;
}

const utf8 = new TextDecoder();

/** The page asks for dark colours somewhere. */
const hasDark = ({ html, files }: FrozenPage): boolean =>
  [html, ...files.filter((f) => f.type === 'text/css').map((f) => utf8.decode(f.bytes))].some(
    (text) => /prefers-color-scheme|light-dark\(|color-scheme\s*:[^;}]*dark/i.test(text),
  );

/**
 * Lays a page out as it was and as it becomes, at some widths and in its colour schemes, and tells
 * the words that could be read and cannot any more, the worst first; words that are so at several
 * widths once, where they are worst.
 * @param host takes both while they are looked at
 * @returns undefined where it was given up
 */
export async function lostOnPage(
  host: HTMLElement,
  { before, after, screens, lost, wanted }: Wanted,
): Promise<readonly LostOnPage[] | undefined> {
  const old = await openPageFrame(host, before);
  const now = await openPageFrame(host, after);
  try {
    const schemes = hasDark(before) ? (['light', 'dark'] as const) : (['light'] as const);
    const found = new Map<string, LostOnPage>();
    const of = screens.length * schemes.length;
    let done = 0;
    for (const scheme of schemes) {
      old.scheme(scheme);
      now.scheme(scheme);
      for (const screen of screens) {
        if (!wanted(done++, of)) {
          return undefined;
        }
        await old.show(screen);
        await now.show(screen);
        const was = await old.allWords(true);
        const is = await now.allWords(false);
        for (const words of await lost(was, is)) {
          const key = `${scheme} ${words.selector} ${words.text}`;
          const known = found.get(key);
          if (!known || words.after < known.after) {
            found.set(key, { ...words, screen, scheme, rule: now.inkRule(words.selector) });
          }
        }
      }
    }
    return [...found.values()].sort((a, b) => a.after / a.wanted - b.after / b.wanted);
  } finally {
    old.close();
    now.close();
  }
}
