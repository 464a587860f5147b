import { migrate, MigrationError } from './migrate';
import { schemaVersion } from './model/site';
import { newSite } from './newSite';
import { readSite } from './schema';

type Stored = Record<string, unknown>;

const site = newSite('s', 'page', 'Veldrin') as unknown as Stored;
const without = (value: object, ...fields: string[]): Stored =>
  Object.fromEntries(Object.entries(value).filter(([key]) => !fields.includes(key)));
const step = (from: Stored): Stored => migrate(from) as Stored;

/** A picture as it was stored in version 4, with a file of that format and quality. */
const pressed = (format: string, quality: number) => ({
  id: 'p',
  ground: { type: 'none' },
  layers: [],
  press: { format, quality, lossless: false, colours: null },
  alt: '',
});

test('a site of this version stays what it is', () => {
  expect(migrate(site)).toBe(site);
});

test('a site that lacks what its version has is refused in words', () => {
  const old = { ...site, schemaVersion: 1, pages: [{ id: 'home' }] };
  expect(() => migrate(old)).toThrow(
    new MigrationError('Expected a whole site of version 1, found one without some of its parts'),
  );
});

test('from 6: what is named and not there goes, and what is no list is left for the schema', () => {
  const old = { ...site, schemaVersion: 6, defaultBackground: 'gone' };
  expect(readSite(old)).toMatchObject({ schemaVersion, defaultBackground: null });
  expect(step({ ...old, slots: 'none', pages: 7 })).toMatchObject({ slots: 'none', pages: 7 });
});

test('from 7: pages are drawn, and nothing of them was measured', () => {
  const page = (site.pages as Stored[])[0];
  const old = {
    ...site,
    schemaVersion: 7,
    pages: [{ ...without(page, 'own'), content: { px: 960, percent: null } }],
  };
  expect(readSite(old).pages[0]).toMatchObject({
    own: null,
    content: { px: 960, percent: null, measured: null },
  });
});

test('from 8: of places on own pages nothing was measured', () => {
  const [page] = site.pages as Stored[];
  const place = { slot: 's', as: 'image', selector: 'img', pseudo: '', layer: 0, rect: null };
  const old = {
    ...site,
    schemaVersion: 8,
    pages: [{ ...page, own: { title: 'Home', places: [place] } }, page],
  };
  expect(step(old)).toMatchObject({
    schemaVersion,
    pages: [{ own: { title: 'Home', places: [{ ...place, measured: null }] } }, { own: null }],
  });
});

test('from 5: no recipe and no set', () => {
  const old = { ...without(site, 'recipes', 'set'), schemaVersion: 5 };
  expect(step(old)).toMatchObject({ schemaVersion, recipes: [], set: null });
});

test.each([
  ['avif', 60, 'full'],
  ['jpeg', 90, 'full'],
  ['jpeg', 89, 'half'],
  ['webp', 95, 'half'],
])(
  'from 4: a %s of quality %i has %s colour, an aim and no older file beside it',
  (format, quality, chroma) => {
    const old = {
      ...without(site, 'recipes', 'set', 'handOver'),
      schemaVersion: 4,
      limits: { sideMargin: 50, phoneText: 12, calm: 6 },
      pictures: { p: pressed(format, quality) },
      slots: [{ id: 'h', beside: {}, narrow: null }],
    };
    expect(step(old)).toMatchObject({
      limits: { sideMargin: 50, phoneBytes: 1_000_000 },
      handOver: { twice: true, narrow: true, fallback: true },
      pictures: {
        p: {
          press: { format, quality, chroma, table: 3 },
          aim: { by: 'care', care: 'careful' },
          fallback: null,
          decorative: false,
        },
      },
      slots: [{ id: 'h', accepts: ['avif', 'webp', 'jpeg', 'png'] }],
    });
  },
);

test('from 2: nothing is locked, texts stand upright in one height of line, photos are whole', () => {
  const layers = [
    { id: 'a', kind: 'photo' },
    { id: 'b', kind: 'text', words: 'Pots' },
  ];
  const old = {
    ...without(site, 'recipes', 'set', 'handOver', 'limits', 'fonts'),
    schemaVersion: 2,
    pictures: { p: { ...pressed('jpeg', 80), layers } },
    slots: [],
  };
  const { pictures, fonts, limits } = step(old) as {
    pictures: { p: { layers: Stored[] } };
  } & Stored;
  expect(fonts).toEqual([]);
  expect(limits).toMatchObject({ sideMargin: 50, phoneText: 12, calm: 6 });
  expect(pictures.p.layers).toMatchObject([
    { locked: false, crop: null, cutOut: null, effects: [], hangs: false },
    { locked: false, italic: false, spacing: 0, lineHeight: 1.2, hangs: false, live: false },
  ]);
});

test('from 9: places without a picture keep the rule they had, and slots have one picture', () => {
  const place = (slot: string) => ({ slot, as: 'background', selector: 'main' });
  const own = { document: 'd', files: [{ key: 'frozen:0' }], places: [place('a'), place('b')] };
  const old = {
    ...site,
    schemaVersion: 9,
    handOver: { twice: true, narrow: false, fallback: true },
    pages: [
      { id: 'p', own },
      { id: 'q', own: null },
    ],
    slots: [
      { id: 'a', replaces: 'img/head.png' },
      { id: 'b', replaces: null },
    ],
  };
  expect(step(old)).toMatchObject({
    handOver: { twice: true, narrow: false, fallback: true, pageFiles: false },
    pages: [
      {
        own: {
          original: null,
          inks: [],
          files: [{ original: null }],
          places: [{ ruled: 'page' }, { ruled: 'important' }],
        },
      },
      { own: null },
    ],
    slots: [{ versions: [] }, { versions: [] }],
  });
});

