/** What follows by what its colours are for: families, schemes, slopes, strips with their ground. */
import { hexOf } from '../colour/hex';
import { colourOf } from '../colour/parse';
import { contrastRatio, luminance } from '../legibility/contrast';
import { newWash } from '../layers/fill';
import { layRecipe } from '../recolour/recipe';
import { recipeForSet } from './edits';
import { recolourSheets, type SheetRecolourInput } from './recolourSheets';
import type { Ends } from './recolourFile';

const recipe = { ...recipeForSet('r', '#2a6f77'), steps: [newWash('w', '#f3fec2', 0.59)] };
const laid = layRecipe(recipe);
const become = (hex: string) => hexOf(laid.colour(colourOf(hex)));

const followed = (text: string, part: Partial<SheetRecolourInput> = {}) =>
  recolourSheets({
    sheets: [{ path: 'a.css', text }],
    samples: new Map(),
    areas: new Map(),
    set: { from: '#2a6f77', follows: [], recipe },
    decided: {},
    ends: new Map(),
    ...part,
  });
const after = (text: string, part?: Partial<SheetRecolourInput>) =>
  followed(text, part).sheets.get('a.css');

test('the old hue follows everywhere; other hues, greys, what has a meaning and code stay', () => {
  const brand = become('#2a6f77');
  expect(
    after(
      '.bar{border-color:#2a6f77}.x{border-color:#c8752e}.y{border-color:#777}.success{border-color:#2a6f77}pre .k{border-color:#2a6f77}',
    ),
  ).toBe(
    `.bar{border-color:${brand}}.x{border-color:#c8752e}.y{border-color:#777}.success{border-color:#2a6f77}pre .k{border-color:#2a6f77}`,
  );
  const asked = { set: { from: '#2a6f77', follows: ['meaning' as const], recipe } };
  expect(after('.error{border-color:#b3261e}', asked)).toBe(
    `.error{border-color:${hexOf(layRecipe({ ...recipe, spare: false, hues: null }).colour(colourOf('#b3261e')))}}`,
  );
});

test('in a dark scheme colours keep their luminance, in a rule of its own and beside the light one', () => {
  const lines = followed(
    '@media (prefers-color-scheme: dark) { .a { border-color: #8fd0d6 } } .b { border-color: light-dark(#2a6f77, #8fd0d6) }',
  ).lines;
  expect(lines.map((l) => [l.old, l.follows])).toEqual([
    ['#8fd0d6', true],
    ['#2a6f77', true],
    ['#8fd0d6', true],
  ]);
  for (const dark of [lines[0], lines[2]]) {
    expect(luminance(colourOf(dark.toHex))).toBeCloseTo(luminance(colourOf('#8fd0d6')), 1);
    expect(dark.toHex).not.toBe('#8fd0d6');
  }
  expect(lines[1].toHex).toBe(become('#2a6f77'));
});

test('text on a ground that becomes light becomes dark in the light scheme alone', () => {
  const css = '.bar { background: light-dark(#2a6f77, #123a3f); color: #ffffff }';
  const text = followed(css).lines.find((l) => l.property === 'color')!;
  expect(text.to).toBe(`light-dark(${text.toHex}, #ffffff)`);
  expect(contrastRatio(colourOf(text.toHex), colourOf(become('#2a6f77')))).toBeGreaterThanOrEqual(
    4.5,
  );
  // A variable that is another colour in dark is left: one colour in its place would not be read there.
  expect(
    after(
      ':root{--ink:#123a3f}@media (prefers-color-scheme:dark){:root{--ink:#dff1f2}}.p{background:#fff;color:var(--ink)}',
    ),
  ).toContain('color:var(--ink)');
});

test('a gradient that goes one way in lightness does so afterwards, with stops that would have stayed too', () => {
  const torn = '.a{background:linear-gradient(#2a2a2a,#2a6f77 50%,#9a9a9a)}';
  expect(after(torn)).not.toContain('#9a9a9a');
  const whole = '.a{background:linear-gradient(#2a6f77,#ffffff)}';
  expect(after(whole)).toBe(`.a{background:linear-gradient(${become('#2a6f77')},#ffffff)}`);
});

test.each([
  ['body.home { background: url(i/strip.png) repeat-x } body { background-color: #2a6f77 }'],
  ['body { background: url(i/strip.png) repeat-x } html { background: #2a6f77 }'],
  ['.x .band { background: url(i/strip.png) repeat-x } .band { background-color: #2a6f77 }'],
])('a strip and the colour it runs into stay together where another rule says that: %s', (css) => {
  const row = (colour: string) => ({ colour, uneven: 0 });
  const ends = (colour: string): Ends => ({
    top: row(colour),
    right: row(colour),
    bottom: row(colour),
    left: row(colour),
  });
  const text = after(css, {
    samples: new Map([['i/strip.png', [{ colour: colourOf('#2a6f77'), share: 1 }]]]),
    ends: new Map([['i/strip.png', { before: ends('#2a6f77'), after: ends('#a1b294') }]]),
  });
  expect(text).toContain('#a1b294');
  expect(text).not.toContain('#2a6f77');
});

test('text whose colour is made of others is read for what it is', () => {
  const css =
    ':root{--key:#2a6f77}.card{background:#2a6f77}.card b{color:color-mix(in srgb, var(--key) 10%, white)}';
  const line = followed(css).lines.find((l) => l.property === 'color')!;
  expect(line).toMatchObject({ old: 'color-mix(in srgb, var(--key) 10%, white)', follows: true });
  expect(contrastRatio(colourOf(line.toHex), colourOf(become('#2a6f77')))).toBeGreaterThanOrEqual(
    4.5,
  );
});
