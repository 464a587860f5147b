import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { createRaster } from '@/core/raster/raster';
import type { EncodedFile } from '@/core/readings/reading';
import { readingsOfSite } from '@/core/readings/told';
import { noSurvey } from '@/core/readings/survey';
import { applyEdit, chain } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import { createSiteReader, ReadingsInPortions, type KeyedFile } from './siteReader';

const side = 10;
const bytesOfOne = side * side * 4;

function siteOf(slots: number): Site {
  return applyEdit(
    newSite('x', 'home', 'X'),
    chain(
      ...Array.from({ length: slots }, (_, i) =>
        addSlot('home', { id: `s${i}`, kind: 'header', width: side, height: side }),
      ),
    ),
  );
}

type TestFile = KeyedFile & { readonly encoded: EncodedFile };

/** A file of a slot; heavier than its budget by what it is. */
function file(id: string, n: number): TestFile {
  const decoded = createRaster(side, side);
  decoded.data.fill(n % 256);
  const encoded: EncodedFile = {
    bytes: 200_000 + 1000 * n,
    format: 'webp',
    width: side,
    height: side,
    decoded,
    ...noSurvey,
  };
  return {
    key: `${id} as ${n}`,
    weight: bytesOfOne,
    read: async () => encoded,
    encoded,
  };
}

const filesOf = (site: Site, count = site.slots.length): Map<string, TestFile> =>
  new Map(site.slots.slice(0, count).map(({ id }, i) => [id, file(id, i)]));

/** A reader behind a channel: it answers in a later turn, and may be started anew. */
function world(most: number) {
  let reader = createSiteReader(most);
  const asked: { slots: number; files: number }[] = [];
  const portions = new ReadingsInPortions(async (ask) => {
    asked.push({ slots: ask.slots.length, files: ask.files.size });
    expect(asked.length).toBeLessThan(1000);
    // What crosses is a copy.
    const crossed = structuredClone(ask);
    await Promise.resolve();
    return reader(crossed);
  }, most);
  const startAnew = () => {
    reader = createSiteReader(most);
    portions.forgotten();
  };
  return { portions, asked, startAnew };
}

const always = () => true;
const directly = (site: Site, files: ReadonlyMap<string, TestFile>) =>
  readingsOfSite(site, (id) => files.get(id)?.encoded);

test('a site whose files are ten times what the reader remembers is read, by two that ask in turns', async () => {
  const { portions, asked } = world(3 * bytesOfOne);
  const site = siteOf(30);
  const same = siteOf(30);
  const files = filesOf(site);
  const [one, other] = await Promise.all([
    portions.of(site, files, always),
    portions.of(same, files, always),
  ]);
  const expected = directly(site, files);
  expect(one).toEqual(expected);
  expect(other).toEqual(expected);
  expect(Math.max(...asked.map(({ files: n }) => n))).toBe(3);
  // Each file crosses once for each that asks, and what was forgotten is found out by asking.
  expect(asked.reduce((sum, { files: n }) => sum + n, 0)).toBe(60);
});

test('with each file that becomes known only its own slot is read anew', async () => {
  const { portions, asked } = world(3 * bytesOfOne);
  const site = siteOf(20);
  for (let n = 0; n <= 20; n++) {
    const files = filesOf(site, n);
    expect(await portions.of(site, files, always)).toEqual(directly(site, files));
  }
  expect(asked).toEqual([
    { slots: 20, files: 0 },
    ...Array.from({ length: 20 }, () => ({ slots: 1, files: 1 })),
  ]);
});

test('a file that is heavier than all that is remembered is read too', async () => {
  const { portions } = world(bytesOfOne - 1);
  const site = siteOf(3);
  const files = filesOf(site);
  expect(await portions.of(site, files, always)).toEqual(directly(site, files));
  expect(await portions.of(siteOf(3), files, always)).toEqual(directly(site, files));
});

test('what is not wanted any more ends before the next portion, and holds up nobody', async () => {
  const { portions, asked } = world(bytesOfOne);
  const site = siteOf(10);
  const files = filesOf(site);
  const left = portions.of(site, files, () => asked.length < 2);
  const next = portions.of(site, files, always);
  expect(await left).toBeUndefined();
  expect(asked).toHaveLength(2);
  expect(await next).toEqual(directly(site, files));
  // What was read before is not read again.
  expect(asked).toHaveLength(10);
});

test('files are asked for when the turn of their portion comes, and again only where the reader has forgotten it', async () => {
  const { portions } = world(3 * bytesOfOne);
  const site = siteOf(9);
  const files = filesOf(site);
  const turns: string[] = [];
  const noted = new Map(
    [...files].map(([id, f]) => [id, { ...f, read: () => (turns.push(id), f.read()) }]),
  );
  expect(await portions.of(site, noted, () => turns.length < 5)).toBeUndefined();
  expect(turns).toEqual(['s0', 's1', 's2', 's3', 's4', 's5']);
  expect(await portions.of(site, noted, always)).toEqual(directly(site, files));
  expect(turns.slice(6)).toEqual(['s3', 's4', 's5', 's6', 's7', 's8']);
  turns.length = 0;
  // The last three are remembered; the others have to come again.
  expect(await portions.of(siteOf(9), noted, always)).toEqual(directly(site, files));
  expect(turns.slice(0, 3)).toEqual(['s0', 's1', 's2']);
});

test('a file that cannot be read again leaves its slot as it is without one, until it can', async () => {
  const { portions } = world(3 * bytesOfOne);
  const site = siteOf(4);
  const files = filesOf(site);
  const fails = { ...files.get('s1')!, read: () => Promise.reject(new Error('gone')) };
  const without = new Map([...files].filter(([id]) => id !== 's1'));
  expect(await portions.of(site, new Map(files).set('s1', fails), always)).toEqual(
    directly(site, without),
  );
  expect(await portions.of(site, files, always)).toEqual(directly(site, files));
});

test('a question that fails fails alone', async () => {
  const reader = createSiteReader(1e6);
  let fails = true;
  const portions = new ReadingsInPortions(async (ask) => {
    if (fails) {
      throw new Error('It stopped.');
    }
    return reader(ask);
  }, 1e6);
  const site = siteOf(2);
  await expect(portions.of(site, new Map(), always)).rejects.toThrow('It stopped.');
  fails = false;
  expect(await portions.of(site, new Map(), always)).toEqual(directly(site, new Map()));
});

test('whatever is asked in which order, of a reader that is started anew at times, is as if read directly', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.integer({ min: 1, max: 6 }),
      fc.array(
        fc.record({
          slots: fc.integer({ min: 1, max: 9 }),
          known: fc.integer({ min: 0, max: 9 }),
          anew: fc.boolean(),
          waits: fc.boolean(),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      async (room, steps) => {
        const { portions, startAnew } = world(room * bytesOfOne);
        const sites = new Map<number, Site>();
        const going: Promise<unknown>[] = [];
        for (const { slots, known, anew, waits } of steps) {
          const site = sites.get(slots) ?? siteOf(slots);
          sites.set(slots, site);
          const files = filesOf(site, known);
          const expected = directly(site, files);
          const done = portions.of(site, files, always).then((got) => {
            expect(got).toEqual(expected);
          });
          going.push(done);
          if (waits) {
            await done;
          }
          if (anew) {
            startAnew();
          }
        }
        await Promise.all(going);
      },
    ),
    { numRuns: randomRuns(150) },
  );
});
