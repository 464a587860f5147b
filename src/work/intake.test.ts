import { inspectPicture } from '@/core/measure/inspect';
import { PNG } from 'pngjs';
import { createRaster } from '@/core/raster/raster';
import { Refusal } from '@/core/refusal';
import { Drawings } from './drawings';
import { Intake } from './intake';
import { OwnFonts } from './ownFonts';
import { plain, siteWithHeader } from './pictures.fixture';

const png = (width: number): Uint8Array<ArrayBuffer> =>
  new Uint8Array(PNG.sync.write(new PNG({ width, height: 4 })));
const file = (name: string, bytes: Uint8Array<ArrayBuffer>) => ({
  name,
  arrayBuffer: async () => bytes.buffer,
});

function intakeOf() {
  const log: string[] = [];
  const intake = new Intake({
    inspect: async (name, bytes) => inspectPicture(name, bytes),
    async read(bytes) {
      if (bytes.length < 60) {
        throw new Refusal('it breaks off');
      }
      const size = { width: 6, height: 4 };
      return { photo: { raster: createRaster(6, 4), mipLevel: 0 }, size };
    },
    async store(bytes) {
      log.push(`store ${bytes.length}`);
      return `asset-${bytes.length}`;
    },
    async adopt(id) {
      log.push(`adopt ${id}`);
    },
    refused: (words) => log.push(`refused ${words}`),
  });
  return { intake, log };
}

test('files are taken in their order; one that is refused is said, stores nothing and stops no other', async () => {
  const { intake, log } = intakeOf();
  const items: string[] = [];
  const whole = png(6);
  await intake.take(
    [
      file('pots/Bowls.PNG', whole),
      file(
        'notes.jpg',
        new TextEncoder().encode('only words, no picture') as Uint8Array<ArrayBuffer>,
      ),
      file('cut.png', whole.slice(0, 58)),
      file('kiln.png', png(8)),
    ],
    (item) => items.push(`${item.name} ${item.width} ${item.format}`),
  );
  expect(items).toEqual(['Bowls 6 png', 'kiln 6 png']);
  expect(log.filter((l) => l.startsWith('refused'))).toEqual([
    expect.stringContaining('notes.jpg'),
    'refused cut.png: expected a whole PNG picture, but it breaks off.',
  ]);
  expect(log.filter((l) => l.startsWith('store'))).toHaveLength(2);
  expect(intake.state.getState().reading).toBeUndefined();
});

test('of many refusals the first are said in full, and the others together by name', async () => {
  const { intake, log } = intakeOf();
  const none = Array.from({ length: 20 }, (_, i) => file(`none-${i}.png`, png(6).slice(0, 40)));
  await intake.take(none, () => {});
  const said = log.filter((l) => l.startsWith('refused'));
  expect(said).toHaveLength(4);
  expect(said[3]).toBe(
    `refused 17 more files were not taken: ${none
      .slice(3, 15)
      .map(({ name }) => name)
      .join(', ')} and others.`,
  );
});

test('what is being read is said, and what is left is left out once it is cancelled', async () => {
  const { intake } = intakeOf();
  const seen: (string | undefined)[] = [];
  intake.state.subscribe((s) => seen.push(s.reading?.words));
  const items: string[] = [];
  await intake.take([file('a.png', png(6)), file('b.png', png(6))], (item) => {
    items.push(item.name);
    intake.cancel();
  });
  expect(items).toEqual(['a']);
  expect(seen).toEqual(['1 of 2, a.png', undefined]);
});

test('a drawing is made once for each state, one after the other, and a failure holds up none', async () => {
  const kept = new Map<string, string>();
  let drawn = 0;
  let fail = true;
  const drawings = new Drawings<string>({
    async pixels({ width, height }) {
      if (fail) {
        fail = false;
        throw new Error('no photo');
      }
      drawn++;
      return plain(width, height);
    },
    toPng: async (raster) => `${raster.width}×${raster.height}`,
    keptKey: async (site, slot) => kept.get(`${site}/${slot}`),
    keep: async (site, slot, key) => void kept.set(`${site}/${slot}`, key),
  });
  const [slot] = siteWithHeader.slots;
  await drawings.refresh(siteWithHeader, slot);
  expect([drawn, kept.size]).toEqual([0, 0]);
  await Promise.all([
    drawings.refresh(siteWithHeader, slot),
    drawings.refresh(siteWithHeader, slot),
  ]);
  expect([drawn, kept.size]).toEqual([1, 1]);
});

test('a font is registered once, tried before it is stored, and tried again where it failed', async () => {
  const log: string[] = [];
  let there = false;
  const fonts = new OwnFonts({
    async asset(id) {
      if (!there) {
        throw new Error('gone');
      }
      return new Uint8Array([id.length]);
    },
    async store() {
      log.push('store');
      return 'abc';
    },
    read: async () => ({ family: 'Loam', weights: [400, 700], xHeight: 0.5, contrast: 1 }),
    async tryOut(bytes) {
      if (bytes[0] === 0) {
        throw new Error('OTS');
      }
    },
    register: async (id) => void log.push(`register ${id}`),
  });
  const own = await fonts.take(file('loam.ttf', new Uint8Array([1])));
  expect(own).toMatchObject({ id: 'own:abc', assetId: 'abc', family: 'Loam' });
  await expect(fonts.take(file('bad.ttf', new Uint8Array([0])))).rejects.toThrow(
    'bad.ttf: expected a font that this browser can use',
  );
  expect(log).toEqual(['store']);
  await fonts.register([own]);
  there = true;
  await fonts.register([own]);
  await fonts.register([own]);
  expect(log).toEqual(['store', 'register own:abc']);
});
