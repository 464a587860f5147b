'use client';

import { lazily } from '@/core/lazily';
import { WaysDown } from '@/work/waysDown';
import { theSearches } from './searches';

/** What ways to a lighter file would come to. */
export const theWaysDown = lazily(() => new WaysDown(theSearches()));
