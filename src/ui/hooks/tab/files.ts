'use client';

import { PictureFiles } from '@/work/pictureFiles';
import { theEngine } from './engine';
import { once } from './once';

/** The pictures as files. */
export const theFiles = once(() => new PictureFiles(theEngine()));
