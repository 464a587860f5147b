import { hexOf } from '../colour/hex';
import { colourOf } from '../colour/parse';
import { contrastRatio } from '../legibility/contrast';
import { newWash } from '../layers/fill';
import { layRecipe } from '../recolour/recipe';
import { decodeStylesheet, encodeStylesheet } from '../theme/sheetText';
import { patched } from '../files/textPatch';
import { colourSpans, writtenLike } from './colourSpans';
import { textPairs } from './contrast';
import { readableOn } from './readable';
import { hueOf } from '../recolour/neutrals';
import { recolourSheets, type SheetRecolourInput } from './recolourSheets';
import { lineContrasts } from './lineContrast';
import type { Ends } from './recolourFile';
import { rolesOf } from './roles';

const recipe = {
  id: 'r',
  name: '',
  steps: [newWash('w', '#f3fec2', 0.59)],
  spare: false,
  hues: null,
};
const laid = layRecipe(recipe);
const slate = colourOf('#3f5161');
const become = (hex: string) => hexOf(laid.colour(colourOf(hex)));

const css = `@charset "utf-8";\r
/* Slate #3f5161 stays in comments */\r
:root { --slate:#3F5161; --paper: #fff }\r
body { background: var(--slate) url("i/strip.png") repeat-x 0 0; color: #2b2f33; font-family: "Slate", Georgia }\r
#wrapper { background: var(--paper); border: 1px solid rgba(63, 81, 97, .5) }\r
a:hover { color: #7a4a2f; background: linear-gradient(90deg, #30404e, hsl(208 21% 31%) 40%, transparent) }\r
.menu li a { color: #fff; background: #3f5161 url(i/end.png) no-repeat !important }\r
@media (max-width: 40em) { .button { box-shadow: 0 1px 2px #3f5161cc; fill: slategray; animation: tan 1s } }\r
@keyframes tan { from { color: #3f5161 } to { color: red } }\r
.broken { color: ; } }\r
.añadido { border-color: rgb(63 81 97 / 20%) }\r
`;

const ends = (after: string, before = '#1e3040'): { before: Ends; after: Ends } => {
  const row = (colour: string) => ({ colour, uneven: 0 });
  const all = (colour: string) => ({
    top: row(colour),
    right: row(colour),
    bottom: row(colour),
    left: row(colour),
  });
  return { before: all(before), after: all(after) };
};
const contrastOf = (given: SheetRecolourInput, { key }: { key: string }) =>
  lineContrasts(given, recolourSheets(given)).get(key);
const input: SheetRecolourInput = {
  sheets: [{ path: 'style.css', text: css }],
  set: { recipe, from: '#3f5161', follows: [] },
  areas: new Map(),
  decided: {},
  ends: new Map(),
  samples: new Map([
    ['i/strip.png', [{ colour: slate, share: 1 }]],
    ['i/end.png', [{ colour: slate, share: 0.9 }]],
  ]),
};
const lineOf = (part: string, given = input) =>
  recolourSheets(given).lines.filter((l) => l.old === part);

test('a sheet that was patched differs from the old one in the named values alone', () => {
  const { sheets, lines } = recolourSheets(input);
  const after = sheets.get('style.css')!;
  const wanted = css
    .replace(':#3F5161', `:${become('#3f5161').toUpperCase()}`)
    .replace('rgba(63, 81, 97, .5)', `rgba(${Object.values(laid.colour(slate)).join(', ')}, .5)`)
    .replace('#30404e', become('#30404e'))
    .replace('hsl(208 21% 31%)', hexOf(laid.colour(colourOf('hsl(208 21% 31%)'))))
    // White text would not be read on what its ground becomes.
    .replace(
      '{ color: #fff; background: #3f5161 url',
      `{ color: ${lineOf('#fff').find((l) => l.line === 7)!.to}; background: ${become('#3f5161')} url`,
    )
    .replace('#3f5161cc', `${become('#3f5161')}cc`)
    .replace('slategray', become('slategray'))
    .replace('from { color: #3f5161', `from { color: ${become('#3f5161')}`)
    .replace('rgb(63 81 97 / 20%)', `rgb(${Object.values(laid.colour(slate)).join(' ')} / 20%)`);
  expect(after).toBe(wanted);
  expect(lines.filter((l) => l.follows).map((l) => l.line)).toEqual([
    3, 5, 6, 6, 7, 7, 8, 8, 9, 11,
  ]);
});

