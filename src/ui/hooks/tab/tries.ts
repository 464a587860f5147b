'use client';

import { Tries } from '@/work/tries';
import { theFiles } from './files';
import { lazily } from '@/core/lazily';

/** What mends would come to. */
export const theTries = lazily(() => new Tries(theFiles()));
