'use client';

import { OpenSites } from '@/work/openSites';
import { siteStore } from '@/store/siteStore';
import { say } from '../../shared/notices';
import { theDatabase, theTabs } from './database';
import { later } from './later';
import { once } from './once';
import { theStanding } from './standing';

/** The sites that are open in this tab. */
export const theSites = once(
  () =>
    new OpenSites(
      {
        store: siteStore(theDatabase(), theTabs()),
        now: () => Date.now(),
        newId: () => crypto.randomUUID(),
        later,
        tell: (words) => say('bad', words),
      },
      theStanding(),
    ),
);
