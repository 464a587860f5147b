import type { Site } from '@/core/site/model/site';
import { readSite } from '@/core/site/schema';
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
