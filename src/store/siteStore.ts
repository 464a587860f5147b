import type { SiteFound, SiteStore, SiteWrite } from '@/core/site/siteStore';
import { assetsOf } from '@/core/site/assets';
import { recentAssets } from './assets';
import type { Database, SiteRow, StepRow } from './database';
import { problemOf } from './problem';
import type { Tabs } from './tabs';

/** Rows of versions before stamps are told by their count of writes. */
const stampOf = (row: SiteRow): string => row.stamp ?? `revision ${row.revision}`;

const stepsOf = (db: Database, siteId: string): Promise<StepRow[]> =>
  db.history.where('siteId').equals(siteId).sortBy('seq');

async function find(db: Database, siteId: string, known?: string): Promise<SiteFound> {
  const row = await db.sites.get(siteId);
  if (!row) {
    const removed = (await db.removed.get(siteId)) !== undefined;
    return { presence: removed ? 'removed' : 'cleared', row: undefined, steps: undefined };
  }
  const stamp = stampOf(row);
  const steps = stamp === known ? undefined : await stepsOf(db, siteId);
  return { presence: 'there', row: { site: row.site, cursor: row.cursor, stamp }, steps };
}

async function put(db: Database, siteId: string, write: SiteWrite): Promise<void> {
  const { site, cursor, stamp, changedAt, dropFrom, forgetBelow, add } = write;
  const bySeq = db.history.where('[siteId+seq]');
  await bySeq.between([siteId, dropFrom], [siteId, Infinity], true, true).delete();
  await bySeq.between([siteId, -Infinity], [siteId, forgetBelow], true, false).delete();
  await db.history.bulkPut(add.map((step) => ({ ...step, siteId }) as StepRow));
  await db.sites.put({ id: siteId, site, cursor, stamp, changedAt });
  await db.removed.delete(siteId);
}

/** Sites in the browser's database, as sessions want them. */
export function siteStore(db: Database, tabs: Tabs): SiteStore {
  const tables = [db.sites, db.history, db.removed, db.assets];
  return {
    async find(siteId) {
      try {
        return await db.transaction('r', tables, () => find(db, siteId));
      } catch (error) {
        throw problemOf(error);
      }
    },
    async write(siteId, known, change) {
      let written = false;
      try {
        await db.transaction('rw', tables, async () => {
          const found = await find(db, siteId, known);
          const write = change(found);
          if (!write) {
            return;
          }
          await put(db, siteId, write);
          if (found.presence === 'cleared') {
            // What went with the site, as far as it is still at hand.
            await db.assets.bulkPut(recentAssets(assetsOf(write.site)));
          }
          written = true;
        });
      } catch (error) {
        throw problemOf(error);
      }
      if (written) {
        tabs.announce(siteId);
      }
    },
    watch(siteId, changed) {
      const stops = [tabs.listen(siteId, changed), db.whenClosed(changed)];
      return () => stops.forEach((stop) => stop());
    },
  };
}
