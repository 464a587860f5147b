import { newShape } from '../layers/shape';
import { newTexture } from '../layers/texture';
import { newText } from '../layers/text';
import { applyEdit, setLayers } from '../site/edit';
import type { Layer } from '../site/model/layer';
import type { Site } from '../site/model/site';
import { newSite } from '../site/newSite';
import { asFiled, pictureOf } from '../site/picture';
import { addSlot, type NewSlot } from '../site/slots';
import { wantedBytes, lighterOptions } from './lighterOptions';

const text = newText('t', 'Veldrin', 'lora', 40, '#ffffff', 300, 40);
const weave: Layer = newTexture('w', 'weave', '#885533');
const sited = (part: Partial<NewSlot>, layers: readonly Layer[]): Site =>
  [
    addSlot('page', { id: 'h', kind: 'header', width: 1000, height: 200, ...part }),
    setLayers('picture-h', { type: 'colour', colour: '#3b4a45' }, layers),
  ].reduce(applyEdit, newSite('s', 'page', 'Veldrin'));
const waysOf = (site: Site) => lighterOptions(site.slots[0], pictureOf(site, site.slots[0]));
const idsOf = (site: Site) => waysOf(site).map((w) => w.id);
const gone = (site: Site, id: string, step = 0): Site =>
  applyEdit(site, waysOf(site).find((w) => w.id === id)!.tries[step].edit);

test('what can be given up depends on what there is', () => {
  const usual = ['as wanted', 'care light'];
  expect(idsOf(sited({}, []))).toEqual(usual);
  expect(idsOf(sited({}, [text]))).toEqual([...usual, 'live words']);
  expect(idsOf(sited({}, [weave]))).toEqual([...usual, 'calmer']);
  // Over a background the page’s own words lie already; a cover is as large whatever its px.
  const photo = { kind: 'background', repeat: 'no-repeat', size: 'cover' } as const;
  expect(idsOf(sited(photo, [text, weave]))).toEqual([...usual, 'calmer', 'narrower']);
  expect(idsOf(sited({ ...photo, repeat: 'repeat' }, []))).toEqual(usual);
});

test('formats that the host was not said to take are a way, but not for a theme’s own file', () => {
  const picky = applyEdit(sited({}, []), (s) => {
    s.slots[0].accepts = ['jpeg', 'png'];
  });
  expect(idsOf(picky)).toContain('format avif');
  expect(gone(picky, 'format avif').slots[0].accepts).toEqual(['jpeg', 'png', 'avif']);
  const replaced = applyEdit(picky, (s) => {
    s.slots[0].replaces = 'images/header.png';
  });
  expect(idsOf(replaced).join()).not.toContain('format');
});

test('each way does what it says and nothing else', () => {
  const site = sited({ kind: 'background', repeat: 'no-repeat', size: 'cover' }, [
    { ...newShape('s', 'band', '#112233', { width: 300, height: 160 }), x: 100, y: 20 },
    text,
    weave,
  ]);
  const light = gone(site, 'care light');
  expect(light.pictures['picture-h']).toEqual({
    ...site.pictures['picture-h'],
    aim: { by: 'care', care: 'light' },
  });
  const calm = gone(site, 'calmer', 1).pictures['picture-h'];
  expect(calm.layers).toHaveLength(4);
  expect(calm.layers.find((l) => l.kind === 'blur')).toMatchObject({ radius: 2 });
  const half = gone(site, 'narrower', 2);
  expect(half.slots[0]).toMatchObject({ width: 500, height: 100, size: 'cover' });
  expect(half.pictures['picture-h'].layers[0]).toMatchObject({
    x: 50,
    y: 10,
    width: 150,
    height: 20,
  });
  expect(half.pictures['picture-h'].layers[1]).toMatchObject({
    x: 150,
    sizePx: 20,
  });
  const header = sited({}, [text]);
  const live = gone(header, 'live words');
  expect(asFiled(live.pictures['picture-h']).layers).toEqual([]);
});

test('the tighter of what was asked and what the slot has is wanted', () => {
  const site = applyEdit(sited({}, []), (s) => {
    s.slots[0].budgetBytes = 40_000;
  });
  const { 'picture-h': picture } = site.pictures;
  expect(wantedBytes(picture, site.slots[0])).toBe(40_000);
  expect(wantedBytes({ aim: { by: 'bytes', bytes: 9000 } }, site.slots[0])).toBe(9000);
  expect(
    lighterOptions(site.slots[0], { ...picture, aim: { by: 'care', care: 'close' } }),
  ).toMatchObject([{ tries: [{ care: 'close' }] }, { id: 'care careful' }, { id: 'care light' }]);
});
