'use client';

import { keepWritten, writtenOf } from '@/store/written';
import { PictureFiles } from '@/work/pictureFiles';
import { built } from './built';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

const stateOf = (key: string): string => `${built} pressed ${key}`;

/** The pictures as files. Another build of the program may write them otherwise. */
export const theFiles = lazily(
  () =>
    new PictureFiles(
      theEngine(),
      {
        async recall(key) {
          const { data, survey } = (await writtenOf(theDatabase(), stateOf(key))) ?? {};
          return data && survey && { data, survey };
        },
        keep: (key, file) => keepWritten(theDatabase(), stateOf(key), { ...file, at: Date.now() }),
      },
      // Few pictures were searched, and searching is large.
      async (subject) => (await import('./searches')).theSearches().written(subject),
    ),
);
