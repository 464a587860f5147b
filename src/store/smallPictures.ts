import type { SmallKind } from '@/core/shelf/small';
import type { Database } from './database';

const keyOf = (assetId: string, kind: SmallKind): string => `${assetId}/${kind}`;

/** A picture made small; undefined where it was not yet. */
export const smallPicture = async (
  db: Database,
  assetId: string,
  kind: SmallKind,
): Promise<Blob | undefined> => (await db.small.get(keyOf(assetId, kind)))?.file;

export async function putSmallPicture(
  db: Database,
  assetId: string,
  kind: SmallKind,
  file: Blob,
): Promise<void> {
  await db.small.put({ key: keyOf(assetId, kind), file });
}
