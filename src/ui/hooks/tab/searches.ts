'use client';

import { keepSearch, searchOf } from '@/store/searches';
import { Searches } from '@/work/searches';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** Searches for the lightest file. */
export const theSearches = lazily(() => {
  const { pixels, search, patches, bulk } = theEngine();
  return new Searches({
    pixels,
    resize: bulk.resize,
    search,
    patches,
    recall: (key) => searchOf(theDatabase(), key),
    keep: (key, found) => keepSearch(theDatabase(), key, found),
    now: () => Date.now(),
  });
});
