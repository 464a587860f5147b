'use client';

import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { OwnPlace } from '@/core/site/model/ownPage';
import { notLaid, PageView, type LaidPage } from '@/engine/page/pageView';
import type { ShownPage } from './usePageFrame';

export type { LaidPage, PageView } from '@/engine/page/pageView';

const nothing = createStore<LaidPage>(() => notLaid);

/**
 * A page that is shown, with a slot's picture lying in it at a width of the screen.
 * @param key of the file that the picture takes the place of
 * @param width of the slot's picture, and its height, px
 * @param lying changes with how pictures are laid otherwise than by the page
 */
export function usePageView(
  shown: ShownPage | undefined,
  place: OwnPlace,
  key: string | undefined,
  { width, height }: { readonly width: number; readonly height: number },
  screenWidth: number,
  lying: string,
): { view: PageView | undefined; laid: LaidPage } {
  const [opened, setOpened] = useState<PageView>();
  useEffect(() => {
    if (!shown) {
      return;
    }
    const made = new PageView(shown.frame, shown.survey, {
      place,
      target: { key, selector: place.selector },
      file: { width, height },
    });
    let current = true;
    void Promise.resolve().then(() => current && setOpened(made));
    return () => {
      current = false;
      setOpened(undefined);
      made.close();
    };
  }, [shown, place, key, width, height]);
  const view = shown && opened;
  useEffect(() => void view?.show(screenWidth), [view, screenWidth, lying]);
  return { view, laid: useStore(view?.state ?? nothing) };
}
