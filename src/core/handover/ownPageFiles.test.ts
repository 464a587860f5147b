import { strFromU8, strToU8 } from 'fflate';
import { produce } from 'immer';
import { newSite } from '../site/newSite';
import type { PageSurvey } from '../ownPage/survey';
import type { OwnPage, OwnPageFile } from '../site/model/ownPage';
import { addSlot } from '../site/slots';
import { ownPageFiles, type Taken } from './ownPageFiles';
import type { SlotFiles } from './filePlan';
import { pageWishes } from './pageWishes';

const asset = (n: number) => String(n).padStart(64, '0');
const file = (n: number, path: string, type: string): OwnPageFile => ({
  key: `frozen:${n}`,
  name: path.split('/').at(-1)!,
  path,
  type,
  assetId: asset(n),
  size: null,
  original: null,
});

const assets = new Map<string, Uint8Array<ArrayBuffer>>();
const put = (n: number, text: string) => assets.set(asset(n), strToU8(text) as never);
put(1, '.hero { background: url("frozen:2") } .a { background: url(frozen:3) }');
put(2, 'the old hero');
put(3, 'a tile');
put(4, 'a sheet without an ending {background:url(frozen:3)}');
put(
  9,
  '<!doctype html><html><head><link rel="stylesheet" href="frozen:1"></head><body><img srcset="frozen:2 1x, frozen:3 2x" style="background:url(frozen:3)"></body></html>',
);
const read = async (id: string) => assets.get(id)!;

const own: OwnPage = {
  from: 'page',
  file: 'index.html',
  title: 'Home',
  document: asset(9),
  original: null,
  files: [
    file(1, 'theme/style.css', 'text/css'),
    file(2, 'theme/my images/hero (1).png', 'image/png'),
    file(3, 'tile.png', 'image/png'),
    file(4, 'css?v=2', 'text/css'),
  ],
  left: [],
  missing: [],
  survey: asset(8),
  places: [],
  inks: [],
};

const site = produce(
  newSite('s', 'p', 'Site'),
  addSlot('p', { id: 'hero', kind: 'header', width: 90, height: 50 }),
);
const nothingMeasured = { pictures: [], parts: [], at: [], rules: [] } as unknown as PageSurvey;
const wishes = (plan: readonly SlotFiles[], page = own) => pageWishes(page, nothingMeasured, plan);
const planned = (path: string, replaces: string | null): SlotFiles => ({
  slot: { ...site.slots[0], replaces },
  picture: Object.values(site.pictures)[0],
  files: [{ path } as SlotFiles['files'][number]],
});
const textOf = (files: readonly { path: string; bytes: Uint8Array }[], path: string) =>
  strFromU8(files.find((f) => f.path === path)!.bytes);

test('a page goes out under its own names, each file told where the others lie from there', async () => {
  const taken: Taken = new Map([['theme/my images/hero (1).png', 'planned']]);
  const plan = [planned('theme/my images/hero (1).png', 'theme/my images/hero (1).png')];
  const files = await ownPageFiles(own, 'home.html', wishes(plan), taken, read);
  // The new hero is the plan's, and not written here.
  expect(files.map((f) => f.path)).toEqual([
    'home.html',
    'theme/style.css',
    'tile.png',
    'css?v=2.css',
  ]);
  expect(textOf(files, 'theme/style.css')).toBe(
    '.hero { background: url("my%20images/hero%20%281%29.png") } .a { background: url(../tile.png) }',
  );
  expect(textOf(files, 'home.html')).toContain(
    'srcset="theme/my%20images/hero%20%281%29.png 1x, tile.png 2x" style="background:url(tile.png)"',
  );
  expect(textOf(files, 'home.html')).toContain('href="theme/style.css"');
});

test('names that are taken are left to those that have them; what two pages share lies there once', async () => {
  const taken: Taken = new Map([
    ['theme/style.css', 'ours'],
    ['tile.png', 'ours'],
  ]);
  const first = await ownPageFiles(own, 'home.html', wishes([]), taken, read);
  expect(first.map((f) => f.path)).toEqual([
    'home.html',
    'page-files/theme/style.css',
    'theme/my images/hero (1).png',
    'page-files/tile.png',
    'css?v=2.css',
  ]);
  expect(textOf(first, 'page-files/theme/style.css')).toContain('url(../tile.png)');
  const second = await ownPageFiles(own, 'about.html', wishes([]), taken, read);
  expect(second.map((f) => f.path)).not.toContain('theme/my images/hero (1).png');
  expect(textOf(second, 'about.html')).toContain('theme/my%20images/hero%20%281%29.png 1x');
});

test('a picture in an element that has none comes by a rule of its own, and by no hostile one', async () => {
  const place = {
    slot: 'hero',
    as: 'background',
    pseudo: '',
    layer: 0,
    rect: null,
    measured: null,
  };
  const plan = [planned('pictures/hero.png', null)];
  const sheet = async (selector: string, ruled: 'own' | 'important' = 'own') => {
    const page = { ...own, places: [{ ...place, selector, ruled }] };
    const files = await ownPageFiles(page, 'home.html', wishes(plan, page), new Map(), read);
    return textOf(files, 'theme/style.css');
  };
  expect(await sheet('main > .card')).toMatch(
    /\.a \{[^}]*\}\nmain > \.card \{\n {2}background-image: url\("\.\.\/pictures\/hero\.png"\);\n {2}background-position: 0 0;\n {2}background-size: 100% 100%;\n {2}background-repeat: no-repeat;\n\}\n$/,
  );
  expect(await sheet('.card', 'important')).toContain('no-repeat !important;');
  for (const hostile of ['</style><script>alert(1)</script>', 'a{}b', '@import "x"', 'a;b']) {
    expect(await sheet(hostile)).not.toContain('pictures/hero.png');
  }
});
