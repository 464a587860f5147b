import type { PackedFile } from '@/core/files/unzip';
import { assetId } from './assets';
import type { Database } from './database';

/**
 * Stores many files at once, each under its SHA-256 and each once.
 * @returns their ids in the order of the files
 */
export async function putAssets(
  db: Database,
  files: readonly Pick<PackedFile, 'bytes'>[],
): Promise<string[]> {
  const ids = await Promise.all(files.map((f) => assetId(f.bytes)));
  await db.transaction('rw', db.assets, async () => {
    const there = new Set(
      await db.assets
        .where('id')
        .anyOf([...new Set(ids)])
        .primaryKeys(),
    );
    await db.assets.bulkPut([
      ...new Map(
        files.flatMap((f, i) =>
          there.has(ids[i]) ? [] : [[ids[i], { id: ids[i], bytes: f.bytes }] as const],
        ),
      ).values(),
    ]);
  });
  return ids;
}
