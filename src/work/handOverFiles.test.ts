import type { PageSurvey } from '@/core/ownPage/survey';
import type { HandOverPorts } from '@/core/handover/ports';
import { Refusal } from '@/core/refusal';
import { plain, siteWithHeader } from './pictures.fixture';
import { makeHandOver, nothingMade, type Making } from './handOverFiles';
import type { TaskContext } from './latestTask';

const ports = (encode: HandOverPorts['encode']): HandOverPorts => ({
  draw: async ({ width, height }) => plain(width, height),
  encode,
  asset: async () => new Uint8Array(1),
  resize: async (_raster, width, height) => plain(width, height),
  packSite: async () => new Uint8Array(2),
  packPicture: async () => new Uint8Array(3),
  theme: async () => [],
  survey: async () => ({}) as PageSurvey,
  shippedFont: async () => new Uint8Array(4),
  kept: async (_key, make) => make(),
});

function turn(): TaskContext<Making> & { seen: Making[]; stopAt: number } {
  const self = {
    seen: [nothingMade],
    stopAt: Infinity,
    isCurrent: () => self.seen.length < self.stopAt,
    value: () => self.seen.at(-1)!,
    update: (change: (value: Making) => Making) => self.seen.push(change(self.seen.at(-1)!)),
  };
  return self;
}

test('files are there one by one, with how far it is, and in the end all together', async () => {
  const t = turn();
  await makeHandOver(
    siteWithHeader,
    ports(async () => new Uint8Array(20)),
    t,
  );
  const { made, files, running, failure } = t.value();
  expect([running, failure]).toEqual([undefined, undefined]);
  expect([...files.keys()]).toEqual(made!.files.map((f) => f.path));
  expect([...files.keys()].some((path) => path.endsWith('.webp'))).toBe(true);
  const counts = t.seen.flatMap((m) => (m.running ? [m.running.done] : []));
  expect(counts).toEqual(counts.toSorted((a, b) => a - b));
  expect(counts.length).toBeGreaterThan(2);
});

test('what cannot be written is said, and what was made until then stays', async () => {
  const t = turn();
  const failing = ports(async () => {
    throw new Refusal('The picture is too wide for WebP.');
  });
  await makeHandOver(siteWithHeader, failing, t);
  expect(t.value()).toMatchObject({
    running: undefined,
    made: undefined,
    failure: expect.stringContaining('too wide for WebP'),
  });
});

test('one that is given up says nothing more', async () => {
  const t = turn();
  t.stopAt = 2;
  await makeHandOver(
    siteWithHeader,
    ports(async () => new Uint8Array(20)),
    t,
  );
  expect(t.value().failure).toBeUndefined();
  expect(t.value().made).toBeUndefined();
});
