import Dexie from 'dexie';
import { StoreError, type StoreFailure } from '@/core/site/siteStore';

const nameOf = (error: unknown): unknown => (error as { name?: unknown } | null)?.name;

function whyOf(error: unknown): StoreFailure {
  const names = [nameOf(error), nameOf((error as { inner?: unknown } | null)?.inner)];
  if (names.includes('QuotaExceededError')) {
    return 'full';
  }
  const closed = [Dexie.errnames.DatabaseClosed, 'DatabaseClosedError', 'InvalidStateError'];
  return names.some((name) => closed.includes(String(name))) ? 'closed' : 'other';
}

const words: Readonly<Record<StoreFailure, string>> = {
  full: 'The browser gives no more room on this disk.',
  closed: 'The browser closed its storage.',
  other: 'The browser’s storage refused it.',
};

/** What went wrong in the database, as sessions are told; errors of others stay as they are. */
export function problemOf(error: unknown): unknown {
  const isOfStore =
    error instanceof Dexie.DexieError ||
    (typeof DOMException !== 'undefined' && error instanceof DOMException);
  if (!isOfStore) {
    return error;
  }
  const why = whyOf(error);
  return new StoreError(why, words[why], { cause: error });
}
