import 'fake-indexeddb/auto';
import { applyEdit, editSlot } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import { assetBytes, putAsset } from '@/store/assets';
import { Database } from '@/store/database';
import { siteCard } from '@/core/readings/siteCard';
import { readSite } from '@/core/site/schema';
import { SaveStatus } from '@/work/saveStatus';
import { addSite } from '@/store/addSite';
import { storedSites, removeSite } from '@/store/sites';
import { siteStore } from '@/store/siteStore';
import { tabsOf } from '@/store/tabs';
import { OpenSites } from '@/work/openSites';
import type { Session } from '@/work/session';

const site = (id: string): Site =>
  applyEdit(
    newSite(id, 'page', id),
    addSlot('page', { id: 'h', kind: 'header', width: 100, height: 50 }),
  );

let db: Database;
let count = 0;
beforeEach(async () => {
  db = new Database(`test ${count++}`);
  await addSite(db, site('s'), 1);
});

/** Each tab has sessions of its own. */
const inTab = () =>
  new OpenSites(
    {
      store: siteStore(db, tabsOf(db.name)),
      now: () => 2,
      newId: () => crypto.randomUUID(),
      later(ms, call) {
        const timer = setTimeout(call, ms);
        return () => clearTimeout(timer);
      },
      tell: (words) => told.push(words),
    },
    new SaveStatus(),
  );
const told: string[] = [];
const open = async (siteId = 's'): Promise<Session> => (await inTab().open(siteId))!;
const width = (session: Session) => session.state.getState().site.slots[0].width;
const stored = async (): Promise<Site> => {
  const [first] = await storedSites(db);
  return readSite(first.site);
};
const setWidth = (px: number) =>
  editSlot('h', (s) => {
    s.width = px;
  });

test('a commit is on the disk when it has settled, and a new session comes back to it with its history', async () => {
  const session = await open();
  session.commit('Set the width to 200 px', setWidth(200));
  expect(width(session)).toBe(200);
  await session.settled();
  expect(session.state.getState().kept).toEqual({ state: 'kept' });
  const again = await open();
  expect(width(again)).toBe(200);
  expect(again.state.getState().undoLabel).toBe('Set the width to 200 px');
  again.undo();
  expect(width(again)).toBe(100);
  await again.settled();
  expect(width(await open())).toBe(100);
});

test('a gesture of many previews is one step', async () => {
  const session = await open();
  for (let px = 101; px <= 160; px++) {
    session.preview(setWidth(px));
  }
  expect(width(session)).toBe(160);
  session.commit('Drag', setWidth(160));
  await session.settled();
  expect(await db.history.count()).toBe(1);
  session.undo();
  expect(width(session)).toBe(100);
});

test('a preview that is dropped leaves nothing', async () => {
  const session = await open();
  session.preview(setWidth(500));
  session.dropPreview();
  await session.settled();
  expect(width(session)).toBe(100);
  expect(await db.history.count()).toBe(0);
});

test('undone to the start and redone to the end, and a new edit drops what was undone', async () => {
  const session = await open();
  for (const px of [110, 120, 130]) {
    session.commit(`to ${px}`, setWidth(px));
  }
  const end = JSON.stringify(session.state.getState().site);
  for (let i = 0; i < 5; i++) {
    session.undo();
  }
  expect(width(session)).toBe(100);
  expect(session.state.getState()).toMatchObject({ undoLabel: undefined, redoLabel: 'to 110' });
  for (let i = 0; i < 5; i++) {
    session.redo();
  }
  expect(JSON.stringify(session.state.getState().site)).toBe(end);
  session.undo();
  session.commit('to 999', setWidth(999));
  await session.settled();
  expect(session.state.getState().redoLabel).toBeUndefined();
  expect((await db.history.toArray()).map((s) => s.label)).toEqual(['to 110', 'to 120', 'to 999']);
});

test('an edit that changes nothing is no step', async () => {
  const session = await open();
  session.commit('to 100', setWidth(100));
  await session.settled();
  expect(session.state.getState().undoLabel).toBeUndefined();
});

