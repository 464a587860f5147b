import { randomRuns } from '@/core/randomRuns.fixture';
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { Database } from './database';
import { putAsset } from './assets';
import { addNamed, removeLoose } from './looseFiles';
import { putSmallPicture, smallPicture } from './smallPictures';

let db: Database;
let count = 0;
beforeEach(() => {
  db = new Database(`loose files ${count++}`);
});
afterEach(() => db.close());

const none = () => new Set<string>();
const fileOf = (n: number) => putAsset(db, new Uint8Array([n >> 8, n & 255]));
const there = () => db.assets.toCollection().primaryKeys();

test('ids are found wherever they are named, and nothing else is taken for one', () => {
  const id = (c: string) => c.repeat(64);
  const named = none();
  addNamed(
    {
      shelf: [{ assetId: id('a') }, null, 3],
      font: `own:${id('b')}`,
      [id('c')]: undefined,
      text: JSON.stringify([{ value: `${id('d')}/${id('e')}` }]),
      longer: `${id('f')}0`,
      short: id('1').slice(1),
      upper: id('A'),
      bytes: new Uint8Array(9),
    },
    named,
  );
  expect([...named].sort()).toEqual(['a', 'b', 'c', 'd', 'e'].map(id));
});

test('what a site, a step to either side or anyone outside names stays, whatever version it is of', async () => {
  const [ofSite, before, after, outside, loose] = await Promise.all([1, 2, 3, 4, 5].map(fileOf));
  await db.sites.put({
    id: 's',
    site: { schemaVersion: 999, unknown: { deep: [ofSite] } },
    cursor: 1,
    changedAt: 1,
  } as never);
  await db.history.put({
    siteId: 's',
    seq: 1,
    label: 'Replace the photo',
    patches: [{ op: 'replace', path: ['shelf', 0], value: { assetId: after } }],
    inverse: [{ op: 'replace', path: ['shelf', 0], value: { assetId: before } }],
  });
  await putSmallPicture(db, loose, 'card', new Blob(['small']));
  await putSmallPicture(db, ofSite, 'card', new Blob(['small']));
  expect(await removeLoose(db, () => new Set([outside]))).toBe(1);
  expect(await there()).toEqual([ofSite, before, after, outside].sort());
  expect(await smallPicture(db, loose, 'card')).toBeUndefined();
  expect(await smallPicture(db, ofSite, 'card')).toBeDefined();
  expect(await removeLoose(db, () => new Set([outside]))).toBe(0);
});

test('what is named while files are looked through stays', async () => {
  const [late, loose] = await Promise.all([6, 7].map(fileOf));
  let asked = 0;
  await removeLoose(db, () => new Set(asked++ === 0 ? [] : [late]));
  expect(await there()).toEqual([late]);
  expect(loose).not.toBe(late);
});

test('nothing goes where the sites cannot be read', async () => {
  await fileOf(8);
  jest.spyOn(db.sites, 'each').mockRejectedValueOnce(new Error('The disk is gone.'));
  await expect(removeLoose(db, none)).rejects.toThrow('The disk is gone.');
  expect(await db.assets.count()).toBe(1);
});

test('of any sites and histories exactly what they name stays', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.record({ site: fc.nat(3), file: fc.nat(15), step: fc.boolean() }), {
        maxLength: 12,
      }),
      fc.subarray([0, 1, 2, 3]),
      async (uses, removed) => {
        await Promise.all([db.sites.clear(), db.history.clear(), db.assets.clear()]);
        const ids = await Promise.all(Array.from({ length: 16 }, (_, n) => fileOf(n)));
        for (const [seq, { site, file, step }] of uses.entries()) {
          const siteId = `s${site}`;
          const patches = [{ op: 'add', path: ['fonts', 0], value: `own:${ids[file]}` }];
          await (step
            ? db.history.put({ siteId, seq, label: '', patches, inverse: [] } as never)
            : db.sites.put({
                id: siteId,
                site: { fonts: [ids[file], ...((await namesOf(siteId)) ?? [])] },
              } as never));
        }
        for (const site of removed) {
          await db.sites.delete(`s${site}`);
          await db.history.where('siteId').equals(`s${site}`).delete();
        }
        await removeLoose(db, none);
        const stay = uses.flatMap((u) => (removed.includes(u.site) ? [] : [ids[u.file]]));
        expect(await there()).toEqual([...new Set(stay)].sort());
      },
    ),
    { numRuns: randomRuns(60) },
  );
});

async function namesOf(siteId: string): Promise<string[] | undefined> {
  const row = (await db.sites.get(siteId)) as { site: { fonts: string[] } } | undefined;
  return row?.site.fonts;
}
