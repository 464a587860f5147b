import { SearchStopped } from '@/core/lightest/best';
import type { Judgement } from '@/core/lightest/trial';
import { encodeSettings } from '@/core/encode/settings';
import type { Rect } from '@/core/raster/raster';
import { Refusal } from '@/core/refusal';
import { applyEdit, editPicture } from '@/core/site/edit';
import { schemaVersion } from '@/core/site/model/site';
import { pictureOf } from '@/core/site/picture';
import { plain, siteWithHeader } from './pictures.fixture';
import { Searches, subjectKey, type KeptSearch, type SearchPorts, type Subject } from './searches';

const subject = (site = siteWithHeader): Subject => ({
  site,
  slot: site.slots[0],
  picture: pictureOf(site, site.slots[0]),
});
const judged = (quality: number, bytes = quality * 10): Judgement => ({
  settings: encodeSettings('webp', quality),
  bytes,
  lost: [],
  loss: { overall: 1, worst: 2 },
});

function searchesOf(
  search: SearchPorts['search'],
  kept = new Map<string, KeptSearch>(),
  patches: SearchPorts['patches'] = async () => [1, 2, 3, 4].map(() => plain(2, 2)),
) {
  const searches = new Searches({
    pixels: async ({ width, height }) => plain(width, height),
    resize: async (_raster, width, height) => plain(width, height),
    search,
    patches,
    recall: async (key) => kept.get(key),
    keep: async (key, found) => void kept.set(key, found),
    now: () => 5,
  });
  return { searches, kept, key: subjectKey(subject()) };
}

test('what is tried appears as it comes, the same settings once, and is kept for later tabs', async () => {
  const { searches, kept, key } = searchesOf(async (_subject, _aim, _formats, listener) => {
    for (const [quality, bytes] of [
      [50, 500],
      [60, 600],
      [50, 499],
    ]) {
      listener.onTried({ judgement: judged(quality, bytes), file: new Uint8Array(bytes) });
    }
    listener.onProgress(0.5, 'webp');
    expect(searches.of(key).running).toMatchObject({ done: 0.5, format: 'webp' });
  });
  const best = await searches.search(subject());
  expect(best?.judgement.bytes).toBe(499);
  expect(searches.of(key).tried.map((t) => t.judgement.bytes)).toEqual([600, 499]);
  expect(searches.of(key)).toMatchObject({ running: undefined, failure: undefined });
  expect(kept.get(key)).toMatchObject({ siteId: 's', at: 5, finished: [expect.any(String)] });
  const later = searchesOf(async () => {}, kept);
  await later.searches.recall(key);
  expect(later.searches.of(key).tried).toHaveLength(2);
});

test('stopped, nothing more is taken of it; a failure is said, and neither is kept', async () => {
  let after = () => {};
  const { searches, kept, key } = searchesOf(async (_subject, _aim, _formats, listener) => {
    listener.onTried({ judgement: judged(50), file: new Uint8Array(9) });
    searches.stop(subject());
    after = () => listener.onTried({ judgement: judged(70), file: new Uint8Array(9) });
    throw new SearchStopped('stopped');
  });
  expect(await searches.search(subject())).toBeUndefined();
  after();
  expect(searches.of(key).tried).toHaveLength(1);
  const failing = searchesOf(() => Promise.reject(new Refusal('out of memory')));
  await failing.searches.search(subject());
  expect(failing.searches.of(key).failure).toBe('out of memory');
  expect([kept.size, failing.kept.size]).toEqual([0, 0]);
});

test('states that are over are forgotten by weight, never the one that was just searched', async () => {
  let n = 0;
  const { searches } = searchesOf(async (_subject, _aim, _formats, listener) => {
    listener.onTried({ judgement: judged(10 + n++), file: new Uint8Array(45e6) });
  });
  const changed = (strength: number) =>
    subject(
      applyEdit(
        siteWithHeader,
        editPicture('picture-h', (p) => {
          p.ground = { type: 'colour', colour: `#00000${strength}` };
        }),
      ),
    );
  for (const strength of [1, 2, 3]) {
    await searches.search(changed(strength));
  }
  const tried = [1, 2, 3].map((s) => searches.of(subjectKey(changed(s))).tried.length);
  expect(tried).toEqual([0, 0, 1]);
});

