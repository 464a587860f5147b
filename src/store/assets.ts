import { LRUCache } from 'lru-cache';
import { Refusal } from '@/core/refusal';
import type { AssetRow, Database } from './database';
import { whilePutting } from './fileTurns';

const hex = (bytes: Uint8Array): string =>
  Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');

/** SHA-256 of bytes, hex. */
export const assetId = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
  hex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes)));

/**
 * Files that were written or read of late, bytes, so that a store that is cleared underneath can be
 * filled again as far as they reach.
 */
const recent = new LRUCache<string, Uint8Array<ArrayBuffer>>({
  maxSize: 48e6,
  sizeCalculation: (bytes) => Math.max(1, bytes.length),
});

/** Those that were put in here, since what is being made of them may not name them yet. */
const put = new Set<string>();

export const putHere: ReadonlySet<string> = put;

/** Those of the files named that are still at hand. */
export const recentAssets = (ids: readonly string[]): AssetRow[] =>
  ids.flatMap((id) => {
    const bytes = recent.get(id);
    return bytes ? [{ id, bytes }] : [];
  });

/** Stores bytes once, under their SHA-256, and returns that. */
export async function putAsset(db: Database, bytes: Uint8Array<ArrayBuffer>): Promise<string> {
  const id = await assetId(bytes);
  recent.set(id, bytes);
  put.add(id);
  await whilePutting(db, async () => {
    if ((await db.assets.where('id').equals(id).count()) === 0) {
      await db.assets.put({ id, bytes });
    }
  });
  return id;
}

/**
 * Stores many files at once, each under its SHA-256 and each once.
 * @returns their ids in the order of the files
 */
export async function putAssets(
  db: Database,
  files: readonly { readonly bytes: Uint8Array<ArrayBuffer> }[],
): Promise<string[]> {
  const ids = await Promise.all(files.map((f) => assetId(f.bytes)));
  ids.forEach((id) => put.add(id));
  const rows = new Map(files.map(({ bytes }, i) => [ids[i], { id: ids[i], bytes }]));
  await whilePutting(db, () =>
    db.transaction('rw', db.assets, async () => {
      const there = await db.assets
        .where('id')
        .anyOf([...rows.keys()])
        .primaryKeys();
      there.forEach((id) => rows.delete(id));
      await db.assets.bulkPut([...rows.values()]);
    }),
  );
  return ids;
}

/** @throws Error when nothing is stored under that id */
export async function assetBytes(db: Database, id: string): Promise<Uint8Array<ArrayBuffer>> {
  const row = await db.assets.get(id);
  const bytes = row?.bytes ?? recent.get(id);
  if (!bytes) {
    throw new Refusal('The photo of this layer is not in this browser any more.');
  }
  recent.set(id, bytes);
  return bytes;
}
