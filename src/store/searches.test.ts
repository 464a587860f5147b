import 'fake-indexeddb/auto';
import type { Judgement } from '@/core/lightest/trial';
import { encodeSettings } from '@/core/encode/settings';
import { newSite } from '@/core/site/newSite';
import { Database } from './database';
import { keepSearch, searchOf } from './searches';
import { addSite } from './addSite';
import { removeSite } from './sites';

let db: Database;
let count = 0;
beforeEach(() => {
  db = new Database(`searches ${count++}`);
});

const judgement: Judgement = {
  settings: encodeSettings('jpeg', 80),
  bytes: 9,
  lost: [],
  loss: { overall: 1, worst: 2 },
};
const found = (siteId: string, at: number, bytes = 9) => ({
  siteId,
  at,
  finished: ['careful'],
  tried: [{ judgement, data: new Uint8Array(bytes).fill(at) }],
});

test('what was found comes back for the same state and for no other, the newest in place of the one before', async () => {
  await keepSearch(db, 'a', found('s', 1));
  await keepSearch(db, 'a', { ...found('s', 2), finished: ['careful', 'light'] });
  expect(await searchOf(db, 'a')).toMatchObject({
    ...found('s', 2),
    finished: ['careful', 'light'],
    bytes: 9,
  });
  expect(await searchOf(db, 'b')).toBeUndefined();
  expect(await db.searches.count()).toBe(1);
});

test('the oldest are forgotten beyond a bound, never the one that was just made; a site takes its own along', async () => {
  for (let at = 1; at <= 5; at++) {
    await keepSearch(db, `state ${at}`, found(at === 4 ? 'other' : 's', at, 30e6));
  }
  expect((await db.searches.orderBy('at').toArray()).map((r) => r.at)).toEqual([3, 4, 5]);
  await keepSearch(db, 'large', found('s', 0, 97e6));
  expect(await searchOf(db, 'large')).toBeDefined();
  await addSite(db, newSite('s', 'home', 'Veldrin'), 1);
  await removeSite(db, 's', 2);
  expect((await db.searches.toArray()).map((r) => r.siteId)).toEqual(['other']);
});
