import type { Database, RehearsalRow } from './database';

export const rehearsalOf = (db: Database, siteId: string): Promise<RehearsalRow | undefined> =>
  db.rehearsals.get(siteId);

export async function putRehearsal(db: Database, row: RehearsalRow): Promise<void> {
  await db.rehearsals.put(row);
}

export const forgetRehearsal = (db: Database, siteId: string): Promise<void> =>
  db.rehearsals.delete(siteId);
