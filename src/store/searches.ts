import type { Database, SearchRow } from './database';
import { forgetOldest, keyOf } from './byAge';

/** Older searches are forgotten beyond so many bytes of files. */
const mostBytes = 96e6;

/**
 * Keeps what a search found of one state of a picture, in place of what an earlier one found of it.
 * @param state text that is equal for states in which the same files would be written
 */
export async function keepSearch(
  db: Database,
  state: string,
  found: Omit<SearchRow, 'key' | 'bytes'>,
): Promise<void> {
  const key = await keyOf(state);
  const bytes = found.tried.reduce((sum, t) => sum + t.data.length, 0);
  await db.transaction('rw', db.searches, async () => {
    await db.searches.put({ ...found, key, bytes });
    await forgetOldest(db.searches, mostBytes, key);
  });
}

export const searchOf = async (db: Database, state: string): Promise<SearchRow | undefined> =>
  db.searches.get(await keyOf(state));
