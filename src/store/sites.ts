import { readSite } from '@/core/site/schema';
import type { Site } from '@/core/site/model/site';
import type { Database } from './database';

/** Adds a site with an empty history. @throws DexieError when its id is taken */
export async function addSite(db: Database, site: Site, now: number): Promise<void> {
  await db.sites.add({ id: site.id, site: readSite(site), revision: 1, cursor: 0, changedAt: now });
}

/** A site as it is stored, or why it cannot be read; what cannot be read is kept all the same. */
export type ListedSite =
  { readonly id: string; readonly site: Site } | { readonly id: string; readonly problem: string };

/** Newest first. */
export async function listSites(db: Database): Promise<ListedSite[]> {
  return (await db.sites.orderBy('changedAt').reverse().toArray()).map((row) => {
    try {
      return { id: row.id, site: readSite(row.site) };
    } catch (error) {
      return { id: row.id, problem: error instanceof Error ? error.message : String(error) };
    }
  });
}

/**
 * Removes a site with its history, drawings and searches; photos stay, since other sites may use
 * them.
 */
export async function removeSite(db: Database, id: string): Promise<void> {
  await db.transaction(
    'rw',
    db.sites,
    db.history,
    db.thumbs,
    db.rehearsals,
    db.searches,
    async () => {
      await db.sites.delete(id);
      await db.history.where('siteId').equals(id).delete();
      await db.thumbs.where('key').startsWith(`${id}/`).delete();
      await db.rehearsals.delete(id);
      await db.searches.where('siteId').equals(id).delete();
    },
  );
}
