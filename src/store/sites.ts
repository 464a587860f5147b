import { readSite } from '@/core/site/schema';
import type { Site } from '@/core/site/model';
import type { Database } from './database';

/** Adds a site with an empty history. @throws DexieError when its id is taken */
export async function addSite(db: Database, site: Site, now: number): Promise<void> {
  await db.sites.add({ id: site.id, site: readSite(site), revision: 1, cursor: 0, changedAt: now });
}

/** Newest first. */
export async function listSites(db: Database): Promise<Site[]> {
  return (await db.sites.orderBy('changedAt').reverse().toArray()).map((row) => row.site);
}

/** Removes a site with its history and drawings; photos stay, since other sites may use them. */
export async function removeSite(db: Database, id: string): Promise<void> {
  await db.transaction('rw', db.sites, db.history, db.thumbs, async () => {
    await db.sites.delete(id);
    await db.history.where('siteId').equals(id).delete();
    await db.thumbs.where('key').startsWith(`${id}/`).delete();
  });
}
