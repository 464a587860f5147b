'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { removeSite, storedSites, storedText } from '@/store/sites';
import type { ListedSite } from '@/work/siteCards';
import { theDatabase, theTabs } from './tab/database';
import { freeFiles } from './tab/looseFiles';
import { theSiteCards } from './tab/siteCards';
import { theSaveStatus } from './tab/saveStatus';

export type { ListedSite } from '@/work/siteCards';

/** All sites, newest first; undefined until they are read. */
export const useSites = (): ListedSite[] | undefined =>
  useLiveQuery(async () => theSiteCards().of(await storedSites(theDatabase())), []);

/** A stored site that cannot be read, as it is, to be kept as a file. */
export const unreadText = (id: string): Promise<string> => storedText(theDatabase(), id);

export async function deleteSite(id: string): Promise<void> {
  theSaveStatus().forget(id);
  await removeSite(theDatabase(), id, Date.now());
  theTabs().announce(id);
  void freeFiles();
}
