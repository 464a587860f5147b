import { newFade } from '../layers/fade';
import { createRaster, type Raster } from '../raster/raster';
import { plainPicture, encodeSettings } from '../encode/settings';
import { applyEdit } from '../site/edit';
import type { OwnPage, Surround } from '../site/model/ownPage';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { slotFrom } from '../site/slots';
import { takeReadings } from './registry';

const [width, height] = [60, 30];
const around = (length: number, high: number, colour: string): Surround => ({
  top: [{ px: length, colour }],
  right: null,
  bottom: null,
  left: [{ px: high, colour }],
});
const place = {
  slot: 's',
  as: 'background',
  selector: '.banner',
  pseudo: '',
  layer: 0,
  rect: null,
  ruled: 'page',
  measured: {
    surround: around(width, height, '#804020'),
    scaled: [
      { screen: 360, width: 20, height: 10, surround: around(20, 10, '#804020') },
      { screen: 1920, width: 120, height: 60, surround: around(120, 60, '#804020') },
    ],
    meets: ['top', 'left'],
    over: null,
    seen: null,
    words: null,
  },
} as const;
const own = { places: [place] } as unknown as OwnPage;
const slot = {
  ...slotFrom({ slots: [] }, { id: 's', kind: 'header', width, height }),
  pictureId: 'p',
  beside: { top: { from: 'page' }, right: null, bottom: null, left: { from: 'page' } },
} as const;
const picture: Picture = {
  id: 'p',
  ground: { type: 'colour', colour: '#804020' },
  layers: [],
  ...plainPicture(encodeSettings('png')),
};
const start = newSite('x', 'home', 'X');
const site: Site = {
  ...start,
  pages: [{ ...start.pages[0], own, headerSlot: 's' }],
  slots: [slot],
  pictures: { p: picture },
};

/** The colour of the page, but for so many rows at its top that are darker from the second on. */
function decoded(dark: (x: number, y: number) => number): Raster {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    const by = dark(i % width, Math.floor(i / width));
    raster.data.set([128 - by, 64 - by, 32 - by, 255], i * 4);
  }
  return raster;
}
const reading = (raster: Raster, of: Site = site) =>
  takeReadings({
    site: of,
    slot: of.slots[0],
    picture,
    file: { bytes: 1, format: 'png', width, height, decoded: raster },
  }).find((one) => one.id === 'scaled-seam');

test('an edge that holds at its size and is mixed with what is behind it at a third fails there', () => {
  expect(reading(decoded(() => 0))).toMatchObject({ verdict: 'holds', figure: 'as at its size' });
  // Two of the three rows that fall into the outermost px of the page are 30 levels darker.
  const behind = reading(decoded((_, y) => (y === 0 ? 0 : 30)));
  expect(behind).toMatchObject({ verdict: 'fails', figure: 'off by 20 at 360 px' });
  expect(behind?.words).toMatch(/shown at 33%, the top edge is up to 20 levels off .* size 0\./);
  const edited = applyEdit(site, behind!.mend!.edit).pictures.p;
  expect(edited.layers).toMatchObject([
    { ...newFade(edited.layers[0].id, null, { top: 8 }), curve: 'late' },
  ]);
});

test('what the edge is off at its own size already is not told again', () => {
  expect(reading(decoded(() => 30))).toMatchObject({ verdict: 'holds' });
});

test('a page that has another ground on a narrow screen is met there', () => {
  const other = { ...place.measured.scaled[0], surround: around(20, 10, '#80401a') };
  const dark = {
    ...site,
    pages: [
      {
        ...site.pages[0],
        own: { ...own, places: [{ ...place, measured: { ...place.measured, scaled: [other] } }] },
      },
    ],
  };
  expect(
    reading(
      decoded(() => 0),
      dark,
    ),
  ).toMatchObject({
    verdict: 'fails',
    figure: 'off by 6 at 360 px',
  });
});

test('edges that are to be seen are not judged', () => {
  const free = { ...slot, beside: { ...slot.beside, top: null, left: null } };
  expect(
    reading(
      decoded(() => 0),
      { ...site, slots: [free] },
    ),
  ).toBeUndefined();
});
