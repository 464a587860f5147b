import { readFileSync } from 'node:fs';
import { inspectPicture } from '@/core/measure/inspect';
import { readSite, SiteError } from '@/core/site/schema';
import { shelfItem } from '@/core/shelf/item';
import type { ShelfItem } from '@/core/site/model';
import { sampleFiles, sampleSite } from './sample';

const shelf: Record<string, ShelfItem> = Object.fromEntries(sampleFiles.map((file) => {
  const bytes = readFileSync(`public${file.url}`), { format, width, height } = inspectPicture(file.name, bytes);
  return [file.key, shelfItem({ assetId: file.key, name: file.name, width, height, format, bytes: bytes.length, maker: file.maker, licence: 'own' })];
}));
const site = sampleSite('s', shelf);

test('the sample is a site the schema accepts, as plain data', () => {
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
});

const without = (value: object, ...fields: string[]) => Object.fromEntries(Object.entries(value).filter(([key]) => !fields.includes(key)));
/** What layers have only had since version 3. */
const since3 = ['locked', 'crop', 'cutOut', 'effects', 'italic', 'spacing', 'lineHeight', 'stretchX', 'stretchY', 'wrap'];
const layersWithout = (...fields: string[]) => Object.fromEntries(Object.entries(site.pictures).map(([key, picture]) => [key, { ...picture, layers: picture.layers.map((l) => without(l, ...fields)) }]));

test('a site of version 2 is brought up to date and draws what it drew', () => {
  const layers = layersWithout(...since3), withTurns = Object.fromEntries(Object.entries(layers).map(([key, p]) => [key, { ...p, layers: p.layers.map((l) => (l.kind === 'text' ? without(l, 'turn') : l)) }]));
  expect(readSite({ ...without(site, 'fonts'), schemaVersion: 2, pictures: withTurns })).toEqual(site);
});

test('a site of version 1 is brought up to date and lies on its page as it did', () => {
  const old = {
    ...without(site, 'visitors', 'visitorsInvented', 'ownSizes', 'defaultBackground', 'fonts'), schemaVersion: 1,
    shelf: site.shelf.map((item) => without(item, 'date', 'rightsChecked', 'subject')),
    pictures: layersWithout(...since3, 'stretch', 'turn', 'flipX', 'flipY', 'sharpen'),
    slots: site.slots.map((slot) => without(slot, 'position', 'size', 'attachment', 'offset', 'measured', 'replaces')),
    pages: site.pages.map((page, i) => ({
      ...without(page, 'content', 'background', 'band', 'sections', 'pieces'), contentWidth: 1080, backgroundSlot: ['background', 'diary-background'][i], section: page.sections[0],
      body: { ...without(page.body, 'sidebars'), sidebarSlot: 'sidebar' },
    })),
  };
  const own = (slot: string) => ({ type: 'own', slot });
  expect(readSite(old)).toEqual({
    ...site, visitors: [], visitorsInvented: false, defaultBackground: null,
    slots: site.slots.map((slot) => ({ ...slot, measured: null })),
    pictures: Object.fromEntries(Object.entries(site.pictures).map(([key, picture]) => [key, { ...picture, layers: picture.layers.map((l) => (l.kind === 'photo' ? { ...l, sharpen: 0 } : l)) }])),
    pages: [{ ...site.pages[0], background: own('background') }, { ...site.pages[1], background: own('diary-background') }],
  });
});

test('its slots are those of the studio', () => {
  expect(site.slots.map((s) => `${s.kind} ${s.width}×${s.height}`)).toEqual(['header 1080×220', 'background 320×320', 'sidebar 328×240', 'divider 1920×90', 'mark 300×72', 'background 1400×900']);
});

test('at least four photographs, 2400 px wide or more', () => {
  expect(Object.values(shelf).filter((i) => i.format === 'jpeg' && i.width >= 2400).length).toBeGreaterThanOrEqual(4);
});

test.each([
  [{ ...site, schemaVersion: 4 }, 'Expected a site of version 3 or older, found version 4'],
  [null, 'Expected a site of version 3 or older, found no version'],
  [{ ...site, name: undefined }, 'name must be defined'],
  [{ ...site, slots: [{ ...site.slots[0], width: 'wide' }] }, 'slots[0].width'],
  [{ ...site, theme: { ...site.theme, colours: [{ name: 'kiln', hex: 'green' }] } }, 'Expected theme.colours[0].hex as #rrggbb'],
  [{ ...site, pictures: { p: { ...site.pictures['p-header'], layers: [{ ...site.pictures['p-header'].layers[0], kind: 'hologram' }] } } }, 'kind must be one of'],
  [{ ...site, pictures: { p: { ...site.pictures['p-header'], layers: [{ ...site.pictures['p-header'].layers[1], opacity: 3 }] } } }, 'opacity'],
])('a damaged site is refused with the field named (%#)', (damaged, message) => {
  expect(() => readSite(damaged)).toThrow(SiteError);
  expect(() => readSite(damaged)).toThrow(message);
});
