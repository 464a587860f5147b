import { LRUCache } from 'lru-cache';
import { Refusal } from '@/core/refusal';
import type { AssetRow, Database } from './database';

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
  if ((await db.assets.where('id').equals(id).count()) === 0) {
    await db.assets.put({ id, bytes });
  }
  return id;
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
