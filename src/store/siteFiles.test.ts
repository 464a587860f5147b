import 'fake-indexeddb/auto';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { PNG } from 'pngjs';
import { readSiteFile, writeSiteFile } from '@/core/handover/siteFile';
import { newPhoto } from '@/core/layers/photo';
import { addLayer, applyEdit } from '@/core/site/edit';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import type { Site } from '@/core/site/model/site';
import { putAsset, putAssets } from './assets';
import { Database } from './database';
import { addSiteFile, packSite } from './siteFiles';
import { addSite } from './addSite';
import { storedSites } from './sites';

let db: Database;
let count = 0;
let site: Site;
beforeEach(async () => {
  db = new Database(`site files ${count++}`);
  const assetId = await putAsset(
    db,
    new Uint8Array(PNG.sync.write(new PNG({ width: 5, height: 4 }))),
  );
  site = applyEdit(
    applyEdit(
      newSite('s', 'home', 'Veldrin'),
      addSlot('home', { id: 'h', kind: 'header', width: 50, height: 40 }),
    ),
    addLayer(
      'picture-h',
      newPhoto('p', { name: 'Pots', assetId, width: 5, height: 4 }, { width: 50, height: 40 }),
    ),
  );
  await addSite(db, site, 1);
});

const file = async () => writeSiteFile(await packSite(db, site));

test('into another browser the site comes as it was, with its pictures', async () => {
  const other = new Database(`site files ${count++}`);
  const bytes = await file();
  expect(await addSiteFile(other, 'v.soyez', readSiteFile('v.soyez', bytes), 'fresh', 2)).toBe('s');
  expect(await storedSites(other)).toEqual([{ id: 's', stamp: 'added 2 ', changedAt: 2, site }]);
  expect((await other.assets.toArray()).map((a) => a.id)).toEqual(
    (await db.assets.toArray()).map((a) => a.id),
  );
});

test('where it is there already it comes beside it, and nothing is written over', async () => {
  expect(await addSiteFile(db, 'v.soyez', readSiteFile('v.soyez', await file()), 'fresh', 2)).toBe(
    'fresh',
  );
  expect((await storedSites(db)).map((s) => s.id)).toEqual(['fresh', 's']);
  expect(await db.assets.count()).toBe(1);
});

test('a picture that was changed inside is refused, and nothing is stored', async () => {
  const files = unzipSync(await file());
  const [path] = Object.keys(files).filter((p) => p.startsWith('assets/'));
  const other = new Database(`site files ${count++}`);
  files[path] = new Uint8Array(PNG.sync.write(new PNG({ width: 5, height: 5 })));
  await expect(
    addSiteFile(other, 'v.soyez', readSiteFile('v.soyez', zipSync(files)), 'fresh', 2),
  ).rejects.toThrow('as it was packed, found one that was changed');
  expect(() => readSiteFile('v.soyez', strToU8('nothing'))).toThrow('v.soyez');
  expect([await other.sites.count(), await other.assets.count()]).toEqual([0, 0]);
});

test('many files are stored at once, each once, and their ids come in their order', async () => {
  const bytes = (text: string) => strToU8(text) as Uint8Array<ArrayBuffer>;
  const before = await db.assets.count();
  const files = ['a', 'b', 'a', 'c'].map((t) => ({ bytes: bytes(t) }));
  const ids = await putAssets(db, files);
  expect(ids).toEqual(await Promise.all(files.map((f) => putAsset(db, f.bytes))));
  expect(ids[0]).toBe(ids[2]);
  expect(await db.assets.count()).toBe(before + 3);
  expect(await putAssets(db, [{ bytes: bytes('b') }])).toEqual([ids[1]]);
  expect(await db.assets.count()).toBe(before + 3);
});