test("an edit in a second tab is put on top of the first one's, not over it", async () => {
  const first = await open();
  const second = await open();
  first.commit('wide', setWidth(300));
  await first.settled();
  second.commit(
    'high',
    editSlot('h', (s) => {
      s.height = 77;
    }),
  );
  await second.settled();
  expect((await stored()).slots[0]).toMatchObject({ width: 300, height: 77 });
  expect(second.state.getState().site.slots[0]).toMatchObject({ width: 300, height: 77 });
  second.undo();
  await second.settled();
  expect((await stored()).slots[0]).toMatchObject({ width: 300, height: 50 });
});

test('writing that fails is said', async () => {
  const session = await open();
  await removeSite(db, 's', 2);
  session.commit('wide', setWidth(300));
  await session.settled();
  expect(session.state.getState().kept).toMatchObject({ state: 'not', why: 'removed' });
});

test('no such site, and a site that cannot be read, which is listed with its reason', async () => {
  expect(await open('nowhere')).toBeUndefined();
  await db.sites.update('s', { site: { ...site('s'), slots: 'none' } as unknown as Site });
  await expect(open()).rejects.toThrow('slots');
  const [stored] = await storedSites(db);
  expect(siteCard(stored.site)).toEqual({ problem: expect.stringContaining('slots') });
});

test('assets are stored once under their SHA-256', async () => {
  const bytes = new TextEncoder().encode('abc') as Uint8Array<ArrayBuffer>;
  // FIPS 180-4, example of the one-block message "abc".
  const id = 'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad';
  expect(await putAsset(db, bytes)).toBe(id);
  expect(await putAsset(db, bytes)).toBe(id);
  expect(await db.assets.count()).toBe(1);
  expect([...(await assetBytes(db, id))]).toEqual([97, 98, 99]);
  await expect(assetBytes(db, 'gone')).rejects.toThrow('not in this browser');
});

test("removing a site takes its history and drawings, and no other site's", async () => {
  await addSite(db, site('t'), 3);
  const session = await open();
  session.commit('wide', setWidth(300));
  await session.settled();
  await db.thumbs.bulkPut([
    { key: 's/h', drawing: '', png: new Blob() },
    { key: 't/h', drawing: '', png: new Blob() },
  ]);
  await removeSite(db, 's', 2);
  expect((await storedSites(db)).map((s) => s.id)).toEqual(['t']);
  expect([await db.history.count(), (await db.thumbs.toArray()).map((t) => t.key)]).toEqual([
    0,
    ['t/h'],
  ]);
});

test('goes to any step at once, before the first too, and names them all', async () => {
  const session = await open();
  for (const px of [110, 120, 130]) {
    session.commit(`Width ${px}`, setWidth(px));
  }
  expect(session.state.getState().steps.map((s) => s.label)).toEqual([
    'Width 110',
    'Width 120',
    'Width 130',
  ]);
  session.goTo(0);
  expect([width(session), session.state.getState().cursor]).toEqual([100, 0]);
  session.goTo(2);
  expect([width(session), session.state.getState().redoLabel]).toEqual([120, 'Width 130']);
  session.goTo(99);
  expect(width(session)).toBe(130);
  session.goTo(1);
  await session.settled();
  const again = await open();
  expect([
    width(again),
    again.state.getState().cursor,
    again.state.getState().steps.length,
  ]).toEqual([110, 1, 3]);
});

test('on the disk too the oldest steps are forgotten, and a new step drops what was undone', async () => {
  const session = await open();
  for (let px = 101; px <= 605; px++) {
    session.commit(`to ${px}`, setWidth(px));
    if (px === 400) {
      await session.settled();
    }
  }
  await session.settled();
  const labels = async () => (await db.history.toArray()).map((s) => s.label);
  expect([await db.history.count(), (await labels())[0]]).toEqual([500, 'to 106']);
  session.goTo(400);
  session.commit('other', setWidth(9));
  await session.settled();
  expect([await db.history.count(), (await labels()).at(-1)]).toEqual([396, 'other']);
});
