'use client';

import { Tries } from '@/work/tries';
import { theFiles } from './files';
import { once } from './once';

/** What mends would come to. */
export const theTries = once(() => new Tries(theFiles()));