test('byte for byte: line ends, a byte order mark and a one-byte encoding are as they were', () => {
  const latin = Uint8Array.from(css, (c) => c.charCodeAt(0));
  const utf8 = new TextEncoder().encode(css);
  const marked = new Uint8Array([0xef, 0xbb, 0xbf, ...utf8]);
  for (const bytes of [latin, utf8, marked]) {
    const text = decodeStylesheet('style.css', bytes);
    const after = encodeStylesheet(
      recolourSheets({ ...input, sheets: [{ path: 'style.css', text }] }).sheets.get('style.css')!,
      bytes,
    );
    expect(encodeStylesheet(text, bytes)).toEqual(new Uint8Array(bytes));
    let same = 0;
    while (after[same] === bytes[same]) {
      same++;
    }
    expect(Buffer.from(bytes.subarray(same, same + 6)).toString()).toBe('3F5161');
    expect(Buffer.from(after.subarray(-30)).toString('latin1')).toContain('/ 20%) }\r\n');
    expect(
      Buffer.from(after).includes(
        Buffer.from(
          bytes === latin ? '.a\u00f1adido' : '.añadido',
          bytes === latin ? 'latin1' : 'utf8',
        ),
      ),
    ).toBe(true);
  }
});

test('what belongs to no piece is listed and stays, until the owner says otherwise; and the other way round', () => {
  expect(lineOf('#7a4a2f')[0]).toMatchObject({ proposed: false, follows: false });
  expect(
    lineOf('#fff')
      .filter((l) => l.line !== 7)
      .map((l) => l.follows),
  ).toEqual([false]);
  const link = lineOf('#7a4a2f')[0];
  const wave = lineOf('#30404e')[0];
  const decided = { [link.key]: true, [wave.key]: false };
  const { sheets } = recolourSheets({ ...input, decided });
  expect(sheets.get('style.css')).toContain(
    `a:hover { color: ${link.to}; background: linear-gradient(90deg, #30404e,`,
  );
});

test('the page colour under a strip becomes the colour its written file ends with, where it went on before', () => {
  const given = { ...input, ends: new Map([['i/strip.png', ends('#9cae88', '#3f5161')]]) };
  const line = lineOf('var(--slate)', given)[0];
  expect(line).toMatchObject({
    to: '#9cae88',
    follows: true,
    continues: { path: 'i/strip.png', side: 'bottom', uneven: 0 },
  });
  expect(recolourSheets(given).sheets.get('style.css')).toContain(
    'body { background: #9cae88 url("i/strip.png")',
  );
  // A strip that ended in another colour is not gone on with: the page is only offered its end.
  expect(
    lineOf('var(--slate)', {
      ...input,
      ends: new Map([['i/strip.png', ends('#9cae88', '#101820')]]),
    })[0].follows,
  ).toBe(false);
  // Where the variable itself becomes that colour, the sheet keeps it.
  expect(
    lineOf('var(--slate)', {
      ...input,
      ends: new Map([['i/strip.png', ends(become('#3f5161'), '#3f5161')]]),
    }),
  ).toEqual([]);
  const plain = {
    ...given,
    sheets: [
      {
        path: 'style.css',
        text: 'body { background: #3f5161 url(i/strip.png) repeat-x left bottom }',
      },
    ],
  };
  expect(lineOf('#3f5161', plain)[0].continues?.side).toBe('top');
});

test('contrast of text on its ground before and after, from the sheet as it is patched', () => {
  const left = { ...input, decided: { [lineOf('#fff').find((l) => l.line === 7)!.key]: false } };
  const line = lineOf('#3f5161', left).find((l) => l.line === 7)!;
  const white = { r: 255, g: 255, b: 255 };
  const contrast = contrastOf(left, line)!;
  expect(contrast.selector).toBe('.menu li a');
  expect(contrast.before).toBeCloseTo(contrastRatio(white, slate), 6);
  expect(contrast.after).toBeCloseTo(contrastRatio(white, laid.colour(slate)), 6);
  expect(contrast.after).toBeLessThan(4.5);
});

