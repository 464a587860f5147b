import { colourOf } from '../colour/parse';
import { colourUses, familiesOf, proposedColours } from './families';
import { askedFamilies, isMeant } from './meaning';
import { recipeForSet } from './edits';
import { scanSheet } from './scanSheet';

const css = `:root { --Brand: #2a6f77; --warn-ground: #fff3cd; --red: #b3261e; --deep: var(--Brand) }
header { background: var(--Brand); color: #fff } a { color: #205a61 } h1 { color: var(--deep) }
body { background: #fdfcfa; color: #2b2f33 } .cta { background: #c8752e } .cta:hover { background: #b3641f }
.error { color: var(--red) } .admonition.tip { background: #e3f4e6 } pre .kwd { color: #7a3e9d }
.tooltip, .note-list { border-color: #2a6f77 } .highlight .s { color: #2a6f77 }`;
const sheets = [{ path: 'a.css', text: css }];
const scanned = [{ declared: scanSheet(css) }];
const uses = colourUses(sheets, scanned);

test('what has a meaning and what is code is told by rules, by names of variables and by those that use them', () => {
  const asked = askedFamilies(scanned[0].declared);
  const of = (selector: string, property: string) =>
    asked(scanned[0].declared.find((d) => d.selector === selector && d.property === property)!);
  expect([of(':root', '--Brand'), of(':root', '--warn-ground'), of(':root', '--red')]).toEqual([
    undefined,
    'meaning',
    'meaning',
  ]);
  expect([
    of('.error', 'color'),
    of('.admonition.tip', 'background'),
    of('pre .kwd', 'color'),
    of('.highlight .s', 'color'),
  ]).toEqual(['meaning', 'meaning', 'code', 'code']);
  // A word inside a longer name says nothing, and neither do rules that are for other things too.
  expect([of('.tooltip,.note-list', 'border-color'), of('header', 'color')]).toEqual([
    undefined,
    undefined,
  ]);
  expect(
    ['i/warning.png', 'i/icon-error@2x.gif', 'i/header.jpg', 'i/warningham.png'].map(isMeant),
  ).toEqual([true, true, false, false]);
});

test('the old colour that is proposed is what bars, links and headings have, not what is written most', () => {
  expect(proposedColours(uses, [])[0]).toBe('#2a6f77');
  const loud = `${css}\n${'.x { border-color: #7a3e9d } '.repeat(12)}`;
  const more = colourUses([{ path: 'a.css', text: loud }], [{ declared: scanSheet(loud) }]);
  expect(proposedColours(more, [])[0]).toBe('#2a6f77');
  // Pieces that cover more than all rules together tell otherwise.
  const photo = {
    path: 'a.png',
    samples: [{ colour: colourOf('#c8752e'), share: 0.9 }],
    area: 90_000,
  };
  expect(proposedColours([], [photo])).toEqual(['#c8752e']);
  expect(proposedColours([], [])).toEqual([]);
});

test('families: the old colour’s own, other hues, greys, what has a meaning, code; each says whether it follows', () => {
  const set = { from: '#2a6f77', recipe: recipeForSet('r', '#2a6f77'), follows: [] };
  const pieces = [
    { path: 'a.png', samples: [{ colour: colourOf('#c8752e'), share: 0.6 }], area: 400 },
  ];
  const families = familiesOf(set, uses, pieces);
  expect(families.map((f) => [f.kind, f.follows])).toEqual([
    ['brand', true],
    ['hue', false],
    ['neutral', false],
    ['meaning', false],
    ['code', false],
  ]);
  const [brand, orange, greys, meant, code] = families.map((f) => f.members.map((m) => m.hex));
  expect(brand).toEqual(expect.arrayContaining(['#2a6f77', '#205a61']));
  expect(orange).toEqual(['#c8752e', '#b3641f']);
  expect(greys).toEqual(expect.arrayContaining(['#ffffff', '#fdfcfa', '#2b2f33']));
  expect(meant).toEqual(expect.arrayContaining(['#b3261e', '#fff3cd', '#e3f4e6']));
  expect(code).toEqual(expect.arrayContaining(['#7a3e9d', '#2a6f77']));
  expect(families[1].members[0]).toMatchObject({ uses: 1, pieces: 1 });
  expect(families.map((f) => f.pieces)).toEqual([[], ['a.png'], [], [], []]);
  const asked = familiesOf(
    {
      ...set,
      recipe: { ...set.recipe, spare: false, hues: ['#2a6f77', '#c8752e'] },
      follows: ['code'],
    },
    uses,
    pieces,
  );
  expect(asked.map((f) => f.follows)).toEqual([true, true, true, false, true]);
});
