'use client';

import { Standing } from '@/work/standing';
import { lazily } from '@/core/lazily';

/** Whether all that was done in this tab is on the disk. */
export const theStanding = lazily(() => new Standing());
