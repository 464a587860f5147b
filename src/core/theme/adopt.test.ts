import { besideColours } from '../seam/beside';
import { applyEdit } from '../site/edit';
import { shelfItem } from '../shelf/item';
import { newSite } from '../site/newSite';
import { slotsAside, slotsOn } from '../site/pages';
import { readSite } from '../site/schema';
import { adoptTheme, guessKind, namedColours, type ThemePicture } from './adopt';
import { readTheme } from './readTheme';

const css =
  'body { background: #3f5161 url(i/strip.png) repeat-x } #header { background: url(i/Top_1.jpg) no-repeat 50% 0 } .menu li { background: url(i/end.gif) }';
const theme = readTheme([{ path: 't/style.css', text: css }]);
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
const pictures: ThemePicture[] = [
  ['t/i/strip.png', 1, 675, 'png'],
  ['t/i/Top_1.jpg', 940, 198, 'jpeg'],
  ['t/i/end.gif', 12, 32, 'gif'],
].map(([path, width, height, format]) => {
  const found = theme.backgrounds.find((b) => b.path === path)!;
  return {
    path: path as string,
    found,
    item: item(path as string, width as number, height as number, format as string),
    kind: guessKind(found, path as string, { width: width as number, height: height as number }),
  };
});

let id = 0;
const site = applyEdit(
  newSite('x', 'home', 'X'),
  adoptTheme({
    colours: namedColours(theme.colours),
    contentWidth: 940,
    fonts: theme.fonts,
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

test('it lies as the style sheet lays it, and says where that stands', () => {
  expect(slotFor('t/i/strip.png')).toMatchObject({
    repeat: 'repeat-x',
    measured: { from: 'stylesheet', file: 't/style.css', line: 1 },
  });
  expect(slotFor('t/i/Top_1.jpg')).toMatchObject({
    position: { x: { value: 50, unit: '%' }, y: { value: 0, unit: 'px' } },
  });
});

test('backgrounds and headers go on the page, pieces wait; the colour under the background becomes the page’s and lies beside the header', () => {
  expect(slotsOn(site, site.pages[0]).map((s) => s.kind)).toEqual(['header', 'background']);
  expect(slotsAside(site).map((s) => s.kind)).toEqual(['piece']);
  expect(site.pages[0]).toMatchObject({ ground: '#3f5161', content: { px: 940 } });
  expect(besideColours(site, slotFor('t/i/Top_1.jpg'), 'left')).toMatchObject({
    colour: '#3f5161',
    area: { role: 'ground' },
  });
});

test.each<[string, string, number, number, string]>([
  ['html body', 'bg.jpg', 1400, 900, 'background'],
  ['#masthead', 'a.png', 1000, 150, 'header'],
  ['.site-logo', 'logo.png', 368, 80, 'mark'],
  ['.sidebar', 's.png', 435, 44, 'sidebar'],
  ['#header .button', 'b.png', 90, 30, 'piece'],
  ['.page-title', 't.jpg', 1200, 200, 'band'],
  ['.about::before', 'wave-divider.svg', 2000, 100, 'divider'],
  ['.x', 'y.png', 10, 10, 'piece'],
])('%s with %s of %s×%s is a %s', (selector, path, width, height, kind) =>
  expect(guessKind({ selector }, path, { width, height })).toBe(kind),
);

test('colours without a name get that of their use, each once', () => {
  const uses = { background: 0, text: 2, border: 0, link: 0, other: 0 };
  expect(
    namedColours([
      { hex: '#111111', count: 2, uses },
      { hex: '#222222', count: 2, uses },
      { hex: '#333333', count: 1, uses, name: 'color-clay' },
    ]).map((c) => c.name),
  ).toEqual(['text', 'text 2', 'clay']);
});
