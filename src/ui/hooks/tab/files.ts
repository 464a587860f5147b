'use client';

import { PictureFiles } from '@/work/pictureFiles';
import { theEngine } from './engine';
import { lazily } from '@/core/lazily';

/** The pictures as files. */
export const theFiles = lazily(() => new PictureFiles(theEngine()));
