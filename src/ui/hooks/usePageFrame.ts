'use client';

import { useEffect, useState, type RefObject } from 'react';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { PageSurvey } from '@/core/ownPage/survey';
import { openPageFrame, type PageFrame } from '@/engine/page/frame';
import { PageTaken } from '@/engine/page/frameDocument';
import { theEngine } from './tab/engine';
import { sayNotShown } from './sayNotShown';

export { measurePlaces } from '@/engine/page/measuredPlaces';
export type { LivePagePicture } from '@/engine/page/livePicture';

/** Widths of the screen that a page is looked at, px. */
const surveyWidths = [
  320, 360, 390, 412, 480, 540, 600, 680, 768, 820, 900, 960, 1024, 1100, 1200, 1280, 1366, 1440,
  1536, 1680, 1920, 2240, 2560, 3840,
] as const;

/** Names under which the browser keeps how long a page took to open, and to be looked at. */
const pageOpened = 'soyez page opened';
const pageSurveyed = 'soyez page surveyed';

export interface ShownPage {
  readonly frame: PageFrame;
  readonly survey: PageSurvey;
}

export interface PageOpening {
  /** Undefined until it is laid out and surveyed. */
  readonly shown: ShownPage | undefined;
  /** Why it cannot be shown. */
  readonly problem: string | undefined;
}

const notYet: PageOpening = { shown: undefined, problem: undefined };

async function surveyOf(frame: PageFrame, widths: readonly number[]): Promise<PageSurvey> {
  const start = performance.now();
  const survey = await frame.survey(widths, theEngine().readRules);
  performance.measure(pageSurveyed, { start });
  return survey;
}

/**
 * Shows a page in a place and asks it what it paints.
 * @param place that is there for as long as the page is
 * @param known what it said before, so that it need not be asked
 * @param still the only width that it is known at, px
 */
export function usePageFrame(
  place: RefObject<HTMLElement | null>,
  page: FrozenPage | undefined,
  known?: PageSurvey,
  still?: number,
): PageOpening {
  const [opening, setOpening] = useState<PageOpening & { page: FrozenPage }>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    if (!page) {
      return;
    }
    const given = new AbortController();
    let opened: PageFrame | undefined;
    const open = async () => {
      const start = performance.now();
      const frame = await openPageFrame(place.current!, page, given.signal);
      performance.measure(pageOpened, { start });
      opened = frame;
      const survey = known ?? (await surveyOf(frame, still === undefined ? surveyWidths : [still]));
      if (!given.signal.aborted) {
        setOpening({ page, shown: { frame, survey }, problem: undefined });
      }
    };
    open().catch((error: unknown) => {
      if (!(error instanceof PageTaken) && !given.signal.aborted) {
        const problem = sayNotShown(error, () => setTries((n) => n + 1));
        setOpening({ page, shown: undefined, problem });
      }
    });
    return () => {
      given.abort();
      opened?.close();
    };
  }, [place, page, known, still, tries]);
  return opening && opening.page === page ? opening : notYet;
}
