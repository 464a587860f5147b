import { visibleAt } from '../widths/visible';
import { hexOf } from '../colour/hex';
import { adjacentColours } from '../seam/adjacentColours';
import { produce, type Draft } from 'immer';
import { planFiles } from '../handover/filePlan';
import type { Picture } from '../site/model/picture';
import { shelfItem } from '../shelf/item';
import { contentWidthAt } from '../measure/layoutPage';
import { assetsOf } from '../site/assets';
import { addSlot } from '../site/slots';
import { removeSlot } from '../site/dropSlot';
import type { OwnPage } from '../site/model/ownPage';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { slotsOn } from '../site/pages';
import { readSite } from '../site/schema';
import { coloursOf, fontsOf } from './look';
import { placesOf, roomsOf, type Room } from './places';
import { bannerFile, surveyed } from './survey.fixture';
import { readSurvey } from './readSurvey';
import { surveyText } from './surveyText';
import {
  contentOf,
  pictureAt,
  placedAt,
  placePointed,
  takeOverPage,
  takePointed,
} from './takeOver';

const asset = (n: number): string => String(n).padStart(64, '0');

const own: OwnPage = {
  from: 'page',
  file: 'saved/home.html',
  title: 'Open kiln weekend',
  document: asset(1),
  original: null,
  files: [
    {
      key: 'frozen:0',
      name: 'banner.jpg',
      path: 'saved/banner.jpg',
      type: 'image/jpeg',
      assetId: asset(2),
      size: { width: 1400, height: 280 },
      original: null,
    },
  ],
  left: [{ what: 'script', name: 'menu.js' }],
  missing: [],
  survey: asset(3),
  places: [],
  inks: [],
};

const item = shelfItem({
  assetId: asset(2),
  name: 'banner.jpg',
  width: 1400,
  height: 280,
  format: 'jpeg',
  bytes: 3,
  maker: '',
  source: 'own page',
  licence: 'own',
  rightsChecked: true,
  subject: '',
  date: '2026-11-28',
});

let ids = 0;
const colours = coloursOf(surveyed.look);
/** A plain bar above, a column at the left that is two colours; cut at the right and below. */
const surround = {
  top: [{ px: 1400, colour: '#3b4a45' }],
  left: [
    { px: 100, colour: '#efe9dc' },
    { px: 180, colour: '#a4553a' },
  ],
  right: null,
  bottom: null,
} as const;
const measured = {
  surround,
  meets: ['top', 'left'] as const,
  over: null,
  scaled: null,
  seen: null,
  words: null,
};
const taking = (file = own.file, pageId = 'page', rooms: readonly Room[] = []) =>
  takeOverPage(
    {
      own: { ...own, file },
      survey: surveyed,
      places: placesOf(surveyed, [bannerFile], 1280).map((place) => ({ place, item, measured })),
      rooms,
      colours,
      fonts: fontsOf(surveyed.look),
      pageId,
      name: 'Open kiln weekend',
      freshId: `fresh-${++ids}`,
      newId: () => `id-${++ids}`,
    },
    colours,
  );

const empty = newSite('site', 'page', 'Clayworks');
const after = (site: Site, edit: ReturnType<typeof taking>): Site => readSite(produce(site, edit));

test('an empty page takes a saved page, its place as a slot, its colours and its widths', () => {
  const site = after(empty, taking());
  expect(site.pages).toHaveLength(1);
  const page = site.pages[0];
  const [slot] = slotsOn(site, page);
  expect(slot).toMatchObject({
    kind: 'header',
    width: 1400,
    height: 280,
    replaces: 'saved/banner.jpg',
    fileName: 'banner',
    size: 'cover',
    beside: { top: { from: 'page' }, right: null, bottom: null, left: { from: 'page' } },
  });
  expect(page.own!.places).toEqual([
    {
      slot: slot.id,
      as: 'background',
      selector: '.banner',
      pseudo: '',
      layer: 0,
      ruled: 'page',
      rect: null,
      measured,
    },
  ]);
  expect(pictureAt(surveyed, page.own!.places[0])!.id).toBe('7 background 0');
  expect(page).toMatchObject({
    ground: '#3b4a45',
    body: { colour: '#efe9dc', ink: '#2b2a26' },
    bar: { height: 64 },
  });
  expect(site.theme.colours).toContainEqual({ name: 'page', hex: '#3b4a45' });
  expect(site.theme.bodyFont).toBe('archivo');
  // Measured where it was measured, in proportion between, never wider than the screen.
  expect([320, 360, 820, 1280, 3840].map((w) => contentWidthAt(page, w))).toEqual([
    320, 360, 690, 1020, 1020,
  ]);
  expect(assetsOf(site).sort()).toEqual([asset(1), asset(2), asset(3)]);
});

