/**
 * Every file of the corpus through the part of the core behind its door: something is made of it, or
 * it is refused with a sentence; nothing else is thrown, and nothing lasts.
 */
import type { Codecs } from '@/core/encode/codecs';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { corpus, type Door } from './corpus.fixture';
import { decodedBy, doors, wrongWith } from './doors.fixture';

let codecs: Codecs;
let close: () => void;
beforeAll(async () => {
  ({ codecs, close } = await nodeCodecs());
});
afterAll(() => close());

test('there are hundreds, for every door, and each has a name of its own', async () => {
  const all = await corpus();
  expect(all.length).toBeGreaterThanOrEqual(300);
  expect(new Set(all.map((s) => s.door))).toEqual(new Set(Object.keys(doors)));
  expect(new Set(all.map((s) => `${s.door} ${s.name}`)).size).toBe(all.length);
});

test.each(Object.keys(doors) as Door[])(
  'what comes through the door of a %s',
  async (door) => {
    const take = door === 'picture' ? decodedBy(codecs) : doors[door];
    const found: string[] = [];
    for (const specimen of (await corpus()).filter((s) => s.door === door)) {
      found.push(...(await wrongWith(specimen, take)));
    }
    expect(found).toEqual([]);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  },
  240_000,
);
