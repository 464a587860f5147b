import { newText } from '@/core/layers/text';
import { addLayer, applyEdit, editPicture } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import { pictureOf } from '@/core/site/picture';
import { PictureFiles, type KeptFile } from './pictureFiles';
import { countingEngine, siteWithHeader } from './pictures.fixture';
import { MendCandidates } from './mendCandidates';

const always = () => true;
const header = (site: Site) => [site, site.slots[0], pictureOf(site, site.slots[0])] as const;
const quality = (q: number) =>
  editPicture('picture-h', (p) => {
    p.press.quality = q;
  });

/** Holds the engine up at its next drawing. @returns lets it go on */
function gated(engine: { gate: Promise<void> }): () => void {
  let open = () => {};
  engine.gate = new Promise((resolve) => {
    open = resolve;
  });
  return () => open();
}

test('each state is pressed once, whoever asks and however often', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const [a, b] = await Promise.all([
    files.file(...header(siteWithHeader), always),
    files.file(...header(siteWithHeader), always),
  ]);
  expect(a).toBe(b);
  expect(a).toMatchObject({ bytes: 80, format: 'webp', width: 20, height: 10 });
  expect(engine.asked).toEqual(['pixels', 'press webp 80']);
  await files.file(...header(applyEdit(siteWithHeader, quality(50))), always);
  expect(engine.asked).toEqual(['pixels', 'press webp 80', 'pixels', 'press webp 50']);
});

test('one picture at a time; what has been overtaken is not begun, and ends at its next step', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const open = gated(engine);
  let wanted = true;
  const first = files.file(...header(siteWithHeader), () => wanted);
  const second = files.file(...header(applyEdit(siteWithHeader, quality(50))), () => wanted);
  await new Promise((resolve) => setImmediate(resolve));
  expect(engine.asked).toEqual(['pixels']);
  wanted = false;
  open();
  expect([await first, await second]).toEqual([undefined, undefined]);
  expect(engine.asked).toEqual(['pixels']);
});

test('words are surveyed with the file, and a picture that fails does not hold up the next', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const words = newText('t', 'Pots', 'lora', 12, '#ffffff', 4, 2);
  const spoken = applyEdit(siteWithHeader, addLayer('picture-h', words));
  await files.file(...header(spoken), always);
  expect(engine.asked).toEqual(['pixels', 'press webp 80', 'survey']);
  engine.gate = Promise.reject(new Error('the photo is gone'));
  const failed = files.file(...header(applyEdit(spoken, quality(20))), always);
  await expect(failed).rejects.toThrow('the photo is gone');
  engine.gate = Promise.resolve();
  expect(await files.file(...header(applyEdit(spoken, quality(30))), always)).toBeDefined();
});

test('of a site: blank slots and known files are passed over, and a failure is told as one', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const found: [string, unknown][] = [];
  const tell = (key: string, file: unknown) => void found.push([key, file]);
  await files.ofSite(siteWithHeader, () => false, always, tell);
  expect(found).toHaveLength(1);
  await files.ofSite(siteWithHeader, (key) => key === found[0][0], always, tell);
  expect(found).toHaveLength(1);
  engine.gate = Promise.reject(new Error('no'));
  await files.ofSite(applyEdit(siteWithHeader, quality(10)), () => false, always, tell);
  expect(found[1][1]).toBe('failed');
});

test('what somebody waits for is not behind what is pressed for a site, and is not pressed twice', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const open = gated(engine);
  let wanted = true;
  const whole = files.ofSite(
    siteWithHeader,
    () => false,
    () => wanted,
    () => {},
  );
  const same = files.file(...header(siteWithHeader), always);
  await new Promise((resolve) => setImmediate(resolve));
  expect(engine.asked).toEqual(['pixels']);
  // It is given up there, and still wanted here.
  wanted = false;
  open();
  await whole;
  expect(await same).toMatchObject({ bytes: 80 });
  expect(engine.asked).toEqual(['pixels', 'pixels', 'press webp 80']);
  expect(engine.urgencies).toEqual(['soon', 'now', 'now']);
});

