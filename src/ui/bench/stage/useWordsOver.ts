'use client';

import { useEffect } from 'react';
import { offeredColours } from '@/core/readings/survey';
import { theEngine } from '../../hooks/tab/engine';
import type { LaidPage, PageView } from '../../hooks/usePageView';
import { useAsking, useEditing, useFiled, usePageWords, useShowing } from '../useBench';

/**
 * Words are measured once picture and page have rested for so long, ms. Reading a page keeps the tab
 * busy: while nobody asks, that waits until the hand has rested too.
 */
const rest = { asked: 350, unasked: 1500 } as const;

/**
 * Measures the words of the page over the picture whenever both have come to rest.
 * @param lying changes with how pictures are laid and words are coloured otherwise than by the page
 */
export function useWordsOver(view: PageView | undefined, laid: LaidPage, lying: string): void {
  const { site, picture } = useEditing();
  const { encodedFile } = useFiled();
  const { showing } = useShowing();
  const { tell } = usePageWords();
  const asked = useAsking().question === 5;
  const { theme } = site;
  const ready = encodedFile.current && showing !== 'before' && showing !== 'difference';
  useEffect(() => {
    if (!view || !ready || !laid.picture) {
      return;
    }
    let current = true;
    const measure = async () => {
      const found = await view.words();
      const report =
        found && current && (await theEngine().bulk.words(found.seen, offeredColours({ theme })));
      if (found && report && current) {
        tell(picture, report, found.top);
      }
    };
    const timer = setTimeout(
      () => {
        // A page that cannot be read has no reading of its words.
        measure().catch(() => {});
      },
      asked ? rest.asked : rest.unasked,
    );
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [view, laid, lying, picture, theme, ready, asked, tell]);
}
