'use client';

import { OpenSites } from '@/work/openSites';
import { siteStore } from '@/store/siteStore';
import { notify } from '../../shared/notices';
import { theDatabase, theTabs } from './database';
import { later } from './later';
import { lazily } from '@/core/lazily';
import { theSaveStatus } from './saveStatus';

/** The sites that are open in this tab. */
export const theSites = lazily(
  () =>
    new OpenSites(
      {
        store: siteStore(theDatabase(), theTabs()),
        now: () => Date.now(),
        newId: () => crypto.randomUUID(),
        later,
        tell: (words) => notify('bad', words),
      },
      theSaveStatus(),
    ),
);
