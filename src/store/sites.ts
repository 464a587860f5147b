import { readSite } from '@/core/site/schema';
import type { Site } from '@/core/site/model/site';
import type { Database } from './database';

/** Adds a site with an empty history. @throws DexieError when its id is taken */
export async function addSite(db: Database, site: Site, now: number): Promise<void> {
  const row = {
    id: site.id,
    site: readSite(site),
    stamp: `added ${now}`,
    cursor: 0,
    changedAt: now,
  };
  await db.transaction('rw', db.sites, db.removed, async () => {
    await db.sites.add(row);
    await db.removed.delete(site.id);
  });
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

/** A site as it is stored, whatever it is, as text that can be read and kept. */
export async function storedText(db: Database, id: string): Promise<string> {
  const row = await db.sites.get(id);
  const steps = await db.history.where('siteId').equals(id).sortBy('seq');
  return JSON.stringify({ ...row, steps }, null, 2);
}

/**
 * Removes a site with its history, drawings and searches; photos stay, since other sites may use
 * them.
 */
export async function removeSite(db: Database, id: string, now: number): Promise<void> {
  const tables = [db.sites, db.history, db.thumbs, db.rehearsals, db.searches, db.removed];
  await db.transaction('rw', tables, async () => {
    await db.removed.put({ siteId: id, at: now });
    await db.sites.delete(id);
    await db.history.where('siteId').equals(id).delete();
    await db.thumbs.where('key').startsWith(`${id}/`).delete();
    await db.rehearsals.delete(id);
    await db.searches.where('siteId').equals(id).delete();
  });
}
