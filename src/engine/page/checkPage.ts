import type { FrozenPage } from '@/core/ownPage/frozen';
import type { PageSurvey } from '@/core/ownPage/survey';
import type { AskedPlace } from '@/core/handover/patchedFrozen';
import { screenHeightAt } from '@/core/measure/layoutPage';
import { openPageFrame, type LyingRule, type PageFrame } from './frame';

export type FaultKind = 'not used' | 'laid otherwise' | 'words' | 'moved';

/** Something of a patched page that is not as it should be. */
export interface PageFault {
  readonly kind: FaultKind;
  /** Of the place; undefined for what moved. */
  readonly slot: string | undefined;
  /** Selector of what it is about: the place, or the first element that moved. */
  readonly selector: string;
  /** Screens at which it is so, px. */
  readonly screens: readonly number[];
}

export interface PageCheck {
  readonly screens: number;
  readonly faults: readonly PageFault[];
}

export interface CheckWanted {
  /** As it was, and as it is to be handed over. */
  readonly before: FrozenPage;
  readonly after: FrozenPage;
  readonly survey: Pick<PageSurvey, 'at'>;
  readonly asked: readonly AskedPlace[];
  readonly lying: readonly LyingRule[];
  /** Selectors of words that have another colour. */
  readonly words: readonly string[];
}

/** Lengths that differ by less are the same to a browser, px. */
const same = 0.5;

interface Faults {
  put(kind: FaultKind, slot: string | undefined, selector: string, screen: number): void;
}

function compareAt(
  screen: number,
  [before, after]: readonly [PageFrame, PageFrame],
  { asked, words }: Pick<CheckWanted, 'asked' | 'words'>,
  faults: Faults,
): void {
  for (const { place, was, becomes } of asked) {
    const [had, has] = [before.shows(place), after.shows(place)];
    // Where the page showed another picture before, or none, it still does.
    if (!had || (was !== undefined && had.key !== was)) {
      continue;
    }
    if (has?.key !== becomes) {
      faults.put('not used', place.slot, place.selector, screen);
    } else if (was !== undefined && has.laid !== had.laid) {
      faults.put('laid otherwise', place.slot, place.selector, screen);
    }
  }
  for (const selector of words) {
    if (before.colourOf(selector) !== after.colourOf(selector)) {
      faults.put('words', undefined, selector, screen);
    }
  }
  const own = asked.map(({ place }) => place.selector);
  const moved = after.movedFrom(before.rects(), same, own);
  if (moved !== undefined) {
    faults.put('moved', undefined, moved, screen);
  }
}

/**
 * Opens a page as it was and as it is to be handed over, and asks at every width that it was surveyed
 * at whether the new pictures are used, lie as they should, and nothing else moved.
 * @param host takes both while they are looked at
 * @param onScreen told before each width; false gives it up
 */
export async function checkPage(
  host: HTMLElement,
  { before, after, survey, asked, lying, words }: CheckWanted,
  onScreen: (done: number, of: number) => boolean,
): Promise<PageCheck | undefined> {
  const frames: PageFrame[] = [];
  const found = new Map<string, PageFault & { screens: number[] }>();
  const faults: Faults = {
    put(kind, slot, selector, screen) {
      const key = kind === 'words' ? `${kind} ${selector}` : `${kind} ${slot ?? ''}`;
      const known = found.get(key) ?? { kind, slot, selector, screens: [] };
      known.screens.push(screen);
      found.set(key, known);
    },
  };
  try {
    frames.push(await openPageFrame(host, before), await openPageFrame(host, after));
    const [first, second] = frames;
    first.lie(lying);
    for (const [i, { width }] of survey.at.entries()) {
      if (!onScreen(i, survey.at.length)) {
        return undefined;
      }
      await Promise.all(frames.map((frame) => frame.show(width, screenHeightAt(width))));
      compareAt(width, [first, second], { asked, words }, faults);
    }
  } finally {
    for (const frame of frames) {
      frame.close();
    }
  }
  return { screens: survey.at.length, faults: [...found.values()] };
}
