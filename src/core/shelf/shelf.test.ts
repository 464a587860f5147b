import { castDraft } from 'immer';
import { creditsOf, creditsPage } from '../handover/credits';
import { newPhoto } from '../layers/photo';
import { takeReadings } from '../readings/registry';
import { applyEdit, editShelf } from '../site/edit';
import type { ShelfItem } from '../site/model/shelf';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import { createRaster } from '../raster/raster';
import { sampleAt } from '../colour/sample';
import { shelfItem } from './item';
import { matches, shapeOf } from './search';

const picture = {
  title: 'Bowls in a row',
  words: 'stoneware évening',
  subject: 'pots',
  width: 1400,
  height: 640,
};

test.each([
  [{ words: 'bowl' }, true],
  [{ words: 'BOWLS stone' }, true],
  [{ words: 'owls' }, false],
  [{ words: 'Evening' }, true],
  [{ words: 'bowls kiln' }, false],
  [{ words: '' }, true],
  [{ words: '  ' }, true],
  [{ subject: 'pots' }, true],
  [{ subject: 'glaze' }, false],
  [{ shape: 'wide' as const }, true],
  [{ shape: 'tall' as const }, false],
  [{ leastWidth: 1400 }, true],
  [{ leastWidth: 1401 }, false],
])('search %j', (query, found) => expect(matches(picture, query)).toBe(found));

test('shapes', () =>
  expect(
    [
      [1400, 640],
      [1000, 1000],
      [1080, 1000],
      [840, 1260],
      [1000, 1099],
    ].map(([width, height]) => shapeOf({ width, height })),
  ).toEqual(['wide', 'square', 'square', 'tall', 'square']));

const item = (part: Partial<ShelfItem>) =>
  shelfItem({
    assetId: 'a',
    name: 'Bowls <1>',
    width: 100,
    height: 50,
    format: 'jpeg',
    bytes: 1,
    ...part,
  });
const siteWith = (part: Partial<ShelfItem>): Site => {
  const shelved = item(part);
  const empty = applyEdit(
    { ...newSite('x', 'home', 'X'), shelf: [shelved] },
    addSlot('home', { id: 's', kind: 'header', width: 100, height: 50 }),
  );
  return applyEdit(empty, (site) => {
    site.pictures['picture-s'].layers = [
      castDraft(newPhoto('p', shelved, { width: 100, height: 50 })),
    ];
  });
};
const reading = (site: Site) =>
  takeReadings({ site, slot: site.slots[0], picture: site.pictures['picture-s'] }).find(
    (r) => r.id === 'credit',
  );

test('credits: text and HTML with the licence’s address, markup kept out; none where none is asked for', () => {
  const { text, html } = creditsPage([
    item({ licence: 'cc-by', maker: 'Orla & Co', source: 'the picture library' }),
    item({ licence: 'cc0' }),
  ]);
  expect(text).toBe(
    '“Bowls <1>” by Orla & Co, from the picture library, CC BY 4.0 (https://creativecommons.org/licenses/by/4.0/), cropped and recoloured\n',
  );
  expect(html).toBe(
    '<ul class="picture-credits">\n  <li>“Bowls &lt;1&gt;” by Orla &amp; Co, from the picture library, <a rel="license" href="https://creativecommons.org/licenses/by/4.0/">CC BY 4.0</a>, cropped and recoloured</li>\n</ul>\n',
  );
  expect(creditsPage([item({ licence: 'cc0' })])).toEqual({ text: '', html: '' });
});

test('only pictures in use are credited, with their slots', () => {
  expect(
    creditsOf(siteWith({ licence: 'cc-by-sa', maker: 'O' })).map((c) => c.slots.map((s) => s.id)),
  ).toEqual([['s']]);
  expect(
    creditsOf(
      applyEdit(siteWith({ licence: 'cc-by' }), (site) => {
        site.pictures['picture-s'].layers = [];
      }),
    ),
  ).toEqual([]);
});

describe('rights and credit', () => {
  test('checked and with its maker holds', () =>
    expect(
      reading(siteWith({ licence: 'cc-by', maker: 'Orla', rightsChecked: true })),
    ).toMatchObject({ verdict: 'holds', figure: '1 checked' }));
  test('a maker missing where the licence asks for a credit fails', () =>
    expect(reading(siteWith({ licence: 'cc-by', rightsChecked: true }))).toMatchObject({
      verdict: 'fails',
      figure: 'maker missing',
    }));
  test('not checked, or with a licence not known, is to be looked at', () =>
    expect(reading(siteWith({ licence: '' }))).toMatchObject({
      verdict: 'look',
      figure: '1 not checked',
    }));
  test('ticked on the shelf it holds', () =>
    expect(
      reading(applyEdit(siteWith({ licence: 'own' }), editShelf('a', { rightsChecked: true }))),
    ).toMatchObject({ verdict: 'holds' }));
});

test('samples: the mean of 1, 3 or 5 px, less what lies outside or is see-through', () => {
  const raster = createRaster(5, 5);
  for (let i = 0; i < 25; i++) {
    raster.data.set([i * 10, 100, 0, 255], i * 4);
  }
  expect(sampleAt(raster, 2.9, 2.1, 1)).toEqual({ r: 120, g: 100, b: 0 });
  expect(sampleAt(raster, 2, 2, 3)).toEqual({ r: 120, g: 100, b: 0 });
  expect(sampleAt(raster, 0, 0, 3)).toEqual({
    r: Math.round((0 + 10 + 50 + 60) / 4),
    g: 100,
    b: 0,
  });
  expect(sampleAt(raster, 5, 0, 1)).toBeUndefined();
  raster.data[3] = 0;
  expect(sampleAt(raster, 0, 0, 1)).toBeUndefined();
});
