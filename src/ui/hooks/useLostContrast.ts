'use client';

import { useMemo } from 'react';
import type { HandedFile } from '@/core/handover/ports';
import type { HandOver } from '@/core/handover/produce';
import type { OpenedPage } from '@/core/ownPage/openPages';
import { isActive } from '@/core/recolour/activeSteps';
import { wordsOf } from '@/core/refusal';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { lostOnPages, type WordsOnPages } from '@/engine/page/lostOnPages';
import { pagesOfSet, pagesRecoloured, setFilesAmong } from '@/work/setPages';
import type { SetGiven } from './handedOf';
import { hiddenHost } from './hiddenHost';
import { theEngine } from './tab/engine';
import { theSetFiles } from './tab/setFiles';
import { useLatestTask } from './useLatestTask';
import type { SetPages } from './useSetPage';

export type { LostOnPage } from '@/engine/page/lostOnPages';

const openPages = (files: Parameters<ReturnType<typeof theEngine>['openPages']>[0]) =>
  theEngine().openPages(files);

/** Widths that contrast is measured at, px. */
const measuredAt = [1280, 768, 360] as const;

/** What was found out of the words of a set's pages. */
export interface WordsMeasured extends WordsOnPages {
  /** Pages beyond those that are measured. */
  readonly pagesLeft: number;
}

export interface LostContrast {
  /** Undefined while they are measured, and before. */
  readonly found: WordsMeasured | undefined;
  readonly running: boolean;
  /** Why they could not be measured. */
  readonly problem: string | undefined;
}

/** Pages that are measured, at most. */
const mostMeasured = 12;

type Pages = readonly OpenedPage[];

const pairsOf = (before: Pages, after: Pages) =>
  before.slice(0, mostMeasured).flatMap(({ page }, i) => {
    const now = after[i]?.page;
    return now ? [{ before: page, after: now }] : [];
  });

async function measured(
  before: Pages,
  after: Pages,
  wanted: () => boolean,
): Promise<WordsMeasured | undefined> {
  const host = hiddenHost();
  try {
    const found = await lostOnPages(host, {
      pages: pairsOf(before, after),
      screens: measuredAt,
      compare: (was, is) => theEngine().bulk.compare(was, is),
      wanted,
    });
    return found && { ...found, pagesLeft: Math.max(0, before.length - mostMeasured) };
  } finally {
    host.remove();
  }
}

const nothing: WordsMeasured = { lost: [], unread: 0, pagesLeft: 0 };

/**
 * Words that a set's pages lose as they will be handed over. A set without anything to lay out
 * loses none.
 */
export async function lostOfSet({ set, files, followed }: SetGiven): Promise<WordsMeasured> {
  const before = await pagesOfSet(theSetFiles(), set, openPages).catch((): Pages => []);
  if (before.length === 0) {
    return nothing;
  }
  const after = await pagesRecoloured(theSetFiles(), set, files, followed, openPages);
  return (await measured(before, after, () => true)) ?? nothing;
}

function useMeasured(
  key: unknown,
  before: () => Promise<Pages>,
  after: () => Promise<Pages>,
  rest = 0,
): LostContrast {
  const { value, current, running } = useLatestTask<Omit<LostContrast, 'running'>>(
    key,
    notYet,
    async ({ update, isCurrent }) => {
      try {
        const old = await before();
        // Where there is no page nothing is said of words.
        const found = old.length > 0 ? await measured(old, await after(), isCurrent) : undefined;
        update(() => ({ ...notYet, found }));
      } catch (error) {
        const problem = wordsOf(error);
        update(() => ({ ...notYet, problem }));
      }
    },
    { oneAtATime: true, debounceMs: rest },
  );
  return { ...(key !== undefined && current ? value : notYet), running };
}

/**
 * Measuring keeps the thread for moments at a time, which who is still changing a recipe would feel:
 * it begins once nothing has changed for so long, ms.
 */
const untilAtRest = 1200;

const notYet = { found: undefined, problem: undefined };

/**
 * Words of a set's pages that could be read before and cannot any more, measured anew whenever all
 * of its files are written.
 */
export function useLostContrast({ before, after, whole }: SetPages): LostContrast {
  const key = useMemo(
    () => (whole && after ? { before, after } : undefined),
    [before, after, whole],
  );
  return useMeasured(
    key,
    async () => before,
    async () => after!,
    untilAtRest,
  );
}

/** The same of the theme among the files of a hand-over. */
export function useLostInHandOver(set: PieceSet | null, made: HandOver | undefined): LostContrast {
  const files: readonly HandedFile[] | undefined = made?.files;
  const key = useMemo(
    () => (set && files && isActive(set.recipe) ? { set, files } : undefined),
    [set, files],
  );
  return useMeasured(
    key,
    () => pagesOfSet(theSetFiles(), set!, openPages).catch((): Pages => []),
    () => openPages(setFilesAmong(set!, files!)),
  );
}
