import type { FrozenPage } from '@/core/ownPage/frozen';
import { Refusal } from '@/core/refusal';
import { live, livingTabs, thisTab } from '../tabLife';

/*
 * A page of anybody's may end the tab that lays it out, or hold it up for ever, in more ways than can
 * be counted beforehand; and a page that is kept would do so each time its site is opened. So what is
 * being opened is noted where it outlives the tab, until it has stood for a while.
 */

/** The tab ended, or stood still, when this page was laid out last. */
export class PageTroubled extends Refusal {
  constructor(readonly page: FrozenPage) {
    super(
      'The browser ended or stood still while it was laid out the last time, so it is not laid out by itself.',
    );
  }
}

interface Note {
  /** Which tab opens it. */
  readonly tab: string;
  /** Since when, ms since 1970. */
  readonly at: number;
}

/** A page that stood for so long is none that ends a tab, ms. */
const stands = 3000;

/** Whoever has been opening a page for longer stands still, ms. */
const longest = 30_000;

/** How often each is being opened in this tab. */
const opening = new Map<string, number>();

let leaving = false;

/** A page that is left or loaded anew in good order troubled nobody. */
function forgetOnLeaving(): void {
  if (leaving) {
    return;
  }
  leaving = true;
  window.addEventListener('pagehide', () => {
    opening.forEach((_, key) => removeNote(key));
    opening.clear();
  });
}

/** Names a page by how much there is of each of its files: close enough, and at once. */
const keyOf = ({ title, html, files }: FrozenPage): string =>
  `soyez opening ${title.slice(0, 40)} ${html.length} ${files.map((f) => f.bytes.length).join(' ')}`.slice(
    0,
    400,
  );

function noteAt(key: string): Note | undefined {
  try {
    return (JSON.parse(localStorage.getItem(key) ?? 'null') as Note | null) ?? undefined;
  } catch {
    return undefined;
  }
}

function putNote(key: string): void {
  try {
    localStorage.setItem(key, JSON.stringify({ tab: thisTab, at: Date.now() } satisfies Note));
  } catch {
    // Without room for a note the page is laid out all the same.
  }
}

const removeNote = (key: string): void => {
  try {
    localStorage.removeItem(key);
  } catch {
    // Nothing is kept in this browser at all.
  }
};

async function isBeingOpened({ tab: owner, at }: Note): Promise<boolean> {
  return (await livingTabs()).has(owner) && Date.now() - at < longest;
}

/**
 * Notes that a page is being laid out.
 * @returns what to call once it is given up or closed; by itself the note goes after a while
 * @throws PageTroubled where a tab that noted the same did not come to that
 */
export async function noteOpening(page: FrozenPage): Promise<() => void> {
  const key = keyOf(page);
  void live();
  forgetOnLeaving();
  if (!opening.has(key)) {
    const note = noteAt(key);
    if (note && !(await isBeingOpened(note))) {
      throw new PageTroubled(page);
    }
  }
  opening.set(key, (opening.get(key) ?? 0) + 1);
  putNote(key);
  let noted = true;
  return () => {
    const others = (opening.get(key) ?? 1) - 1;
    if (noted && others > 0) {
      opening.set(key, others);
    } else if (noted) {
      opening.delete(key);
      removeNote(key);
    }
    noted = false;
  };
}

/** Calls once a page has stood for long enough, unless the tab stands still. */
export const onceItStands = (done: () => void): unknown => setTimeout(done, stands);

/** A page that troubled a tab may be laid out once more. */
export const forgetTrouble = (page: FrozenPage): void => removeNote(keyOf(page));
