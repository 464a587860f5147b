'use client';

import { useEffect } from 'react';
import type { Rect } from '@/core/raster/raster';
import { useStore } from 'zustand';
import { unsearched, subjectKey, type SearchState, type Subject } from '@/work/searches';
import { theEngine } from './tab/engine';
import { theSearches } from './tab/searches';
import { useLatestTask } from './useLatestTask';

export { aimKey, bestCandidate, type Candidate, type SearchState as Found } from '@/work/searches';

/** Everything that was found out about a picture as it is now. */
export function useSearchState(subject: Subject): SearchState {
  const searches = theSearches();
  const key = subjectKey(subject);
  useEffect(() => {
    void searches.recall(key);
  }, [searches, key]);
  return useStore(searches.state, (s) => s.byState.get(key) ?? unsearched);
}

/**
 * Works out what the levels of care mean for a picture.
 * @param words where they lie in the slot; undefined while that is not known, and it is to wait
 */
export function usePatches(subject: Subject, words: readonly Rect[] | undefined): void {
  useLatestTask(words && subjectKey(subject), undefined, ({ isCurrent }) =>
    theSearches().findPatches(subject, words ?? [], isCurrent),
  );
}

/** Starts the workers that search ahead of need. */
export function useWarmSearch(): void {
  useEffect(() => {
    theEngine().warmSearch();
  }, []);
}

export const searchNow = (subject: Subject) => theSearches().search(subject);
export const stopSearch = (subject: Subject) => theSearches().stop(subject);
