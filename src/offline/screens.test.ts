import { readdirSync } from 'node:fs';
import { componentsOf, filled, keptAddress, keptAddresses, screenAt, screens } from './screens';

test('every page of the application is a screen that is kept, but the pages of the stand-in host', () => {
  const pages = readdirSync('src/app', { recursive: true, encoding: 'utf8' })
    .filter((path) => /(^|\/)page\.tsx$/.test(path))
    .map((path) => `/${path.replace(/\/?page\.tsx$/, '')}`);
  expect(pages.toSorted()).toEqual(screens.toSorted());
});

test('what is kept lies at one address for every screen, and its components beside it', () => {
  expect(keptAddresses).toHaveLength(2 * screens.length);
  expect(new Set(keptAddresses).size).toBe(keptAddresses.length);
  for (const address of screens.map(keptAddress)) {
    expect(address).not.toContain('[');
    expect(keptAddresses).toContain(componentsOf(address));
  }
});

test('an address finds its screen, with the ids that belong in it', () => {
  expect(screenAt('/')).toEqual({ kept: '/', ids: [] });
  const bench = screenAt('/sites/5eef-01/slots/header')!;
  expect(bench.kept).toBe(keptAddress('/sites/[siteId]/slots/[slotId]'));
  expect(bench.ids.map(([, id]) => id)).toEqual(['5eef-01', 'header']);
  expect(screenAt('/sites/5eef-01/shelf')!.kept).toBe(keptAddress('/sites/[siteId]/shelf'));
});

test.each([
  '/sites',
  '/sites/',
  '/sites/a/b',
  '/sites/a/slots/b/c',
  '/rehearsal/a/index.html',
  '/api/library',
  '/sites/"><script>/shelf',
  '/sites/%22/shelf',
])('%s is no screen', (path) => {
  expect(screenAt(path)).toBeUndefined();
});

test('a kept document holds the ids that were asked for, wherever they stand', () => {
  const asked = screenAt('/sites/a1/slots/b2')!;
  const [[site], [slot]] = asked.ids;
  expect(filled(`<p>${slot}</p>["${site}","${slot}"]`, asked)).toBe('<p>b2</p>["a1","b2"]');
});
