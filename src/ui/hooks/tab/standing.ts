'use client';

import { Standing } from '@/work/standing';
import { once } from './once';

/** Whether all that was done in this tab is on the disk. */
export const theStanding = once(() => new Standing());
