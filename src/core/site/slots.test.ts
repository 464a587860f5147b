import { linesOf } from '../handover/lines.fixture';
import { firstCopy } from '../measure/background';
import { layoutPage, type LaidSlot } from '../measure/layoutPage';
import { applyEdit, type Edit } from './edit';
import { removeSlot, takeOff } from './dropSlot';
import type { Site } from './model/site';
import type { SlotKind } from './model/slot';
import { newSite } from './newSite';
import {
  addPage,
  backgroundOf,
  editPage,
  makeDefaultBackground,
  pagesWith,
  removePage,
  slotsAside,
  slotsOn,
} from './pages';
import { readSite } from './schema';
import { addSlot, hangDivider, moveSlot, placeSlot, resizeSlot, turnSidebar } from './slots';

const empty = newSite('x', 'home', 'X');
const after = (site: Site, ...edits: Edit[]): Site => edits.reduce(applyEdit, site);
const kinds: SlotKind[] = ['header', 'background', 'sidebar', 'divider', 'mark', 'band', 'piece'];
const full = after(
  empty,
  ...kinds.map((kind) => addSlot('home', { id: kind, kind, width: 200, height: 100 })),
);
const pieceOf = (site: Site, id: string, width = 1280) =>
  layoutPage(site, site.pages[0], width).boxes.find(
    (p): p is LaidSlot => p.type === 'slot' && p.slot.id === id,
  )!;

test('a slot of every kind finds its place on the page, and the site stays one the schema accepts', () => {
  expect(
    slotsOn(full, full.pages[0])
      .map((s) => s.id)
      .sort(),
  ).toEqual([...kinds].sort());
  expect(kinds.every((id) => pieceOf(full, id) !== undefined)).toBe(true);
  expect(readSite(JSON.parse(JSON.stringify(full)))).toEqual(full);
});

test('what lay in the place of a new slot stays in the site, on no page, and can be laid again', () => {
  const two = after(full, addSlot('home', { id: 'other', kind: 'header', width: 300, height: 80 }));
  expect(slotsAside(two).map((s) => s.id)).toEqual(['header']);
  expect(two.slots.find((s) => s.id === 'other')?.name).toBe('Header 2');
  expect(slotsAside(after(two, placeSlot('home', 'header'))).map((s) => s.id)).toEqual(['other']);
});

test('taken off a page it stays; removed it is gone with its picture, and every other edit of the page is as before', () => {
  for (const kind of kinds) {
    const off = after(full, takeOff('home', kind));
    const gone = after(full, removeSlot(kind));
    expect(slotsAside(off).map((s) => s.id)).toEqual([kind]);
    expect(gone.slots.map((s) => s.id)).not.toContain(kind);
    expect(Object.keys(gone.pictures)).toHaveLength(kinds.length - 1);
    expect(readSite(JSON.parse(JSON.stringify(gone)))).toEqual(gone);
  }
});

test('a strip and its column, a band and its height, have one size', () => {
  const wider = after(
    full,
    resizeSlot('sidebar', { width: 328 }),
    resizeSlot('band', { height: 180 }),
  );
  expect(wider.pages[0].body.sidebars[0].width).toBe(328);
  expect(wider.pages[0].band?.height).toBe(180);
  expect(pieceOf(wider, 'sidebar').rect.width).toBe(328);
});

test('content is moved off its place by px of its own, a background by its position', () => {
  const before = pieceOf(full, 'header');
  const moved = after(full, moveSlot('header', { x: 30, y: -10 }, { x: 0, y: 0 }));
  expect(pieceOf(moved, 'header').rect).toMatchObject({
    x: before.rect.x + 30,
    y: before.rect.y - 10,
  });
  expect(
    linesOf(
      moved,
      moved.slots.find((s) => s.id === 'header')!,
      moved.pictures['picture-header'],
    ).css,
  ).toContain('left: 30px');
  const copy = firstCopy(pieceOf(full, 'background'));
  const shifted = after(full, moveSlot('background', { x: 17, y: 5 }, copy));
  expect(firstCopy(pieceOf(shifted, 'background'))).toMatchObject({
    x: Math.round(copy.x + 17),
    y: copy.y + 5,
  });
});

test('a sidebar changes sides, a divider sections', () => {
  const left = after(full, turnSidebar('home', 'sidebar', 'left'));
  expect(pieceOf(left, 'sidebar').rect.x).toBe(160);
  const two = after(
    full,
    editPage('home', (page) => {
      page.sections.push({
        height: 100,
        colour: '#101010',
        ink: '#ffffff',
        heading: '',
        dividerSlot: null,
      });
    }),
    hangDivider('home', 'divider', 1),
  );
  expect(two.pages[0].sections.map((s) => s.dividerSlot)).toEqual([null, 'divider']);
});

test('pages share the default background unless they have their own', () => {
  const site = after(full, addPage('home', 'news', 'News'), makeDefaultBackground('background'));
  const [home, news] = site.pages;
  expect(home.background).toEqual({ type: 'default' });
  expect([home, news].map((page) => backgroundOf(site, page))).toEqual([
    'background',
    'background',
  ]);
  const own = after(
    site,
    addSlot('news', { id: 'photo', kind: 'background', width: 1400, height: 900 }),
  );
  expect(own.pages.map((page) => backgroundOf(own, page))).toEqual(['background', 'photo']);
  const css = (id: string) =>
    linesOf(
      own,
      own.slots.find((s) => s.id === id)!,
      own.pictures[`picture-${id}`],
    );
  expect(css('background').css).toMatch(/^body \{/);
  expect(css('photo').css).toMatch(/^body\.news \{/);
  expect(css('photo').html).toBe('<body class="news">\n');
  expect(
    pagesWith(
      own,
      own.slots.find((s) => s.id === 'header')!,
    ).map((p) => p.name),
  ).toEqual(['Home', 'News']);
  expect(after(own, removePage('home'), removePage('news')).pages).toHaveLength(1);
});

test('columns: two sidebars leave the rest of the content to the text, and no column is drawn over another', () => {
  const three = after(
    full,
    editPage('home', (page) => {
      page.body.sidebars = [
        { side: 'left', width: 200, slot: null },
        { side: 'right', width: 240, slot: 'sidebar' },
      ];
    }),
  );
  const text = layoutPage(three, three.pages[0], 1280).boxes.find((p) => p.type === 'lines')!;
  expect(text.rect.x).toBeGreaterThan(160 + 200);
  expect(text.rect.x + text.rect.width).toBeLessThan(160 + 960 - 240);
  expect(pieceOf(three, 'sidebar').rect).toMatchObject({ x: 160 + 960 - 240, width: 240 });
});

test('the page is laid out at every screen width without a box of negative size', () => {
  for (let width = 320; width <= 3840; width += 55) {
    for (const box of layoutPage(full, full.pages[0], width).boxes) {
      expect(box.rect.width).toBeGreaterThanOrEqual(0);
      expect(box.rect.height).toBeGreaterThanOrEqual(0);
    }
  }
});
