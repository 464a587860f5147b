'use client';

import { keepWritten, writtenOf } from '@/store/written';
import { PictureFiles } from '@/work/pictureFiles';
import { built } from './built';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** The pictures as files. Another build of the program may write them otherwise. */
export const theFiles = lazily(
  () =>
    new PictureFiles(theEngine(), {
      recall: (key) => writtenOf(theDatabase(), `${built} ${key}`),
      keep: (key, siteId, file) =>
        keepWritten(theDatabase(), `${built} ${key}`, { ...file, siteId, at: Date.now() }),
    }),
);