test('a page that has slots is left alone; a page brought again is the same page', () => {
  const once = after(empty, taking());
  const other = after(once, taking('saved/news.html'));
  expect(other.pages.map((p) => [p.name, p.own?.file])).toEqual([
    ['Home', 'saved/home.html'],
    ['Open kiln weekend', 'saved/news.html'],
  ]);
  const again = after(other, taking('saved/home.html', other.pages[1].id));
  expect(again.pages).toHaveLength(2);
  // It keeps the slot that it has.
  expect(again.pages[0].own!.places).toEqual(other.pages[0].own!.places);
  expect(again.slots).toHaveLength(2);
});

test('a part without a picture becomes an empty slot of its size', () => {
  const site = after(empty, taking(undefined, undefined, roomsOf(surveyed, 1280)));
  expect(site.slots.map((s) => [s.kind, s.width, s.height])).toEqual([
    ['header', 1400, 280],
    ['header', 1280, 64],
  ]);
  expect(site.pages[0].own!.places.at(-1)).toMatchObject({ selector: 'header', rect: null });
});

test('colours that a site has stay, with their names; placeholders of a new one go', () => {
  const first = after(empty, taking());
  expect(first.theme.colours.map((c) => c.hex)).not.toContain('#e6e6e4');
  const named: Site = {
    ...first,
    theme: { ...first.theme, colours: [{ name: 'kiln', hex: '#3b4a45' }] },
  };
  const second = after(named, taking('saved/news.html'));
  expect(second.theme.colours[0]).toEqual({ name: 'kiln', hex: '#3b4a45' });
  expect(second.theme.colours.map((c) => c.hex)).toEqual(['#3b4a45', '#efe9dc', '#2b2a26']);
});

test('a box that was pointed at becomes a slot of its size; in a picture of a page it keeps its rectangle', () => {
  const site = after(empty, taking());
  const box = { x: 40.5, y: 30, width: 319.6, height: 90.2 };
  const point = (selector: string) =>
    readSite(
      produce(
        site,
        takePointed({
          pageId: 'page',
          id: 'made',
          selector,
          rect: box,
          kind: 'piece',
          measured: null,
          ruled: 'own',
        }),
      ),
    );
  const made = point('.card');
  expect(made.slots.at(-1)).toMatchObject({ id: 'made', kind: 'piece', width: 320, height: 90 });
  expect(made.pages[0].own!.places.at(-1)).toMatchObject({ selector: '.card', rect: null });
  expect(slotsOn(made, made.pages[0]).map((s) => s.id)).toContain('made');
  expect(point('').pages[0].own!.places.at(-1)).toMatchObject({ selector: '', rect: box });
});

test('a slot that was measured by itself is laid where its place is pointed at', () => {
  const site = after(empty, taking());
  const size = { width: 320, height: 90 };
  const alone = produce(site, addSlot('page', { id: 'alone', kind: 'header', ...size }));
  const rect = { x: 0, y: 0, width: 300, height: 100 };
  const place = {
    pageId: 'page',
    id: 'alone',
    selector: '.card',
    rect,
    measured,
    ruled: 'own' as const,
  };
  const laid = readSite(produce(alone, placePointed(place)));
  expect(laid.slots).toHaveLength(alone.slots.length);
  expect(laid.slots.at(-1)).toMatchObject({ id: 'alone', ...size });
  expect(laid.slots.at(-1)!.beside).toEqual({
    top: { from: 'page' },
    right: null,
    bottom: null,
    left: { from: 'page' },
  });
  expect(laid.pages[0].own!.places.at(-1)).toMatchObject({ slot: 'alone', selector: '.card' });
});

test('a place is the part that its slot’s picture paints, whatever lies there by now', () => {
  const [picture] = surveyed.pictures;
  const place = { slot: 'h', ...picture, rect: null, measured: null, ruled: 'page' as const };
  const [, at] = surveyed.at;
  const strip = {
    rect: { x: 700, y: 300, width: 276, height: 900 },
    // Not one of the page's files any more.
    source: 'blob:what-was-made',
    natural: undefined,
    laid: {
      ...at.placed.get(picture.id)!.laid!,
      repeat: 'repeat-y',
      size: 'auto',
      position: '0% 0%',
    },
    rule: undefined,
  };
  const laid = { ...at, placed: new Map([[picture.id, strip]]) };
  const slot = { width: 28, height: 200 };
  expect(placedAt(surveyed, laid, place, slot)).toEqual({ x: 700, y: 300, width: 28, height: 900 });
  const rooted = { pictures: [{ ...picture, root: true }] };
  expect(placedAt(rooted, laid, place, slot)).toEqual({ x: 0, y: 0, width: 1280, height: 1500 });
  expect(placedAt(surveyed, { ...laid, placed: new Map() }, place, slot)).toBeUndefined();
  expect(placedAt({ pictures: [] }, laid, place, slot)).toBeUndefined();
});

