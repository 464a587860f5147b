import 'fake-indexeddb/auto';
import { newSite } from '@/core/site/newSite';
import { addSite } from './addSite';
import { Database } from './database';
import { findingsOf, keepFindings } from './findings';
import { removeSite } from './sites';
import { keepWritten, writtenOf } from './written';

let db: Database;
let count = 0;
beforeEach(() => {
  db = new Database(`written ${count++}`);
});
const file = (at: number, bytes: number) => ({
  at,
  data: new Uint8Array(bytes).fill(at),
});

test('a file comes back for the same state, byte by byte, and for no other', async () => {
  await keepWritten(db, 'a', file(7, 5));
  expect((await writtenOf(db, 'a'))?.data).toEqual(new Uint8Array(5).fill(7));
  expect(await writtenOf(db, 'b')).toBeUndefined();
});

test('the oldest are forgotten beyond a bound, never the one that was just written', async () => {
  for (let at = 1; at <= 5; at++) {
    await keepWritten(db, `state ${at}`, file(at, 40e6));
  }
  expect((await db.written.toArray()).map((r) => r.at).sort()).toEqual([4, 5]);
  await keepWritten(db, 'large', file(0, 97e6));
  expect(await writtenOf(db, 'large')).toBeDefined();
});

test('readings come back for the very site and the very build, and go with the site', async () => {
  const site = newSite('s', 'home', 'Veldrin');
  const bySlot = new Map([['h', []]]);
  await keepFindings(db, site, 'monday', bySlot);
  expect(await findingsOf(db, site, 'monday')).toEqual(bySlot);
  expect(await findingsOf(db, site, 'tuesday')).toBeUndefined();
  expect(await findingsOf(db, { ...site, name: 'Other' }, 'monday')).toBeUndefined();
  await addSite(db, site, 1);
  await removeSite(db, 's', 2);
  expect(await findingsOf(db, site, 'monday')).toBeUndefined();
});
