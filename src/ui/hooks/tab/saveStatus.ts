'use client';

import { SaveStatus } from '@/work/saveStatus';
import { lazily } from '@/core/lazily';

/** Whether all that was done in this tab is on the disk. */
export const theSaveStatus = lazily(() => new SaveStatus());
