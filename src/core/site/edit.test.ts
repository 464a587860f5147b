import { newWash } from '../layers/fill';
import { shelfItem } from '../shelf/item';
import {
  addLayer,
  addLayerBehind,
  addLayers,
  addThemeColour,
  moveColour,
  applyEdit,
  chain,
  editLayer,
  editLayers,
  editPicture,
  editShelf,
  editSlot,
  keepFont,
  keepSize,
  moveLayer,
  placeLayer,
  removeLayers,
  shelve,
  takeOffShelf,
} from './edit';
import type { Site } from './model/site';
import { newSite } from './newSite';
import { addSlot } from './slots';

const site: Site = applyEdit(
  newSite('x', 'home', 'X'),
  addSlot('home', { id: 's', kind: 'header', width: 100, height: 50 }),
);
const picture = 'picture-s';
const layers = (s: Site) => s.pictures[picture].layers.map((l) => l.id);
const three = applyEdit(
  site,
  chain(...['a', 'b', 'c'].map((id) => addLayer(picture, newWash(id, '#112233')))),
);

test('an edit leaves the site it was made from as it was', () => {
  const before = JSON.stringify(three);
  applyEdit(
    three,
    chain(
      removeLayers(picture, ['a']),
      editSlot('s', (s) => {
        s.width = 7;
      }),
    ),
  );
  expect(JSON.stringify(three)).toBe(before);
});

test('layers come in front, right in front of a named one, move by places and stop at the ends', () => {
  expect(layers(three)).toEqual(['a', 'b', 'c']);
  expect(layers(applyEdit(three, addLayer(picture, newWash('d', '#112233'), 'a')))).toEqual([
    'a',
    'd',
    'b',
    'c',
  ]);
  expect(layers(applyEdit(three, moveLayer(picture, 'a', 1)))).toEqual(['b', 'a', 'c']);
  expect(layers(applyEdit(three, moveLayer(picture, 'a', 9)))).toEqual(['b', 'c', 'a']);
  expect(layers(applyEdit(three, moveLayer(picture, 'c', -9)))).toEqual(['c', 'a', 'b']);
  expect(layers(applyEdit(three, moveLayer(picture, 'gone', 1)))).toEqual(['a', 'b', 'c']);
  expect(layers(applyEdit(three, removeLayers(picture, ['b'])))).toEqual(['a', 'c']);
});

test('several are changed by what each is, added in their order, and put at a place', () => {
  const hidden = applyEdit(
    three,
    editLayers(picture, ['a', 'c', 'gone'], (layer) => ({
      hidden: !layer.hidden,
      opacity: layer.opacity / 2,
    })),
  );
  expect(hidden.pictures[picture].layers.map((l) => [l.hidden, l.opacity])).toEqual([
    [true, 0.25],
    [false, 0.5],
    [true, 0.25],
  ]);
  expect(
    layers(
      applyEdit(three, addLayers(picture, [newWash('d', '#112233'), newWash('e', '#112233')])),
    ),
  ).toEqual(['a', 'b', 'c', 'd', 'e']);
  expect(layers(applyEdit(three, addLayerBehind(picture, newWash('d', '#112233'))))).toEqual([
    'd',
    'a',
    'b',
    'c',
  ]);
  expect(layers(applyEdit(three, placeLayer(picture, 'a', 2)))).toEqual(['b', 'c', 'a']);
  expect(layers(applyEdit(three, placeLayer(picture, 'c', 99)))).toEqual(['a', 'b', 'c']);
  expect(layers(applyEdit(three, placeLayer(picture, 'gone', 0)))).toEqual(['a', 'b', 'c']);
  const font = {
    id: 'own:x',
    assetId: 'x',
    family: 'Mine',
    weights: [400, 400] as const,
    xHeight: 0.5,
    contrast: 2,
  };
  expect(applyEdit(site, chain(keepFont(font), keepFont(font))).fonts).toEqual([font]);
});

test('what is not there any more is not edited, and nothing fails', () => {
  for (const edit of [
    editSlot('gone', (s) => {
      s.width = 1;
    }),
    editPicture('gone', (p) => {
      p.alt = 'x';
    }),
    editLayer(picture, 'gone', { opacity: 0 }),
    editShelf('gone', { maker: 'x' }),
    takeOffShelf('gone'),
  ]) {
    expect(applyEdit(three, edit)).toEqual(three);
  }
});

test('theme colours change places; one that is nowhere moves nothing', () => {
  const names = (of: Site) => of.theme.colours.map((c) => c.name);
  const [a, b, c] = names(site);
  expect(names(applyEdit(site, moveColour(0, 2))).slice(0, 3)).toEqual([b, c, a]);
  expect(names(applyEdit(site, moveColour(2, 0))).slice(0, 3)).toEqual([c, a, b]);
  for (const [from, to] of [
    [0, -1],
    [0, 99],
    [99, 0],
    [-1, 0],
  ] as const) {
    expect(applyEdit(site, moveColour(from, to))).toEqual(site);
  }
});

test('a colour, a size and a picture are put by once; a second time changes nothing', () => {
  const item = shelfItem({
    assetId: 'p',
    name: 'Pots',
    width: 9,
    height: 9,
    format: 'png',
    bytes: 1,
  });
  for (const [edit, count] of [
    [addThemeColour('#a4553a', 'clay'), (s: Site) => s.theme.colours.length],
    [keepSize({ name: 'mine', width: 12, height: 3 }), (s: Site) => s.ownSizes.length],
    [shelve(item), (s: Site) => s.shelf.length],
  ] as const) {
    const once = applyEdit(site, edit);
    const twice = applyEdit(once, edit);
    expect(count(once)).toBe(count(site) + 1);
    expect(twice).toEqual(once);
  }
  const shelved = applyEdit(site, shelve(item));
  expect(
    applyEdit(shelved, editShelf('p', { maker: 'Ada', rightsChecked: true })).shelf[0],
  ).toMatchObject({ name: 'Pots', maker: 'Ada', rightsChecked: true });
  expect(applyEdit(shelved, takeOffShelf('p')).shelf).toEqual([]);
});

test('an edit that is done again, or beside one that took its id, puts in a layer of its own', () => {
  const wash = newWash('veil-1', '#112233', 0.5);
  const add = addLayer('picture-s', wash);
  const twice = [add, add, addLayerBehind('picture-s', wash)].reduce(applyEdit, site);
  const ids = twice.pictures['picture-s'].layers.map((l) => l.id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(ids).toEqual(expect.arrayContaining(['veil-1', 'veil-2', 'veil-3']));
  // What was put in once is frozen; the next edit of one step changes a copy.
  const stronger = chain(add, editLayer('picture-s', 'veil-1', { opacity: 0.9 }));
  applyEdit(site, stronger);
  const again = applyEdit(site, stronger).pictures['picture-s'].layers;
  expect(again.find((l) => l.id === 'veil-1')?.opacity).toBe(0.9);
  expect(wash.opacity).toBe(0.5);
});
