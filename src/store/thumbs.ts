import type { Database } from './database';

const keyOf = (siteId: string, slotId: string): string => `${siteId}/${slotId}`;

/**
 * The last drawing of a slot's picture; `drawing` is the key it was drawn for, which may be an
 * older state.
 */
export const thumbOf = (db: Database, siteId: string, slotId: string) =>
  db.thumbs.get(keyOf(siteId, slotId));

export async function putThumb(
  db: Database,
  siteId: string,
  slotId: string,
  drawing: string,
  png: Blob,
): Promise<void> {
  await db.thumbs.put({ key: keyOf(siteId, slotId), drawing, png, at: Date.now() });
}
