import type { Database } from './database';

/** All rows of sites as they lie there, unread, newest first. */
export async function storedSites(
  db: Database,
): Promise<{ readonly id: string; readonly stamp: string; readonly site: unknown }[]> {
  const rows = await db.sites.orderBy('changedAt').reverse().toArray();
  return rows.map(({ id, stamp, revision, site }) => ({
    id,
    stamp: stamp ?? `${revision}`,
    site,
  }));
}

/** A site as it is stored, whatever it is, as text that can be read and kept. */
export async function storedText(db: Database, id: string): Promise<string> {
  const row = await db.sites.get(id);
  const steps = await db.history.where('siteId').equals(id).sortBy('seq');
  return JSON.stringify({ ...row, steps }, null, 2);
}

/**
 * Removes a site with its history, drawings and searches; photos stay, since other sites may use
 * them, and files of it go when they are old.
 */
export async function removeSite(db: Database, id: string, now: number): Promise<void> {
  const tables = [
    db.sites,
    db.history,
    db.thumbs,
    db.rehearsals,
    db.searches,
    db.findings,
    db.removed,
  ];
  await db.transaction('rw', tables, async () => {
    await db.removed.put({ siteId: id, at: now });
    await db.sites.delete(id);
    await db.history.where('siteId').equals(id).delete();
    await db.thumbs.where('key').startsWith(`${id}/`).delete();
    await db.rehearsals.delete(id);
    await db.searches.where('siteId').equals(id).delete();
    await db.findings.delete(id);
  });
}
