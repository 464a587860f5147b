import { forgetOldest, keyOf } from './byAge';
import type { Database, WrittenRow } from './database';

/** Older files are written again when they are asked for, beyond so many bytes. */
const mostBytes = 96e6;

/**
 * Keeps the file of one state of a picture, whichever site it is of.
 * @param state text that is equal for states that are written alike
 */
export async function keepWritten(
  db: Database,
  state: string,
  written: Omit<WrittenRow, 'key' | 'bytes'>,
): Promise<void> {
  const key = await keyOf(state);
  await db.transaction('rw', db.written, async () => {
    await db.written.put({ ...written, key, bytes: written.data.length });
    await forgetOldest(db.written, mostBytes, key);
  });
}

export const writtenOf = async (db: Database, state: string): Promise<WrittenRow | undefined> =>
  db.written.get(await keyOf(state));
