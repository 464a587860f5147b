import { deltaE } from '../colour/difference';
import { colourOf } from '../colour/parse';
import { layRecipe } from '../recolour/recipe';
import { applyEdit, type Edit } from '../site/edit';
import type { PieceSet } from '../site/model/pieceSet';
import { newSite } from '../site/newSite';
import { readSite } from '../site/schema';
import {
  changeColours,
  followFamily,
  recolourFamily,
  setInks,
  openPieces,
  recipeForSet,
  takePieces,
  turnColour,
  turnLine,
} from './edits';
import type { Family } from './families';
import type { SheetLine } from './sheetLine';

const piece = (path: string) => ({
  path,
  assetId: `id-of-${path.length}`,
  bytes: 9,
  width: 4,
  height: 3,
  format: 'png',
  leftOut: false,
});

const set: PieceSet = {
  name: 'slate',
  pieces: ['a.png', 'ab.png', 'abc.png'].map(piece),
  sheets: [],
  others: [],
  recipe: recipeForSet('recipe', '#5f7a92'),
  follows: [],
  from: '#5f7a92',
  to: '#a9b79a',
  lines: {},
};
const site = applyEdit(newSite('s', 'home', 'Veldrin'), openPieces(set));
const after = (...edits: readonly Edit[]): PieceSet =>
  readSite(edits.reduce((now, edit) => applyEdit(now, edit), site)).set!;

const line = (part: Partial<SheetLine>): SheetLine => ({
  key: 'style.css 12',
  file: 'style.css',
  line: 12,
  selector: 'a',
  property: 'color',
  old: 'slategray',
  to: '#8a9a7b',
  oldHex: '#708090',
  toHex: '#8a9a7b',
  proposed: true,
  follows: true,
  keptReadable: false,
  ...part,
});

test('pieces are left out and taken again by their paths', () => {
  const out = after(takePieces(['a.png', 'abc.png'], false));
  expect(out.pieces.map((p) => p.leftOut)).toEqual([true, false, true]);
  const back = after(takePieces(['a.png', 'abc.png'], false), takePieces(['a.png'], true));
  expect(back.pieces.map((p) => p.leftOut)).toEqual([false, false, true]);
});

test('a line is turned from what it does, and back', () => {
  const turn = turnLine(line({}));
  expect(after(turn).lines).toEqual({ 'style.css 12': false });
  expect(after(turn, turn).lines).toEqual({ 'style.css 12': true });
  expect(after(turnLine(line({ follows: false }))).lines).toEqual({ 'style.css 12': true });
});

test('words have the colours that are given them, the others stay', () => {
  const inks = new Map([['style.css 12', '#333a2e']]);
  expect(after(turnLine(line({ key: 'style.css 20' })), setInks(inks)).lines).toEqual({
    'style.css 12': '#333a2e',
    'style.css 20': false,
  });
});

test('where no set is open nothing is done', () => {
  const none = newSite('s', 'home', 'Veldrin');
  expect(applyEdit(none, takePieces(['a.png'], false))).toEqual(none);
});

test('families follow by their hue, greys by the recipe, what has a meaning by being asked', () => {
  const family = (kind: Family['kind'], hex: string, follows = false): Family => ({
    kind,
    hex,
    members: [],
    pieces: [],
    follows,
  });
  const rust = family('hue', '#a4553a');
  expect(after(followFamily(rust, true, [])).recipe.hues).toEqual(['#5f7a92', '#a4553a']);
  expect(
    after(followFamily(rust, true, []), followFamily({ ...rust, follows: true }, false, [])).recipe
      .hues,
  ).toEqual(['#5f7a92']);
  expect(after(followFamily(family('neutral', '#333333'), true, [])).recipe.spare).toBe(false);
  expect(after(followFamily(family('meaning', '#b91c1c'), true, [])).follows).toEqual(['meaning']);
  expect(
    after(
      followFamily(family('meaning', '#b91c1c'), true, []),
      followFamily(family('meaning', '#b91c1c'), false, []),
    ).follows,
  ).toEqual([]);
  // A recipe that reached every hue names those that go on following.
  const every = openPieces({ ...set, recipe: { ...set.recipe, hues: null } });
  const green = family('hue', '#3f7a45', true);
  expect(
    after(
      every,
      followFamily({ ...rust, follows: true }, false, [{ ...rust, follows: true }, green]),
    ).recipe.hues,
  ).toEqual(['#5f7a92', '#3f7a45']);
});

test('another old colour takes the reach of the recipe along', () => {
  const rust: Family = { kind: 'hue', hex: '#a4553a', members: [], pieces: [], follows: false };
  const changed = after(followFamily(rust, true, []), changeColours({ from: '#3f7a45' }));
  expect([changed.from, changed.recipe.hues]).toEqual(['#3f7a45', ['#3f7a45', '#a4553a']]);
});

test('a family goes a way of its own, with the recipe again, or stays', () => {
  const rust: Family = { kind: 'hue', hex: '#a4553a', members: [], pieces: [], follows: false };
  const own = after(recolourFamily(rust, '#2b5876', [], 'own'));
  expect(own.recipe.hues).toEqual(['#5f7a92']);
  expect(own.recipe.byHue).toMatchObject([{ hue: '#a4553a', to: '#2b5876' }]);
  const becomes = layRecipe(own.recipe).colour(colourOf('#a4553a'));
  expect(deltaE(becomes, colourOf('#2b5876'))).toBeLessThan(3);
  // Another colour for it takes the place of the first.
  const other = after(
    recolourFamily(rust, '#2b5876', [], 'own'),
    recolourFamily(rust, '#3f7a45', [], 'two'),
  );
  expect(other.recipe.byHue).toMatchObject([{ hue: '#a4553a', to: '#3f7a45' }]);
  const back = after(recolourFamily(rust, '#2b5876', [], 'own'), followFamily(rust, true, []));
  expect([back.recipe.byHue, back.recipe.hues]).toEqual([[], ['#5f7a92', '#a4553a']]);
  const stays = after(recolourFamily(rust, '#2b5876', [], 'own'), followFamily(rust, false, []));
  expect([stays.recipe.byHue, stays.recipe.hues]).toEqual([[], ['#5f7a92']]);
});

test('a colour is turned at all its places', () => {
  const lines = [line({ key: 'a.css:1' }), line({ key: 'a.css:9' })];
  expect(after(turnColour(lines, false)).lines).toEqual({ 'a.css:1': false, 'a.css:9': false });
});