test('from 10: measured places were looked at where they are not scaled only', () => {
  const old = {
    ...newSite('x', 'home', 'X'),
    schemaVersion: 10,
    pages: [
      { own: { places: [{ measured: { meets: ['top'] } }, { measured: null }] } },
      { own: null },
    ],
  };
  expect(step(old).pages).toEqual([
    { own: { places: [{ measured: { meets: ['top'], scaled: null } }, { measured: null }] } },
    { own: null },
  ]);
});

test('from 11: files of other sizes follow the first one, and all took the usual effort', () => {
  const press = { format: 'avif', quality: 60 };
  const pictures = { a: { press, fallback: null }, b: { press, fallback: press } };
  const written = { ...press, effort: 'usual', dithered: false };
  const old = { ...newSite('x', 'home', 'X'), schemaVersion: 11, pictures };
  expect(step(old)).toMatchObject({
    schemaVersion,
    pictures: {
      a: { press: written, fallback: null, sized: [] },
      b: { press: written, fallback: written, sized: [] },
    },
  });
});

test('from 12: no palette was dithered, whatever size it was written at', () => {
  const press = { format: 'png', colours: 64 };
  const sized = [{ scale: 2, beside: press, press, fallback: null }];
  const old = {
    ...newSite('x', 'home', 'X'),
    schemaVersion: 12,
    pictures: { a: { press, fallback: press, sized } },
  };
  const written = { ...press, dithered: false };
  expect(step(old)).toMatchObject({
    schemaVersion,
    pictures: {
      a: {
        press: written,
        fallback: written,
        sized: [{ scale: 2, beside: written, press: written, fallback: null }],
      },
    },
  });
});

test.each([[null], [{}], [{ schemaVersion: 0 }], [{ schemaVersion: schemaVersion + 1 }], ['site']])(
  'of another kind than ours, or newer, it is refused: %j',
  (value) => {
    expect(() => migrate(value)).toThrow(MigrationError);
  },
);

test('from 13: recipes changed every hue, and no family was asked for', () => {
  const recipe = { id: 'r', name: 'Celadon', steps: [], spare: true };
  const pictures = {
    p: { ...pressed('webp', 80), layers: [{ kind: 'recipe', recipe }, { kind: 'fill' }] },
  };
  const set = { name: 'slate', recipe };
  const old = { ...site, schemaVersion: 13, recipes: [recipe], set, pictures };
  expect(step(old)).toMatchObject({
    schemaVersion,
    recipes: [{ ...recipe, hues: null }],
    set: { name: 'slate', recipe: { ...recipe, hues: null }, follows: [] },
    pictures: { p: { layers: [{ recipe: { ...recipe, hues: null } }, { kind: 'fill' }] } },
  });
  expect(step({ ...old, recipes: 'none', set: 7 })).toMatchObject({ recipes: 'none', set: 7 });
  expect(step({ ...old, set: null })).toMatchObject({ set: null });
});

test('from 15: of no slot was anything said to be meant', () => {
  const old = { ...site, schemaVersion: 15, slots: [{ id: 'a' }, { id: 'b' }] };
  expect(step(old)).toMatchObject({
    schemaVersion,
    slots: [
      { id: 'a', meant: [] },
      { id: 'b', meant: [] },
    ],
  });
  expect(step({ ...old, slots: 'none' })).toMatchObject({ slots: 'none' });
});

test('from 16: the title of a band stood at the left, in the middle, as large as other headings', () => {
  const band = {
    height: 160,
    colour: '#112233',
    ink: '#ffffff',
    heading: 'B',
    boxed: true,
    slot: null,
  };
  const [page] = site.pages as Stored[];
  const old = { ...site, schemaVersion: 16, pages: [{ ...page, band }] };
  expect(readSite(old).pages[0].band).toEqual({
    ...band,
    align: 'left',
    high: 'middle',
    sizePx: 26,
    font: null,
  });
});

test('from 17: headings were of one weight, and links of another', () => {
  const before = {
    ...site,
    schemaVersion: 17,
    theme: without(site.theme as object, 'headingWeight', 'bodyWeight'),
  };
  const { theme } = readSite(migrate(before));
  expect([theme.headingWeight, theme.bodyWeight]).toEqual([500, 400]);
});

test('from 16: every effect keeps the light and the colours that it had, and nothing was drawn by hand', () => {
  const relief = {
    kind: 'relief',
    depth: -3,
    softness: 1,
    direction: 200,
    height: 30,
    highlight: '#ffeecc',
    shade: '#112211',
    opacity: 0.6,
  };
  const shadow = {
    kind: 'shadow',
    x: 5,
    y: -2,
    blur: 6,
    spread: 0,
    colour: '#000000',
    opacity: 0.6,
  };
  const old = {
    ...site,
    schemaVersion: 16,
    pictures: {
      p: {
        layers: [
          { kind: 'shape', effects: [relief, shadow] },
          { kind: 'profile', profile: 'wave' },
          { kind: 'photo', cutOut: { samples: [] }, effects: [] },
          { kind: 'photo', cutOut: null, effects: [] },
        ],
      },
    },
  };
  expect(step(old).pictures).toEqual({
    p: {
      light: 315,
      layers: [
        {
          kind: 'shape',
          effects: [
            { ...relief, engraved: false },
            { ...shadow, byLight: false },
          ],
        },
        { kind: 'profile', profile: 'wave', points: [] },
        { kind: 'photo', cutOut: { samples: [], area: null }, effects: [] },
        { kind: 'photo', cutOut: null, effects: [] },
      ],
    },
  });
});
