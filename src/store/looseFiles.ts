import type { Database } from './database';

/** A SHA-256, hex, anywhere in a text. */
const ids = /(?<![0-9a-f])[0-9a-f]{64}(?![0-9a-f])/g;

/** Adds every file's id that is named anywhere in a value, whatever the value is. */
export function addNamed(value: unknown, named: Set<string>): void {
  if (typeof value === 'string') {
    for (const [id] of value.matchAll(ids)) {
      named.add(id);
    }
  } else if (typeof value === 'object' && value !== null && !ArrayBuffer.isView(value)) {
    for (const [key, part] of Object.entries(value)) {
      addNamed(key, named);
      addNamed(part, named);
    }
  }
}

/**
 * Ids of the files that no site and no step of a history names. Sites are not read by their schema:
 * one of a version that cannot be read keeps its files too.
 */
async function looseIn(db: Database, held: ReadonlySet<string>): Promise<string[]> {
  const there = (await db.assets.toCollection().primaryKeys()) as string[];
  const named = new Set<string>(held);
  // One row at a time: a history may be longer than what should be in memory at once.
  await db.sites.each((row) => addNamed(row, named));
  await db.history.each((step) => addNamed(step, named));
  return there.filter((id) => !named.has(id));
}

/**
 * Takes files out that nothing names any more: of sites that were removed, of steps that a history
 * forgot, of pictures that were read and not used after all. Their small pictures go with them.
 *
 * @param held those that are named outside the database
 * @returns how many went
 */
export async function removeLoose(db: Database, held: () => ReadonlySet<string>): Promise<number> {
  const stores = [db.sites, db.history, db.assets];
  // Mostly there are none, and nobody has to wait with writing for that to be found out.
  if ((await db.transaction('r', stores, () => looseIn(db, held()))).length === 0) {
    return 0;
  }
  return db.transaction('rw', [...stores, db.small], async () => {
    const loose = await looseIn(db, held());
    await db.assets.bulkDelete(loose);
    await db.small
      .where('key')
      .startsWithAnyOf(loose.map((id) => `${id}/`))
      .delete();
    return loose.length;
  });
}
