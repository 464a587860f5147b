'use client';

import { Database } from '@/store/database';
import { tabsOf } from '@/store/tabs';
import { lazily } from '@/core/lazily';

export const theDatabase = lazily(() => new Database());

/** What tabs tell each other of their sites. */
export const theTabs = lazily(() => tabsOf(theDatabase().name));
