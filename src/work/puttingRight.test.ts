import { newWash } from '@/core/layers/fill';
import { newText } from '@/core/layers/text';
import { createRaster } from '@/core/raster/raster';
import type { TextReport } from '@/core/legibility/report';
import { addLayer, applyEdit, chain, editLayer, type Edit } from '@/core/site/edit';
import type { FillLayer } from '@/core/site/model/blendLayers';
import type { Picture } from '@/core/site/model/picture';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import type { WrittenFile } from './pictureFiles';
import { puttingRight } from './puttingRight';

const id = 'picture-h';
const site = [
  addSlot('home', { id: 'h', kind: 'header', width: 300, height: 90 }),
  addLayer(id, newWash('veil', '#000000', 0.2)),
  addLayer(id, newText('t', 'Kiln', 'archivo', 20, '#ffffff', 150, 20)),
].reduce(applyEdit, newSite('s', 'home', 'Veldrin'));
const slot = site.slots[0];

const veilOf = (picture: Picture): number =>
  picture.layers.find((l): l is FillLayer => l.kind === 'fill')!.opacity;

/** Files of pictures whose words read once their veil is so strong. */
function files(wanted: number) {
  let asked = 0;
  return {
    asked: () => asked,
    async file(_site: unknown, _slot: unknown, picture: Picture): Promise<WrittenFile> {
      asked++;
      const reads = veilOf(picture) >= wanted;
      const report: TextReport = {
        bounds: { x: 0, y: 0, width: 10, height: 10 },
        contrast: { worst: reads ? 5 : 4, fifth: reads ? 6 : 4.2, median: 8, at: { x: 1, y: 1 } },
        wanted: 4.5,
        veils: [{ colour: '#000000', percent: 20 }],
        inks: [],
      };
      return {
        bytes: 1,
        format: 'webp',
        width: 300,
        height: 90,
        decoded: createRaster(300, 90),
        texts: { t: report },
        data: new Uint8Array(1),
      } as WrittenFile;
    },
  };
}

const first: Edit = editLayer<FillLayer>(id, 'veil', { opacity: 0.3 });
const put = (from: ReturnType<typeof files>, ids: string[], wanted = () => true) =>
  puttingRight(from, { site, slot }, first, ids, wanted);
const strength = (edit: Edit): number => veilOf(applyEdit(site, edit).pictures[id]);

test('what holds after the first mends is left', async () => {
  const all = files(0.3);
  expect(strength(await put(all, ['legibility']))).toBe(0.3);
  expect(all.asked()).toBe(1);
});

test('what falls short is mended again until it holds, in one edit that can be done anywhere', async () => {
  const all = files(0.6);
  const edit = await put(all, ['legibility']);
  expect(strength(edit)).toBeGreaterThanOrEqual(0.6);
  expect(all.asked()).toBeGreaterThan(2);
  expect(strength(chain(edit))).toBe(strength(edit));
});

test('it ends where nothing helps, and touches no reading that was not chosen', async () => {
  const never = files(2);
  await put(never, ['legibility']);
  expect(never.asked()).toBe(5);
  const other = files(0.6);
  expect(strength(await put(other, ['seam-top']))).toBe(0.3);
});
