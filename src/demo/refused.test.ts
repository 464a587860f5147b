import type { Site } from '@/core/site/model/site';
import { brokenReference } from '@/core/site/references';
import { readSite } from '@/core/site/schema';
import { unsoundNumber } from '@/core/site/soundNumbers';
import { sampleSite } from './sample';
import { sampleShelf } from './sampleShelf.fixture';

const site = sampleSite('sample', sampleShelf);
/** The site with something changed, however wrong. */
const with_ = (change: (site: Record<string, never> & Site) => void): unknown => {
  const copy = structuredClone(site) as Record<string, never> & Site;
  change(copy);
  return copy;
};
const [header] = site.slots;

test('the sample is sound', () => {
  expect(readSite(site)).toEqual(site);
  expect(brokenReference(site)).toBeUndefined();
});

test.each<[string, unknown, string]>([
  [
    'a slot whose picture is not there',
    { ...site, pictures: {} },
    `Expected the picture ${header.pictureId} of ${header.name} in the site, found none`,
  ],
  [
    'a picture under another id',
    { ...site, pictures: { ...site.pictures, other: site.pictures[header.pictureId] } },
    'Expected the picture other under its own id',
  ],
  [
    'a slot twice',
    { ...site, slots: [...site.slots, header] },
    `Expected each slot once, found ${header.id} twice`,
  ],
  [
    'two slots with one picture',
    { ...site, slots: site.slots.map((s) => ({ ...s, pictureId: header.pictureId })) },
    'Expected each picture of a slot once',
  ],
  ['a page twice', { ...site, pages: [site.pages[0], site.pages[0]] }, 'Expected each page once'],
  [
    'a default background that is not there',
    { ...site, defaultBackground: 'gone' },
    'Expected the slot gone that is the default background in the site, found none',
  ],
  [
    'a header that is not there',
    { ...site, pages: [{ ...site.pages[0], headerSlot: 'gone' }] },
    'that is a header of the page Home',
  ],
  [
    'a piece that is not there',
    { ...site, pages: [{ ...site.pages[0], pieces: ['gone'] }] },
    'that is a theme piece of the page Home',
  ],
  [
    'a neighbour that is not there',
    {
      ...site,
      slots: site.slots.map((s) => ({
        ...s,
        beside: { ...s.beside, top: { from: 'slot', slot: 'gone' } },
      })),
    },
    `that is what lies beside ${header.name}`,
  ],
  [
    'a second arrangement that is not there',
    { ...site, slots: site.slots.map((s) => ({ ...s, narrow: { slot: 'gone', below: 600 } })) },
    `that is the second arrangement of ${header.name}`,
  ],
  [
    'a number that JSON cannot keep',
    { ...site, visitors: [{ width: 360, share: Infinity }] },
    'Expected visitors.0.share to be a finite number, found Infinity',
  ],
  ['an id that is a path', { ...site, id: '../../api/host/x' }, 'Expected id as a plain id'],
  ['an id of dots', { ...site, id: '..' }, 'Expected id as a plain id'],
  ['an empty id', { ...site, id: '' }, 'Expected id as a plain id'],
  [
    'a file outside of the folder',
    { ...site, slots: [{ ...header, replaces: '../secret.png' }] },
    'Expected a path inside the theme’s folder',
  ],
  [
    'a file with a sign that ends its name',
    { ...site, slots: [{ ...header, replaces: 'a\u0000.png' }] },
    'Expected a path inside the theme’s folder',
  ],
])('refuses %s', (_, value, words) => {
  expect(() => readSite(value)).toThrow(words);
});

test('every mention of a slot is looked after: taking any slot away alone leaves a lost reference or none at all', () => {
  for (const slot of site.slots) {
    const without = with_((s) => {
      Object.assign(s, { slots: s.slots.filter((other) => other.id !== slot.id) });
    });
    const text = JSON.stringify({ ...(without as Site), pictures: {}, slots: [] });
    const named = text.includes(`"${slot.id}"`);
    if (named) {
      expect(() => readSite(without)).toThrow(slot.id);
    } else {
      expect(readSite(without)).toEqual(without);
    }
  }
});

test('a site of a version that did not look after references is brought up without those that are lost', () => {
  const old = {
    ...site,
    schemaVersion: 6,
    defaultBackground: 'gone',
    slots: site.slots.map((s) => ({
      ...s,
      beside: { ...s.beside, top: { from: 'slot', slot: 'gone' } },
      narrow: { slot: 'gone', below: 600 },
    })),
    pages: site.pages.map((p) => ({
      ...p,
      headerSlot: 'gone',
      background: { type: 'own', slot: 'gone' },
      bar: { ...p.bar, markSlot: 'gone' },
      body: { ...p.body, sidebars: [{ side: 'left', width: 100, slot: 'gone' }] },
      sections: p.sections.map((s) => ({ ...s, dividerSlot: 'gone' })),
      pieces: ['gone', header.id],
    })),
  };
  const read = readSite(old);
  expect(JSON.stringify(read)).not.toContain('"gone"');
  expect(read.pages[0].pieces).toEqual([header.id]);
  expect(read.pages[0].background).toEqual({ type: 'default' });
});

test('numbers are looked for everywhere, and told by their place', () => {
  expect(unsoundNumber({ a: [1, { b: NaN }] })).toBe(
    'Expected a.1.b to be a finite number, found NaN',
  );
  expect(unsoundNumber({ a: [1, null, 'x', undefined, -0] })).toBeUndefined();
  expect(unsoundNumber(-Infinity)).toBe(
    'Expected the value to be a finite number, found -Infinity',
  );
});