test('dark text goes with the hue and stays as dark as it was; white text on a ground that becomes light becomes dark, or is warned of', () => {
  const dark = {
    ...input,
    sheets: [
      {
        path: 'style.css',
        text: '#wrapper { background: #fff } .x { color: #22313f } .menu { background: #3f5161; color: #fff } .y { color: #f7f5f2 }',
      },
    ],
  };
  const text = lineOf('#22313f', dark)[0];
  expect(text).toMatchObject({ proposed: true, follows: true, keptReadable: true });
  expect(contrastOf(dark, text)!.mend).toBeUndefined();
  expect(
    contrastRatio(colourOf(text.toHex), laid.colour(colourOf('#ffffff'))),
  ).toBeGreaterThanOrEqual(contrastRatio(colourOf('#22313f'), colourOf('#ffffff')));
  expect(
    Math.abs(hueOf(colourOf(text.toHex))! - hueOf(laid.colour(colourOf('#22313f')))!),
  ).toBeLessThan(6);
  // A variable that text is of goes its own way; the text keeps what it can be read with.
  const named = {
    ...dark,
    sheets: [
      {
        path: 'style.css',
        text: ':root { --slate: #3f5161 } #wrapper { background: #fff } h2 { color: var(--slate) }',
      },
    ],
  };
  expect(lineOf('var(--slate)', named)[0]).toMatchObject({ follows: true, keptReadable: true });
  expect(recolourSheets(named).sheets.get('style.css')).toBe(
    `:root { --slate: ${become('#3f5161')} } #wrapper { background: #fff } h2 { color: ${lineOf('var(--slate)', named)[0].to} }`,
  );
  const ground = laid.colour(slate);
  const kept = lineOf('#fff', dark).find((l) => l.property === 'color')!;
  expect(kept).toMatchObject({ follows: true, keptReadable: true });
  expect(contrastRatio(colourOf(kept.toHex), ground)).toBeGreaterThanOrEqual(
    contrastRatio(colourOf('#ffffff'), slate),
  );
  const asItWas = { ...dark, decided: { [kept.key]: false } };
  const white = lineOf('#fff', asItWas).find((l) => l.property === 'color')!;
  const { after, mend } = contrastOf(asItWas, white)!;
  expect(after).toBeLessThan(4.5);
  expect(contrastRatio(colourOf(mend!), ground)).toBeGreaterThanOrEqual(4.5);
  const put = { ...dark, decided: { [white.key]: mend! } };
  const mended = recolourSheets(put);
  expect(mended.sheets.get('style.css')).toContain(
    `.menu { background: ${become('#3f5161')}; color: ${mend} }`,
  );
  expect(mended.lines.find((l) => l.key === white.key)).toMatchObject({
    follows: true,
    toHex: mend,
  });
  expect(contrastOf(put, white)!.after).toBeGreaterThanOrEqual(4.5);
  expect(contrastOf(put, white)!.mend).toBeUndefined();
  // What was too faint before and has not become fainter is not the recipe’s doing.
  expect(contrastOf(dark, lineOf('#f7f5f2', dark)[0])!.mend).toBeUndefined();
});

test('a mended text is as near in lightness as it can be, and black or white where its hue has no room', () => {
  const wanted = 4.5;
  const ground = colourOf('#a9b79a');
  const found = readableOn([ground], colourOf('#7c8f6a'), wanted);
  expect(contrastRatio(found, ground)).toBeGreaterThanOrEqual(wanted);
  expect(contrastRatio(found, ground)).toBeLessThan(wanted * 1.06);
  expect(readableOn([colourOf('#777777')], colourOf('#777777'), 21)).toEqual({ r: 0, g: 0, b: 0 });
});

test('text lies on the ground of its own rule, of what its selector says it lies in, of the content, of the page', () => {
  const pairs = textPairs(
    [
      {
        path: 'a.css',
        text: 'body { background: #111; color: #eee } #page { background: #222 } .menu { background: #333 } .menu li a:hover { color: #fff } h1 { color: #ccc } .b { color: #bbb; background: url(p.png) } .c { color: #aaa; background: #444 url(p.png) no-repeat }',
      },
    ],
    () => [{ r: 9, g: 9, b: 9 }],
  );
  expect(pairs.map((p) => [p.selector, hexOf(p.grounds[0])])).toEqual([
    ['body', '#222222'],
    ['.menu li a:hover', '#333333'],
    ['h1', '#222222'],
    ['.b', '#090909'],
    ['.c', '#444444'],
  ]);
});

