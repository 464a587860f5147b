import { layoutPage, type LaidSlot } from '../measure/layoutPage';
import { slotKinds } from '../slots/registry';
import { readSite } from './schema';
import { freeSiteName, siteWithSlot } from './siteWithSlot';

const ids = { site: 's', page: 'p', slot: 'x' };

test.each(slotKinds.map(({ kind }) => kind))('a first site for a slot: %s', (kind) => {
  const site = siteWithSlot(ids, 'My site', { kind, width: 640, height: 90 });
  expect(readSite(JSON.parse(JSON.stringify(site)))).toEqual(site);
  const laid = layoutPage(site, site.pages[0], 1440).boxes.find(
    (box): box is LaidSlot => box.type === 'slot',
  );
  expect(laid).toMatchObject({ slot: { kind, width: 640, height: 90 }, scale: 1 });
});

test('a header is as wide as the content of its page, on a screen with room for it', () => {
  const site = siteWithSlot(ids, 'My site', { kind: 'header', width: 1180, height: 240 });
  const page = layoutPage(site, site.pages[0], 1440);
  expect(page.content.width).toBe(1180);
  // Of a header that no page is as wide as, the page stays as it is.
  const odd = siteWithSlot(ids, 'My site', { kind: 'header', width: 12, height: 240 });
  expect(odd.pages[0].content.px).toBe(960);
});

test('a mark has room in its bar', () => {
  const site = siteWithSlot(ids, 'My site', { kind: 'mark', width: 300, height: 120 });
  expect(site.pages[0].bar.height).toBe(128);
});

test('sites are not called the same', () => {
  expect(freeSiteName([], 'My site')).toBe('My site');
  expect(freeSiteName(['My site', 'My site 2'], 'My site')).toBe('My site 3');
});
