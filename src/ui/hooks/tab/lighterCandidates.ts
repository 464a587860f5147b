'use client';

import { lazily } from '@/core/lazily';
import { LighterCandidates } from '@/work/lighterCandidates';
import { theSearches } from './searches';

/** What ways to a lighter file would come to. */
export const theLighterCandidates = lazily(() => new LighterCandidates(theSearches()));
