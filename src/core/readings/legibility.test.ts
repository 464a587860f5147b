import { createCanvas } from '@napi-rs/canvas';
import { newWash } from '../layers/fill';
import { newText } from '../layers/text';
import { legibilityOf } from '../legibility/report';
import { createRaster } from '../raster/raster';
import { applyEdit } from '../site/edit';
import type { Layer } from '../site/model/layer';
import type { Picture } from '../site/model/picture';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { addSlot } from '../site/slots';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { takeReadings } from './registry';
import { wholePhotos } from '../frame/photos';

const glyphs = canvasGlyphs(
  (w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext,
  (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`,
);
const colours = ['#3b4a45', '#efe9dc', '#000000', '#ffffff'];
const base: Site = {
  ...applyEdit(
    newSite('x', 'home', 'X'),
    addSlot('home', { id: 's', kind: 'header', width: 300, height: 90 }),
  ),
  theme: {
    colours: [
      { name: 'kiln', hex: '#3b4a45' },
      { name: 'slip', hex: '#efe9dc' },
    ],
    headingFont: 'archivo',
    headingWeight: 500,
    bodyFont: 'archivo',
    bodyWeight: 400,
  },
};

const withLayers = (layers: Layer[], ground = '#8a8f80'): Site => {
  const picture: Picture = {
    ...base.pictures['picture-s'],
    ground: { type: 'colour', colour: ground },
    layers,
  };
  return { ...base, pictures: { 'picture-s': picture } };
};

async function read(site: Site, measured = true) {
  const slot = site.slots[0];
  const picture = site.pictures['picture-s'];
  const decoded = createRaster(300, 90);
  const texts = measured
    ? await legibilityOf(
        { width: 300, height: 90, ground: picture.ground, layers: picture.layers },
        { glyphs, photos: wholePhotos(() => undefined) },
        '#ffffff',
        colours,
      )
    : undefined;
  return takeReadings({
    site,
    slot,
    picture,
    file: { bytes: 1, format: 'webp', width: 300, height: 90, decoded, texts },
  }).find((r) => r.id === 'legibility');
}
const title = newText('t', 'Veldrin', 'x', 36, '#efe9dc', 150, 20);
const small = newText('u', 'thrown by the river', 'x', 14, '#efe9dc', 150, 62);

test('it holds: slip on kiln, with its figure', async () => {
  // The ratio of the two colours, which lie even: 7.73.
  expect(await read(withLayers([title, small], '#3b4a45'))).toMatchObject({
    verdict: 'holds',
    figure: '7.7:1',
    mend: undefined,
  });
});

test('it fails by the right amount, for the text that stands worst', async () => {
  const reading = (await read(withLayers([title, small])))!;
  // Slip on #8a8f80: 2.7 where the small text needs 4.5.
  expect(reading).toMatchObject({ verdict: 'fails', figure: '2.7:1' });
  expect(reading.words).toMatch(/^“thrown by the river” has 2\.7:1 .*; 4\.5:1 is wanted\.$/);
});

test('its mend is the weakest veil; laid on, the reading holds, and undone all is as before', async () => {
  const site = withLayers([title, small]);
  const reading = (await read(site))!;
  expect(reading.mend?.label).toMatch(/^Veil of (kiln|black) at \d+%$/);
  // Behind both texts, so that neither is dimmed.
  const mended = applyEdit(site, reading.mend!.edit);
  expect(mended.pictures['picture-s'].layers.map((l) => l.kind)).toEqual(['fill', 'text', 'text']);
  expect((await read(mended))!.verdict).toBe('holds');
  expect((await read(site))!.verdict).toBe('fails');
});

test('a veil of that colour that lies there already is made stronger, to one that reaches it', async () => {
  const site = withLayers([{ ...newWash('w', '#000000', 0.2), name: 'Veil' }, small]);
  const reading = (await read(site))!;
  const mended = applyEdit(site, reading.mend!.edit).pictures['picture-s'].layers;
  expect(mended).toHaveLength(reading.mend!.label.includes('black') ? 2 : 3);
  expect((await read(applyEdit(site, reading.mend!.edit)))!.verdict).toBe('holds');
});

test('where a veil cannot help, a colour of the theme that can is offered', async () => {
  const outlined = {
    ...small,
    colour: '#efe9dc',
    effects: [{ kind: 'outline', side: 'outside', width: 4, colour: '#e3d6bd', opacity: 1 }],
  } as Layer;
  const reading = (await read(withLayers([outlined])))!;
  expect(reading.mend?.label).toMatch(/^Words in (kiln|black)$/);
  expect((await read(applyEdit(withLayers([outlined]), reading.mend!.edit)))!.verdict).toBe(
    'holds',
  );
});

test('not measurable before it was measured, and nothing to read without words', async () => {
  expect(await read(withLayers([title]), false)).toMatchObject({ verdict: 'unknown' });
  expect(await read(withLayers([newWash('w', '#000000')]))).toBeUndefined();
  expect(await read(withLayers([{ ...title, hidden: true }]))).toBeUndefined();
});
