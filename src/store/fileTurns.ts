import type { Database } from './database';

const lockOf = (db: Database): string => `${db.name} files`;

/** Where there are none, nothing is ever taken out, so nothing has to be waited for. */
const locksHere = (): LockManager | undefined =>
  (globalThis.navigator as Navigator | undefined)?.locks;

/** Does what puts files in, which may be done in many tabs at once, but never while files go. */
export const whilePutting = <T>(db: Database, put: () => Promise<T>): Promise<T> =>
  locksHere()?.request(lockOf(db), { mode: 'shared' }, put) ?? put();

/** Does what takes files out, while no tab puts any in. */
export const whileNonePuts = (db: Database, takeOut: () => Promise<void>): Promise<void> =>
  locksHere()?.request(lockOf(db), takeOut) ?? Promise.resolve();
