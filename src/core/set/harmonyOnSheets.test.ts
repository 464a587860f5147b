import { oklchOf } from '../colour/oklch';
import { colourOf } from '../colour/parse';
import { harmoniesOf } from '../harmony/harmony';
import { contrastRatio } from '../legibility/contrast';
import type { PageLook, PageText } from '../ownPage/look';
import { pageText } from '../ownPage/look.fixture';
import { layRecipe } from '../recolour/recipe';
import { largestStep } from '../colour/difference';
import { applyEdit } from '../site/edit';
import { newSite } from '../site/newSite';
import { layHarmonyOnSet } from './edits';
import { recolourSheets } from './recolourSheets';
import { harmonyOnSheets, pageColoursOf, type PageColours } from './harmonyOnSheets';
import { openSet } from './openSet';
import { pieceSetOf } from './pieceSetOf';

const [harmony] = harmoniesOf({ lead: '#2b5876', second: '#b3541e' }).filter(
  (h) => h.kind === 'second',
);
const [dark] = harmoniesOf({ lead: '#2b5876' }, 'dark');
const { colours: to } = harmony;
const page: PageColours = {
  page: '#eeeeee',
  content: '#ffffff',
  bar: '#7a1f3d',
  barInk: '#fefefe',
  text: '#222222',
  headings: '#7a1f3d',
  links: '#a03050',
};
const asked = (text: string, path = 'a.css') => ({
  sheets: [{ path, text }],
  colours: page,
  harmony,
  from: '#7a1f3d' as const,
  bound: new Set<string>(),
});

/** A sheet with what a harmony makes of it put in. */
function after(text: string, part: Partial<ReturnType<typeof asked>> = {}): string {
  const { lines } = harmonyOnSheets({ ...asked(text), ...part });
  const decided = Object.fromEntries([...lines].flatMap(([key, hex]) => (hex ? [[key, hex]] : [])));
  return recolourSheets({
    sheets: [{ path: 'a.css', text }],
    samples: new Map(),
    areas: new Map(),
    set: {
      from: '#7a1f3d',
      follows: [],
      recipe: { id: 'r', name: '', steps: [], spare: true, hues: null },
    },
    decided,
    ends: new Map(),
  }).sheets.get('a.css')!;
}

test('colours of a role become those of the role, grounds and words apart', () => {
  expect(
    after(
      'body{background:#eee;color:#222}main{background:#fff}nav{background:#7a1f3d;color:#fefefe}a{color:#a03050}h1{color:#7a1f3d}.btn{background:#c04060}',
    ),
  ).toBe(
    `body{background:${to.page};color:${to.text}}main{background:${to.content}}nav{background:${to.bar};color:${harmony.onBar}}a{color:${to.link}}h1{color:${to.text}}.btn{background:${to.accent}}`,
  );
});

test('a variable is what it is used for; one for words and grounds has to be read as words are', () => {
  const css = (uses: string) => `:root{--x:#7a1f3d}${uses}`;
  const variable = (uses: string) => /--x:([^}]*)/.exec(after(css(uses)))![1];
  expect(variable('nav{background:var(--x)}')).toBe(to.bar);
  expect(variable('h1{color:var(--x)}')).toBe(to.text);
  expect(variable('h1{color:var(--x)}nav{background:var(--x)}')).toBe(to.text);
  expect(variable(':root{--y:var(--x)}nav{border-color:var(--y)}')).toBe(to.bar);
});

test('what has a meaning, code, shadows, dark schemes and what is bound stay', () => {
  for (const css of [
    '.error{background:#fee;color:#900}',
    'pre .k{color:#7a1f3d}',
    '.card{box-shadow:0 1px 2px #7a1f3d}',
    '@media (prefers-color-scheme:dark){body{background:#7a1f3d}}',
  ]) {
    expect(after(css)).toBe(css);
  }
  expect(after('p{color:light-dark(#222222,#7a1f3d)}')).toBe(
    `p{color:light-dark(${to.text},#7a1f3d)}`,
  );
  const strip = 'body{background:#eee}';
  expect(after(strip, { bound: new Set(['a.css:16']) })).toBe(strip);
});