test('a file that an earlier tab kept is read again and not written; one that cannot be read is', async () => {
  const engine = countingEngine();
  const kept = new Map<string, KeptFile>();
  const store = {
    recall: async (key: string) => kept.get(key),
    keep: async (key: string, file: KeptFile) => void kept.set(key, file),
  };
  const first = await new PictureFiles(engine, store).file(...header(siteWithHeader), always);
  expect([...kept.values()].map((file) => file.data.length)).toEqual([80]);
  const again = await new PictureFiles(engine, store).file(...header(siteWithHeader), always);
  expect(engine.asked).toEqual(['pixels', 'press webp 80', 'decode 80']);
  expect(again).toEqual(first);
  engine.decode = () => Promise.reject(new Error('the file breaks off'));
  await new PictureFiles(engine, store).file(...header(siteWithHeader), always);
  expect(engine.asked).toEqual(['pixels', 'press webp 80', 'decode 80', 'pixels', 'press webp 80']);
});

test('a way ends with the first setting that holds, else with its last; ways that break are passed over', async () => {
  const engine = countingEngine();
  const tries = new MendCandidates(new PictureFiles(engine));
  const found: [string, string, string][] = [];
  const mend = (q: number) => ({ label: `Quality ${q}`, edit: quality(q) });
  const ways = [
    { id: 'holds', tries: [mend(61), mend(62)] },
    {
      id: 'breaks',
      tries: [
        {
          label: 'Break',
          edit: () => {
            throw new Error('gone');
          },
        },
      ],
    },
    { id: 'over', tries: [mend(99), mend(98)] },
  ];
  const site = applyEdit(siteWithHeader, (s) => {
    s.slots[0].budgetBytes = 61;
  });
  await tries.all(site, site.slots[0], 'weight', ways, always, (t) =>
    found.push([t.id, t.mend.label, t.verdict]),
  );
  expect(found).toEqual([
    ['holds', 'Quality 61', 'holds'],
    ['over', 'Quality 98', 'fails'],
  ]);
});

const effort = editPicture('picture-h', (p) => {
  p.press = { ...p.press, format: 'avif', quality: 66, effort: 'most' };
});

test('nobody waits for most effort: the usual one is there first, the other comes later and stays', async () => {
  const engine = countingEngine();
  const files = new PictureFiles(engine);
  const asked: string[] = [];
  const { press } = engine;
  engine.press = async (raster, settings, ...rest) => {
    asked.push(`${settings.effort} ${rest[1]}`);
    const { bytes, decoded } = await press(raster, settings, ...rest);
    return { bytes: bytes.slice(settings.effort === 'most' ? 6 : 0), decoded };
  };
  const slow = header(applyEdit(siteWithHeader, effort));
  expect((await files.file(...slow, always))?.bytes).toBe(66);
  expect((await files.thorough(...slow, always))?.bytes).toBe(60);
  expect((await files.file(...slow, always))?.bytes).toBe(60);
  expect(asked).toEqual(['usual now', 'most soon']);
  expect(await files.thorough(...header(siteWithHeader), always)).toBeUndefined();
});

test('what a search wrote is read and not written again, and is kept with what was measured of its drawing', async () => {
  const engine = countingEngine();
  const kept = new Map<string, KeptFile>();
  const files = new PictureFiles(
    engine,
    { recall: async (key) => kept.get(key), keep: async (key, file) => void kept.set(key, file) },
    async ({ picture }) => (picture.press.effort === 'most' ? new Uint8Array(61) : undefined),
  );
  const words = newText('t', 'Pots', 'lora', 12, '#ffffff', 4, 2);
  const slow = header(applyEdit(applyEdit(siteWithHeader, effort), addLayer('picture-h', words)));
  expect((await files.file(...slow, always))?.bytes).toBe(61);
  expect(engine.asked).toEqual(['pixels', 'survey', 'decode 61']);
  expect(await files.bytes(...slow)).toHaveLength(61);
  expect(kept.size).toBe(1);
});
