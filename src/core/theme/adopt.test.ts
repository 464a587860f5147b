import { applyEdit } from '../site/edit';
import { shelfItem } from '../shelf/item';
import { newSite } from '../site/newSite';
import { slotsAside, slotsOn } from '../site/pages';
import { readSite } from '../site/schema';
import type { SlotKind } from '../site/model/slot';
import { laidAs } from '../ownPage/places';
import { adoptTheme, type ThemePicture } from './adopt';

const item = (name: string, width: number, height: number, format: string) =>
  shelfItem({
    assetId: `id-${name.replace(/\W/g, '-')}`,
    name,
    width,
    height,
    format,
    bytes: 1,
    source: 'theme',
  });
const laid = (repeat: string, position: string) =>
  laidAs({
    repeat,
    position,
    size: 'auto',
    attachment: 'scroll',
    origin: 'padding-box',
    clip: 'border-box',
  });
const pictures: ThemePicture[] = (
  [
    ['t/i/strip.png', 1, 675, 'png', 'background', laid('repeat-x', '0% 0%')],
    ['t/i/Top_1.jpg', 940, 198, 'jpeg', 'header', laid('no-repeat', '50% 0px')],
    ['t/i/end.gif', 12, 32, 'gif', 'piece', undefined],
  ] as [string, number, number, string, SlotKind, ThemePicture['laid']][]
).map(([path, width, height, format, kind, how]) => ({
  path,
  kind,
  laid: how,
  item: item(path, width, height, format),
}));

let id = 0;
const site = applyEdit(
  newSite('x', 'home', 'X'),
  adoptTheme({
    colours: [{ name: 'page', hex: '#3f5161' }],
    fonts: [
      { family: 'Lora', headings: false, body: true },
      { family: 'No Such Font', headings: true, body: false },
    ],
    pictures,
    pageId: 'home',
    newId: () => `new-${id++}`,
  }),
);
const slotFor = (path: string) => site.slots.find((s) => s.replaces === path)!;

test('each picture is a slot of its exact size under its own name and format, filled with its file, which is on the shelf', () => {
  expect(site.slots.map((s) => [s.kind, s.width, s.height, s.fileName])).toEqual([
    ['background', 1, 675, 'strip'],
    ['header', 940, 198, 'Top_1'],
    ['piece', 12, 32, 'end'],
  ]);
  const formats = site.slots.map((s) => site.pictures[s.pictureId].press.format);
  expect(formats).toEqual(['png', 'jpeg', 'png']);
  expect(site.slots.map((s) => site.pictures[s.pictureId].layers.length)).toEqual([1, 1, 1]);
  expect(site.shelf.map((i) => i.name)).toEqual(pictures.map((p) => p.path));
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
});

test('what lies there now is within the bounds of its slot', () => {
  const heavy = { ...pictures[2], item: { ...pictures[2].item, bytes: 48_200 } };
  const edit = adoptTheme({ pictures: [heavy], pageId: 'home', newId: () => `heavy-${id++}` });
  const [slot] = applyEdit(newSite('x', 'home', 'X'), edit).slots;
  expect(slot.budgetBytes).toBe(48_200);
  expect(slotFor('t/i/strip.png').budgetBytes).toBe(300_000);
});

test('it lies as the page lays it', () => {
  expect(slotFor('t/i/strip.png')).toMatchObject({ repeat: 'repeat-x' });
  expect(slotFor('t/i/Top_1.jpg')).toMatchObject({
    repeat: 'no-repeat',
    position: { x: { value: 50, unit: '%' }, y: { value: 0, unit: 'px' } },
  });
});

test('backgrounds and headers go on the page, pieces wait; colours and fonts that ship become the theme’s', () => {
  expect(slotsOn(site, site.pages[0]).map((s) => s.kind)).toEqual(['header', 'background']);
  expect(slotsAside(site).map((s) => s.kind)).toEqual(['piece']);
  expect(site.theme).toMatchObject({
    colours: [{ name: 'page', hex: '#3f5161' }],
    headingFont: 'archivo',
    bodyFont: 'lora',
  });
});
