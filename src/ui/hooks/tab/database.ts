'use client';

import { Database } from '@/store/database';
import { tabsOf } from '@/store/tabs';
import { once } from './once';

export const theDatabase = once(() => new Database());

/** What tabs tell each other of their sites. */
export const theTabs = once(() => tabsOf(theDatabase().name));