test('the levels of care are worked out once for each state, and shown on its words', async () => {
  const asked: (readonly Rect[] | undefined)[] = [];
  const { searches, key } = searchesOf(
    async () => {},
    new Map(),
    async ({ words }) => {
      asked.push(words);
      return [1, 2, 3, 4].map(() => plain(2, 2));
    },
  );
  const words = { x: 4, y: 3, width: 9, height: 2 };
  const { slot, ...rest } = subject();
  const hanging = { ...slot, overlap: { top: 5, right: 0, bottom: 0, left: 7 } };
  await searches.findPatches({ ...rest, slot: hanging }, [words], () => true);
  await Promise.all([
    searches.findPatches(subject(), [words], () => true),
    searches.findPatches(subject(), [words], () => true),
  ]);
  expect(asked).toEqual([[{ ...words, x: 11, y: 8 }], [words]]);
  expect(Object.keys(searches.of(key).patches ?? {})).toEqual([
    'drawn',
    'close',
    'careful',
    'light',
  ]);
});

test('what was kept in an earlier form of the settings does not come back', async () => {
  const kept = new Map<string, KeptSearch>();
  const { searches, key } = searchesOf(async (_subject, _aim, _formats, listener) => {
    listener.onTried({ judgement: judged(50), file: new Uint8Array(9) });
  }, kept);
  await searches.search(subject());
  const earlier = key.replace(`,${schemaVersion},`, `,${schemaVersion - 1},`);
  expect(earlier).not.toBe(key);
  kept.set(earlier, kept.get(key)!);
  kept.delete(key);
  const later = searchesOf(async () => {}, kept);
  await later.searches.recall(later.key);
  expect(later.searches.of(later.key).tried).toEqual([]);
});

const asked = {
  goal: { by: 'care', care: 'careful' },
  formats: ['webp'],
  urgency: 'later',
} as const;

test('what is known is not searched again, and each size is a state of its own, drawn as it is handed over', async () => {
  const drawn: string[] = [];
  const { searches } = searchesOf(async ({ raster, scale = 1 }, _goal, _formats, listener) => {
    drawn.push(`${scale}: ${raster.width}×${raster.height}`);
    listener.onTried({ judgement: judged(10 * scale), file: new Uint8Array(9) });
  });
  for (const scale of [2, 0.5, 1, 2, 0.5]) {
    const found = await searches.known({ ...subject(), scale }, asked, () => true);
    expect(found?.judgement.settings.quality).toBe(10 * scale);
  }
  expect(drawn).toEqual(['2: 40×20', '0.5: 10×5', '1: 20×10']);
});

test('somebody who searches the same state goes first, and all else is tried after that', async () => {
  let go = () => {};
  const gate = new Promise<void>((resolve) => {
    go = resolve;
  });
  const searched: string[] = [];
  const { searches } = searchesOf(async (_subject, _goal, formats, listener, urgency) => {
    searched.push(urgency);
    if (searched.length === 1) {
      await gate;
    }
    if (!listener.wanted()) {
      throw new SearchStopped('stopped');
    }
    listener.onTried({ judgement: judged(70), file: new Uint8Array(9) });
    expect(formats).toEqual(['webp']);
  });
  const background = searches.known(subject(), asked, () => true);
  while (searched.length === 0) {
    await Promise.resolve();
  }
  const person = searches.search(subject(), { ...asked, urgency: 'now' });
  go();
  expect((await person)?.judgement.bytes).toBe(700);
  expect((await background)?.judgement.bytes).toBe(700);
  expect(searched).toEqual(['later', 'now', 'later']);
});

test('of what was stopped or cannot be written nothing is known', async () => {
  const { searches } = searchesOf(() => Promise.reject(new Refusal('out of memory')));
  expect(await searches.known(subject(), asked, () => true)).toBeUndefined();
  expect(await searches.known(subject(), asked, () => false)).toBeUndefined();
});

test('what somebody waited for is searched once more where nobody does, and not the other way round', async () => {
  const searched: string[] = [];
  const { searches } = searchesOf(async (_subject, _goal, _formats, listener, urgency) => {
    searched.push(urgency);
    listener.onTried({ judgement: judged(70), file: new Uint8Array(9) });
  });
  for (const urgency of ['now', 'later', 'now', 'later'] as const) {
    await searches.known(subject(), { ...asked, urgency }, () => true);
  }
  expect(searched).toEqual(['now', 'later']);
});
