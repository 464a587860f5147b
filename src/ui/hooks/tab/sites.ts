'use client';

import { OpenSites } from '@/work/openSites';
import { siteStore } from '@/store/siteStore';
import { say } from '../../shared/notices';
import { theDatabase, theTabs } from './database';
import { later } from './later';
import { lazily } from '@/core/lazily';
import { theStanding } from './standing';

/** The sites that are open in this tab. */
export const theSites = lazily(
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
