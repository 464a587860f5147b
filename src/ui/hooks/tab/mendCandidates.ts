'use client';

import { MendCandidates } from '@/work/mendCandidates';
import { theFiles } from './files';
import { lazily } from '@/core/lazily';

/** What mends would come to. */
export const theMendCandidates = lazily(() => new MendCandidates(theFiles()));
