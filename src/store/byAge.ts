import type { EntityTable } from 'dexie';
import { assetId } from './assets';

interface Aged {
  readonly key: string;
  /** When it was written, ms since 1970. */
  readonly at: number;
  /** Of its files together. */
  readonly bytes: number;
}

/** The key of a row: SHA-256 of a text that tells what it depends on. */
export const keyOf = (state: string): Promise<string> => assetId(new TextEncoder().encode(state));

/**
 * Forgets the oldest rows of a table beyond so many bytes; its index is `[at+bytes]`.
 * @param stays key of a row that stays in any case
 */
export async function forgetOldest<T extends Aged>(
  table: EntityTable<T, 'key'>,
  mostBytes: number,
  stays: string,
): Promise<void> {
  // Sizes and keys come from the index: no file is read for them.
  const byAge = table.orderBy('[at+bytes]').reverse();
  const sizes = (await byAge.keys()) as unknown as [number, number][];
  const keys = (await byAge.primaryKeys()) as string[];
  let total = 0;
  const old = keys.filter((key, i) => {
    total += sizes[i][1];
    return total > mostBytes && key !== stays;
  });
  await table.bulkDelete(old as never[]);
}