test('a slot that goes leaves no place behind', () => {
  const site = after(empty, taking());
  const gone = readSite(produce(site, removeSlot(site.pages[0].own!.places[0].slot)));
  expect(gone.pages[0].own!.places).toEqual([]);
});

test('a place that names no slot, an asset that is none and widths that are none are refused', () => {
  const site = after(empty, taking());
  const page = site.pages[0];
  const withOwn = (part: Partial<OwnPage>) => ({
    ...site,
    pages: [{ ...page, own: { ...page.own!, ...part } }],
  });
  expect(() => readSite(withOwn({ places: [{ ...page.own!.places[0], slot: 'nobody' }] }))).toThrow(
    /the slot nobody that is a place on the page Home/,
  );
  expect(() => readSite(withOwn({ document: '../../etc' }))).toThrow(/SHA-256/);
  expect(() =>
    readSite({ ...site, pages: [{ ...page, content: { ...page.content, measured: [] } }] }),
  ).toThrow(/measured/);
});

test('a content that grows with the screen keeps its share', () => {
  const at = surveyed.at.map((a) => ({
    ...a,
    parts: new Map([['part 0', { x: 0, y: 0, width: a.width * 0.8, height: 900 }]]),
  }));
  expect(contentOf({ at, parts: surveyed.parts })).toMatchObject({ px: null, percent: 80 });
});

test('a survey is the same after it was kept; what is none is refused in words', () => {
  expect(readSurvey(surveyText(surveyed))).toEqual(surveyed);
  for (const text of ['', '{}', '[]', surveyText(surveyed).replace('"width":360', '"width":"x"')]) {
    expect(() => readSurvey(text)).toThrow(/^Expected what was measured of a page, found/);
  }
});

test('beside a place lies what was measured there, px for px, and not what its drawing has', () => {
  const site = after(empty, taking());
  const slot = site.slots.at(-1)!;
  const top = adjacentColours(site, slot, 'top')!;
  expect([top.colour, top.area]).toEqual(['#3b4a45', undefined]);
  const left = adjacentColours(site, slot, 'left')!;
  expect(left.colour).toBeUndefined();
  expect([0, 99, 100, 279].map((i) => hexOf(left.at(i)))).toEqual([
    '#efe9dc',
    '#efe9dc',
    '#a4553a',
    '#a4553a',
  ]);
  expect(adjacentColours(site, slot, 'right')).toBeUndefined();
});

test('what screens show of a place is what was measured there, at the nearest screen', () => {
  const site = after(empty, taking());
  const slot = site.slots.at(-1)!;
  expect(visibleAt(site, slot, 1280)).toBeUndefined();
  const at = (screen: number, x: number) => ({
    screen,
    x,
    y: 0.4,
    width: 700.5,
    height: 280,
    scale: 0.5,
    covered: 0.25,
  });
  const known = produce(site, (draft) => {
    draft.pages[0].own!.places.at(-1)!.measured!.seen = [at(360, 350.25), at(1280, 0)];
  });
  expect(visibleAt(known, slot, 500)).toEqual({
    width: 500,
    part: { x: 351, y: 1, width: 699, height: 279 },
    scale: 0.5,
    covered: 0.25,
  });
  expect(visibleAt(known, slot, 1920)!.part.x).toBe(0);
});

test('a picture that nothing was done to is handed over as the file that it was; once anything is, it is written', () => {
  const site = after(empty, taking());
  const planned = (of: Site) => planFiles(of, () => true).find((p) => p.slot.replaces)!.files;
  expect(planned(site)).toEqual([expect.objectContaining({ asItWas: asset(2), scale: 1 })]);
  const changed = (change: (picture: Draft<Picture>) => void) =>
    produce(site, (draft) => change(draft.pictures[draft.slots.at(-1)!.pictureId]));
  const touched = [
    changed((p) => {
      p.layers[0].opacity = 0.5;
    }),
    changed((p) => {
      p.press.quality = 60;
    }),
    changed((p) => {
      p.ground = { type: 'colour', colour: '#ffffff' };
    }),
    produce(site, (draft) => {
      draft.slots.at(-1)!.width -= 1;
    }),
  ];
  for (const one of touched) {
    expect(planned(one).map((f) => f.asItWas)).toEqual([undefined]);
  }
});
