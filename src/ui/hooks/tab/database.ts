'use client';

import { live } from '@/engine/tabLife';
import { Database } from '@/store/database';
import { tabsOf } from '@/store/tabs';
import { lazily } from '@/core/lazily';

export const theDatabase = lazily(() => {
  // Who uses it is known to the other tabs.
  void live();
  return new Database();
});

/** What tabs tell each other of their sites. */
export const theTabs = lazily(() => tabsOf(theDatabase().name));
