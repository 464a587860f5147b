import type { Database } from './database';

/** A site's row as it lies there, unread. */
export interface StoredRow {
  readonly id: string;
  /** Differs with every write, and with every new list of its findings. */
  readonly stamp: string;
  /** When it was written, ms since 1970. */
  readonly changedAt: number;
  readonly site: unknown;
}

/** All rows of sites, newest first. */
export async function storedSites(db: Database): Promise<StoredRow[]> {
  const rows = await db.sites.orderBy('changedAt').reverse().toArray();
  const found = await db.findings.bulkGet(rows.map(({ id }) => id));
  return rows.map(({ id, stamp, revision, changedAt, site }, i) => ({
    id,
    stamp: `${stamp ?? revision} ${found[i]?.state ?? ''}`,
    changedAt,
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
 * Removes a site with its history, drawings and searches. Its files stay, since other sites may use
 * them, until those that nothing names are taken out.
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