test('greys keep their order between the text and the content, the other way round on dark', () => {
  const greys = ['#222222', '#555555', '#888888', '#bbbbbb', '#ffffff'];
  const css = greys.map((g, i) => `.g${i}{border-color:${g}}`).join('');
  const lightness = (text: string) =>
    [...text.matchAll(/#[0-9a-f]{3,6}/g)].map((m) => oklchOf(colourOf(m[0])).lightness);
  const light = lightness(after(css));
  expect(light).toEqual([...light].sort((a, b) => a - b));
  const other = lightness(after(css, { harmony: dark }));
  expect(other).toEqual([...other].sort((a, b) => b - a));
});

test('shades of the bar are as much lighter or darker than what the bar becomes', () => {
  const css = 'nav{background:#7a1f3d}nav:hover{background:#93304f}nav li{background:#611530}';
  const [own, lighter, darker] = [...after(css).matchAll(/#[0-9a-f]{3,6}/g)].map((m) =>
    oklchOf(colourOf(m[0])),
  );
  expect(lighter.lightness).toBeGreaterThan(own.lightness + 0.02);
  expect(darker.lightness).toBeLessThan(own.lightness - 0.02);
  expect(Math.abs(lighter.hue - own.hue)).toBeLessThan(20);
});

test('pictures go to the colour of the bar or the accent that is about as light as they were', () => {
  const { to: wanted, steps } = harmonyOnSheets(asked('a{color:red}'));
  expect([to.bar, to.accent]).toContain(wanted);
  const became = layRecipe({ steps, spare: false, hues: null }).colour(colourOf('#7a1f3d'));
  expect(largestStep(became, colourOf(wanted))).toBeLessThan(24);
  expect(contrastRatio(became, colourOf(wanted))).toBeLessThan(1.3);
});

test('on a set it is lines and a recipe; laid again, lines that stay are the theme’s own again', () => {
  const bytes = new TextEncoder().encode('body{background:#eee;color:#222}.x{color:#abc}');
  const set = pieceSetOf(
    openSet([{ path: 'a.css', bytes }]),
    newSite('s', 'home', 'Site'),
    (path) => path,
    'r',
  );
  const site = { ...newSite('s', 'home', 'Site'), set: { ...set, lines: { 'a.css:40': false } } };
  const laid = harmonyOnSheets({
    ...asked('body{background:#eee;color:#222}.x{color:#abc}'),
    from: set.from,
  });
  const once = applyEdit(site, layHarmonyOnSet(laid, 'one'));
  expect(once.set!.lines).toMatchObject({ 'a.css:16': to.page, 'a.css:27': to.text });
  expect(once.set!.to).toBe(laid.to);
  expect(once.set!.recipe).toMatchObject({ id: 'one', hues: set.recipe.hues });
  const stay = { ...laid, lines: new Map([['a.css:16', null]]) };
  expect(applyEdit(once, layHarmonyOnSet(stay, 'two')).set!.lines).toEqual({
    ...once.set!.lines,
    'a.css:16': undefined,
  });
});

test('what colours of a page are for is told by its look', () => {
  const text = (part: Partial<PageText>) => pageText({ on: 0, ...part });
  const look: PageLook = {
    width: 1000,
    height: 1000,
    page: '#eeeeee',
    boxes: [
      {
        rect: { x: 100, y: 0, width: 800, height: 1000 },
        colour: '#ffffff',
        on: undefined,
        bar: false,
      },
      {
        rect: { x: 0, y: 0, width: 1000, height: 60 },
        colour: '#7a1f3d',
        on: undefined,
        bar: true,
      },
    ],
    texts: [
      text({}),
      text({ as: 'link', colour: '#a03050', letters: 10 }),
      text({ on: 1, bar: true, as: 'link', colour: '#fefefe', letters: 30 }),
      text({ on: 1, bar: true, as: 'link', colour: 'rgba(255, 255, 255, 0.5)', letters: 3 }),
    ],
    borders: [],
  };
  expect(pageColoursOf(look)).toEqual({
    page: '#eeeeee',
    content: '#ffffff',
    bar: '#7a1f3d',
    barInk: '#fefefe',
    text: '#141414',
    links: '#a03050',
  });
});
