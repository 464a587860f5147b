import 'fake-indexeddb/auto';
import { afterEach, expect, jest, test } from '@jest/globals';
import { forceCloseDatabase } from 'fake-indexeddb';
import { Database } from './database';

afterEach(() => {
  jest.restoreAllMocks();
});

/** The next openings fail, as in Chromium while the store is cleared. */
const failing = (times: number) => {
  const open = jest.spyOn(indexedDB, 'open');
  for (let i = 0; i < times; i++) {
    open.mockImplementationOnce(() => {
      throw new DOMException('Connection is closing.', 'InvalidStateError');
    });
  }
};

/** The browser's words, or Dexie's for them. */
const failed = /Connection is closing|OpenFailedError/;

test('an opening that fails is tried again at the next use', async () => {
  const db = new Database('fails at first');
  failing(2);
  await expect(db.removed.count()).rejects.toThrow(failed);
  await expect(db.transaction('rw', db.removed, () => db.removed.count())).rejects.toThrow(failed);
  expect(await db.removed.put({ siteId: 'kiln', at: 1 })).toBe('kiln');
  expect(await db.removed.count()).toBe(1);
  db.close();
});

test('a store that is closed underneath is opened at the next use', async () => {
  const db = new Database('closed underneath');
  await db.removed.put({ siteId: 'kiln', at: 1 });
  const closed = jest.fn();
  db.whenClosed(closed);
  forceCloseDatabase(db.backendDB() as never);
  expect(closed).toHaveBeenCalledTimes(1);
  failing(1);
  await expect(db.removed.count()).rejects.toThrow(failed);
  expect(await db.removed.count()).toBe(1);
  expect(closed).toHaveBeenCalledTimes(1);
  db.close();
});
