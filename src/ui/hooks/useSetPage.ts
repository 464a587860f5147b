'use client';

import { useEffect, useLayoutEffect, useMemo, useRef, useState, type RefObject } from 'react';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { OpenedPage } from '@/core/ownPage/openPages';
import { isActive } from '@/core/recolour/activeSteps';
import { wordsOf } from '@/core/refusal';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import { pageColoursOf, type PageColours } from '@/core/set/harmonyOnSheets';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { openPageFrame, type PageFrame } from '@/engine/page/frame';
import { PageTaken } from '@/engine/page/frameDocument';
import type { SheetTexts } from '@/engine/page/restyle';
import { pagesOfSet, pagesRecoloured } from '@/work/setPages';
import { hiddenHost } from './hiddenHost';
import { sayNotShown } from './sayNotShown';
import { theEngine } from './tab/engine';
import { theSetFiles } from './tab/setFiles';
import { useLatestTask } from './useLatestTask';
import type { SetWriting } from './usePieceSet';

export interface SetPages {
  readonly before: readonly OpenedPage[];
  /** Undefined until the recipe has been laid on them once. */
  readonly after: readonly OpenedPage[] | undefined;
  /** `after` has every file as it will be handed over. */
  readonly whole: boolean;
  /** Something is laid on them. */
  readonly active: boolean;
  readonly problem: string | undefined;
}

const openPages = (files: Parameters<ReturnType<typeof theEngine>['openPages']>[0]) =>
  theEngine().openPages(files);

/** The same for the same files. */
const filesKey = ({ pieces, sheets, others }: PieceSet): string =>
  [...pieces, ...sheets, ...others].map((f) => f.assetId).join(' ');

/** The pages of a set, as they came and as they become; those of a moment ago meanwhile. */
export function useSetPages(
  set: PieceSet,
  written: SetWriting,
  followed: RecolouredSheets | undefined,
): SetPages {
  const key = filesKey(set);
  const { value: before } = useLatestTask<{ pages: readonly OpenedPage[]; problem?: string }>(
    key,
    { pages: [] },
    async ({ update }) => {
      try {
        const pages = await pagesOfSet(theSetFiles(), set, openPages);
        update(() => ({ pages }));
      } catch (error) {
        update(() => ({ pages: [], problem: wordsOf(error) }));
      }
    },
  );
  const active = isActive(set.recipe);
  const { files, whole } = written;
  const laid = useMemo(
    () => (active && followed ? { set, files, followed, whole } : undefined),
    [active, set, files, followed, whole],
  );
  const { value: after, current } = useLatestTask<readonly OpenedPage[] | undefined>(
    laid,
    undefined,
    async ({ update }) => {
      const pages = await pagesRecoloured(
        theSetFiles(),
        laid!.set,
        laid!.files,
        laid!.followed,
        openPages,
      );
      update(() => pages);
    },
    // Style sheets are seen at once, on the page that is there.
    { debounceMs: 350, keepPrevious: true, oneAtATime: true },
  );
  return {
    before: before.pages,
    after: active ? after : before.pages,
    active,
    whole: active && current && whole,
    problem: before.problem,
  };
}

/** The width that colours of a page are looked at by, px. */
const lookedAt = 1280;

/**
 * The colours of a set's first page by what they are for; undefined while it is looked at, null
 * where a set has nothing to lay out.
 */
export function useSetColours(set: PieceSet): PageColours | null | undefined {
  const { value } = useLatestTask<PageColours | null | undefined>(
    filesKey(set),
    undefined,
    async ({ update }) => {
      const pages = await pagesOfSet(theSetFiles(), set, openPages).catch(() => []);
      if (pages.length === 0) {
        update(() => null);
        return;
      }
      const host = hiddenHost();
      try {
        const frame = await openPageFrame(host, pages[0].page);
        const { look } = await frame.survey([lookedAt], theEngine().readRules);
        frame.close();
        update(() => pageColoursOf(look));
      } catch (error) {
        // Where its page is shown, why is said there.
        wordsOf(error);
        update(() => null);
      } finally {
        host.remove();
      }
    },
  );
  return value;
}

/** A page as it is seen. */
interface ShownFrame {
  readonly frame: PageFrame;
  /** Which of the pages it is. */
  readonly of: string | undefined;
  /** Of the page, px. */
  readonly height: number;
}

/**
 * A page in a place, at a width; the one before stays until the next can be seen.
 * @param of which of the pages it is
 * @param dress texts of its style sheets as they came, and those that it is shown with: of what
 * changes they come first
 * @returns its frame once it is laid out, and how high it is, px
 */
export function useSetFrame(
  place: RefObject<HTMLElement | null>,
  page: FrozenPage | undefined,
  of: string | undefined,
  width: number,
  dark: boolean,
  dress?: { readonly came: SheetTexts['came']; readonly texts: SheetTexts | undefined },
): ShownFrame | undefined {
  const [shown, setShown] = useState<ShownFrame>();
  const [opened, setOpened] = useState<Omit<ShownFrame, 'height'>>();
  const [tries, setTries] = useState(0);
  /** All that are in the place, the newest last. */
  const all = useRef<PageFrame[]>([]);
  const came = useRef(dress?.came);
  useEffect(() => {
    came.current = dress?.came;
  });
  useEffect(() => {
    if (!page) {
      return;
    }
    const given = new AbortController();
    const open = async () => {
      const made = await openPageFrame(place.current!, page, given.signal);
      made.element.style.position = 'absolute';
      made.element.style.visibility = 'hidden';
      all.current.push(made);
      if (came.current) {
        // What cannot be read there is read once it is needed.
        await made.readySheets(came.current, theEngine().layingPatches).catch(() => {});
      }
      setOpened({ frame: made, of });
    };
    open().catch((error: unknown) => {
      if (!(error instanceof PageTaken)) {
        sayNotShown(error, () => setTries((n) => n + 1));
      }
    });
    return () => given.abort();
  }, [place, page, of, tries]);
  useEffect(() => {
    if (!opened) {
      return;
    }
    const { frame } = opened;
    let current = true;
    frame.scheme(dark ? 'dark' : 'light');
    void frame.show(width).then(() => {
      if (!current) {
        return;
      }
      frame.element.style.visibility = 'visible';
      for (const other of all.current.splice(0, all.current.indexOf(frame))) {
        other.close();
      }
      setShown({ ...opened, height: frame.height() });
    });
    return () => {
      current = false;
    };
  }, [opened, width, dark]);
  // That of another page is about to go.
  const seen = shown?.of === of ? shown?.frame : undefined;
  const texts = dress?.texts;
  // Before the screen is painted again.
  useLayoutEffect(() => {
    // What cannot be shown so at once comes with the files.
    seen?.restyle(texts);
  }, [seen, texts]);
  useEffect(() => {
    const left = all.current;
    return () => left.splice(0).forEach((one) => one.close());
  }, []);
  return shown;
}