test.each([
  ['#3F5161', '#A9B79A'],
  ['#3f5', '#a9b79a'],
  ['#3f51617f', '#a9b79a7f'],
  ['#3f58', '#a9b79a88'],
  ['rgb(1,2,3)', 'rgb(169,183,154)'],
  ['rgba(1, 2, 3, .4)', 'rgba(169, 183, 154, .4)'],
  ['rgb(1 2 3 / 40%)', 'rgb(169 183 154 / 40%)'],
  ['hsl(20 10% 30%)', '#a9b79a'],
  ['hsla(20, 10%, 30%, 0.5)', 'rgb(169 183 154 / 0.5)'],
  ['oklch(50% 0.1 20 / .3)', 'rgb(169 183 154 / .3)'],
  ['slategray', '#a9b79a'],
])('%s is written like it is: %s', (old, wanted) =>
  expect(writtenLike(old, { r: 169, g: 183, b: 154 })).toBe(wanted),
);

test('a short hex stays short where it can', () =>
  expect(writtenLike('#ABC', { r: 0x11, g: 0xee, b: 0xff })).toBe('#1EF'));

test('places of colours, inside functions and fallbacks too; words that only look like hex are none', () => {
  const value = ' 1px solid add, var(--a, #fed) color-mix(in srgb, red, #00f) url(#fff) bad';
  expect(
    colourSpans(value, 100).map(({ start, end, text }) => [
      text,
      value.slice(start - 100, end - 100),
    ]),
  ).toEqual([
    ['#fed', '#fed'],
    ['red', 'red'],
    ['#00f', '#00f'],
  ]);
});

test('what stands inside a variable that is put in another way is not changed twice', () => {
  const sheets = [
    {
      path: 'a.css',
      text: ':root { --slate: #3f5161 } #wrapper { background: #fff } h2 { color: var(--slate, #3f5161) } body { background: var(--page, #3f5161) url(i/strip.png) repeat-x }',
    },
  ];
  const { lines, sheets: after } = recolourSheets({
    ...input,
    sheets,
    ends: new Map([['i/strip.png', ends('#9cae88', '#3f5161')]]),
  });
  expect(lines.filter((l) => l.follows).map((l) => l.old)).toEqual([
    '#3f5161',
    'var(--slate, #3f5161)',
    'var(--page, #3f5161)',
  ]);
  expect(after.get('a.css')).toContain('body { background: #9cae88 url(i/strip.png) repeat-x }');
});

test('what was put in makes the sheets that are handed over of those that came', () => {
  const { sheets, patches } = recolourSheets(input);
  expect([...patches.keys()]).toEqual([...sheets.keys()]);
  expect(patches.get('style.css')!.length).toBeGreaterThan(5);
  for (const { path, text } of input.sheets) {
    expect(patched(text, patches.get(path)!)).toBe(sheets.get(path));
  }
});

test.each([
  ['body { background: url(p.png) repeat-x }', 1, 675, 'Gradient strip'],
  ['body { background: url(p.png) }', 320, 320, 'Background tile'],
  ['body { background: url(p.png) no-repeat }', 1400, 900, 'Page background'],
  ['#header { background: url(p.png) }', 940, 198, 'Header'],
  ['.menu li { background: url(p.png) no-repeat }', 12, 32, 'Menu end'],
  ['.button { background: url(p.png) }', 90, 30, 'Button'],
  ['ul { list-style-image: url(p.png) }', 8, 8, 'Bullet'],
  ['.box { border-image: url(p.png) 9 }', 27, 27, 'Border corners'],
  ['.search { background: url(p.png) }', 16, 16, 'Icon'],
  ['.other { background: url(p.png) }', 30, 30, 'Background'],
  ['.x { color: red }', 30, 30, 'Picture'],
])('%s, %s×%s: %s', (text, width, height, title) =>
  expect(
    rolesOf([{ path: 'a.css', text }], [{ path: 'p.png', width, height }]).get('p.png')!.title,
  ).toBe(title),
);
