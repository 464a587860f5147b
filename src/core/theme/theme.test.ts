import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { resolveVars } from './customProperties';
import { bothRanges, rangeWords, screenWidths } from './media';
import { openTheme } from './openTheme';
import { contentWidthOf, pathOf, readTheme } from './readTheme';
import { readStylesheet } from './stylesheet';
import { decodeStylesheet, StylesheetError } from './sheetText';

const theme = (text: string, path = 'style.css') => readTheme([{ path, text }]);
const only = (text: string) => {
  const { backgrounds } = theme(text);
  expect(backgrounds).toHaveLength(1);
  return backgrounds[0];
};

describe('custom properties', () => {
  const properties = new Map([
    ['--a', '#123456'],
    ['--b', 'var(--a)'],
    ['--ring', 'var(--gnir)'],
    ['--gnir', 'var(--ring)'],
    ['--rgb', '10, 20, 30'],
  ]);
  test.each([
    ['var(--a)', '#123456'],
    ['1px solid var(--b)', '1px solid  #123456'],
    ['var(--none, red)', 'red'],
    ['var(--none, var(--also, rgb(1, 2, 3)))', 'rgb(1, 2, 3)'],
    ['rgba(var(--rgb), 1)', 'rgba( 10, 20, 30 , 1)'],
    ['var(--a)url(x)', '#123456 url(x)'],
    ['var(--none)', undefined],
    ['var(--ring)', undefined],
    ['var(--ring, blue)', 'blue'],
    ['var(--a', undefined],
  ])('%s', (value, resolved) => expect(resolveVars(value, properties)).toBe(resolved));
  test('definitions that multiply each other do not hang', () => {
    const many = new Map(
      Array.from({ length: 30 }, (_, i) => [`--x${i}`, `var(--x${i + 1}) var(--x${i + 1})`]),
    );
    expect(resolveVars('var(--x0)', many)).toBeUndefined();
  });
});

describe('media queries as screen widths (Media Queries Level 4)', () => {
  test.each([
    ['(min-width: 768px)', [{ min: 768 }]],
    ['screen and (min-width:30em) and (max-width:60em)', [{ min: 480, max: 960 }]],
    ['(width >= 600px)', [{ min: 600 }]],
    ['(400px <= width <= 700px)', [{ min: 400, max: 700 }]],
    ['(max-width: 500px), (min-width: 900px)', [{ max: 500 }, { min: 900 }]],
    ['print', []],
    ['(prefers-color-scheme: dark)', [{}]],
    ['(max-width: 575.98px)', [{ max: 575.98 }]],
  ])('%s', (query, ranges) => expect(screenWidths(query)).toEqual(ranges));
  test('two queries, one in the other', () => {
    expect(bothRanges({ min: 600 }, { max: 900 })).toEqual({ min: 600, max: 900 });
    expect(bothRanges({ min: 900 }, { max: 600 })).toBeUndefined();
    const { backgrounds } = theme(
      '@media (min-width: 600px) { @media (max-width: 900px) { a { background: url(x.png) } } @media print { b { background: url(y.png) } } }',
    );
    expect(backgrounds.map((b) => [b.url, rangeWords(b.widths)])).toEqual([
      ['x.png', '600 to 900 px'],
    ]);
  });
});

describe('background pictures', () => {
  test('a shorthand says everything, and what it leaves out is initial', () => {
    expect(
      only('body { background: #336699 url("i/b.png") repeat-x fixed left 20px }'),
    ).toMatchObject({
      url: 'i/b.png',
      repeat: 'repeat-x',
      attachment: 'fixed',
      position: { x: { value: 0, unit: '%' }, y: { value: 20, unit: 'px' } },
      colour: '#336699',
      size: { x: 'auto', y: 'auto' },
      line: 1,
    });
  });
  test('longhands after it add up, whichever rule they stand in', () => {
    expect(
      only(
        '.h { background: url(a.png) }\n.h { background-repeat: no-repeat; background-size: 50% auto; background-position: right 10% bottom 0 }',
      ),
    ).toMatchObject({
      repeat: 'no-repeat',
      size: { x: { value: 50, unit: '%' }, y: 'auto' },
      position: { x: { value: 90, unit: '%' }, y: { value: 100, unit: '%' } },
    });
  });
  test('a shorthand without a picture takes it away', () =>
    expect(theme('a { background: url(x.png) } a { background: none }').backgrounds).toEqual([]));
  test('several layers', () => {
    expect(
      theme('a { background: url(1.png) no-repeat, url(2.png) repeat-y right; }').backgrounds.map(
        (b) => [b.url, b.repeat],
      ),
    ).toEqual([
      ['1.png', 'no-repeat'],
      ['2.png', 'repeat-y'],
    ]);
  });
  test('a value that breaks off is passed over, as browsers do', () =>
    expect(theme('a { background: url(x.png) no-repeat (; color: red }').backgrounds).toEqual([]));
  test.each([
    ['images/a.png', 'theme/css/style.css', 'theme/css/images/a.png'],
    ['../img/a%20b.png?v=2#x', 'theme/css/style.css', 'theme/img/a b.png'],
    ['/a.png', 'theme/style.css', 'a.png'],
    ['../../../a.png', 'theme/style.css', null],
    ['https://host.example/a.png', 's.css', null],
    ['//host.example/a.png', 's.css', null],
    ['data:image/png;base64,AA', 's.css', null],
  ])('%s in %s leads to %s', (url, sheet, path) => expect(pathOf(url, sheet)).toBe(path));
});

test('colours by how often and for what, with their names; see-through ones are left out', () => {
  const { colours } = theme(
    ':root { --clay: #a4553a } h1 { color: var(--clay) } nav a:hover { color: #A4553A } .x { border: 1px solid rgb(164 85 58); background: rgba(0,0,0,.5) }',
  );
  expect(colours).toEqual([
    {
      hex: '#a4553a',
      count: 3,
      name: 'clay',
      uses: { background: 0, text: 1, border: 1, link: 1, other: 0 },
    },
  ]);
});

test('fonts for the page and for headings', () => {
  const { fonts } = theme(
    'body { font: 16px/1.5 "Lora", serif } h1, .title { font-family: Oswald, sans-serif } code { font-family: monospace }',
  );
  expect(fonts).toEqual([
    { family: 'Lora', count: 1, headings: false, body: true },
    { family: 'Oswald', count: 2, headings: true, body: false },
  ]);
});

test('broken text is read as far as it goes, and the lines that were not understood are named', () => {
  const { rules, problems } = readStylesheet(
    'b.css',
    'a { color: red }\n.x { color }\n.y { width: 300px }\n}}\n.z { width: 10px }',
  );
  expect(rules.map((r) => r.selector)).toEqual(expect.arrayContaining(['a', '.y']));
  expect(problems.map((p) => p.line)).toContain(2);
  expect(problems.every((p) => p.file === 'b.css' && p.line <= 5)).toBe(true);
});

/**
 * General style sheets from the registry, each read as it is published; widths and colours are
 * those its documentation names.
 */
describe('published style sheets', () => {
  const read = (path: string) => theme(readFileSync(`node_modules/${path}`, 'utf8'), path);

  test('bootstrap 5.3.9: theme colours by name, container widths by breakpoint', () => {
    const bootstrap = read('bootstrap/dist/css/bootstrap.css');
    const named = Object.fromEntries(bootstrap.colours.map((c) => [c.name, c.hex]));
    expect(named).toMatchObject({
      'bs-blue': '#0d6efd',
      'bs-green': '#198754',
      'bs-red': '#dc3545',
      'bs-gray-900': '#212529',
    });
    const containers = bootstrap.widths
      .filter((w) => w.selector.startsWith('.container'))
      .map((w) => [w.value, w.widths.min]);
    expect(containers).toEqual(
      expect.arrayContaining([
        [540, 576],
        [720, 768],
        [960, 992],
        [1140, 1200],
        [1320, 1400],
      ]),
    );
    expect(contentWidthOf(bootstrap)).toBe(1320);
    expect(bootstrap.problems).toEqual([]);
    expect(bootstrap.backgrounds.every((b) => b.url.startsWith('data:'))).toBe(true);
    expect(bootstrap.backgrounds.find((b) => b.selector === '.form-check-input')).toMatchObject({
      size: 'contain',
      repeat: 'no-repeat',
      position: { x: { value: 50, unit: '%' }, y: { value: 50, unit: '%' } },
    });
  });

  test('bulma 1.0.4: hsl() colours put together from custom properties, its font', () => {
    const bulma = read('bulma/css/bulma.css');
    expect(bulma.colours.map((c) => c.hex)).toEqual(
      expect.arrayContaining(['#00d1b2', '#4258ff', '#ffffff']),
    );
    expect(bulma.fonts[0]).toMatchObject({ family: 'Inter', body: true });
    expect(bulma.widths.some((w) => w.value === 1344 && w.content)).toBe(true);
  });

  test('pico 2.1.1: container widths by breakpoint', () => {
    const pico = read('@picocss/pico/css/pico.css');
    const containers = pico.widths
      .filter((w) => /container/.test(w.selector))
      .map((w) => [w.value, w.widths.min]);
    expect(containers).toEqual(
      expect.arrayContaining([
        [510, 576],
        [700, 768],
        [950, 1024],
        [1200, 1280],
        [1450, 1536],
      ]),
    );
    expect(pico.colours.some((c) => c.uses.link > 0)).toBe(true);
  });
});

describe('files that are no style sheet', () => {
  test.each<[string, Uint8Array, string]>([
    [
      'wide.css',
      new Uint8Array([0xff, 0xfe, 0x61, 0, 0x7b, 0]),
      'wide.css: expected text in UTF-8, found UTF-16. Save it as UTF-8 and drop it again.',
    ],
    [
      'wide2.css',
      new Uint8Array([0x61, 0, 0x20, 0, 0x7b, 0, 0x7d, 0]),
      'wide2.css: expected text in UTF-8, found UTF-16 or another wide encoding. Save it as UTF-8 and drop it again.',
    ],
    [
      'big.css',
      new Uint8Array(5_000_000),
      'big.css: expected a style sheet of at most 2 MB, found 5.0 MB.',
    ],
  ])('%s is refused', (name, bytes, message) =>
    expect(() => decodeStylesheet(name, bytes)).toThrow(new StylesheetError(message)),
  );

  test('an older one-byte encoding is read', () =>
    expect(decodeStylesheet('old.css', new Uint8Array([0x2f, 0x2a, 0xfc, 0x2a, 0x2f]))).toBe(
      '/*ü*/',
    ));

  test('a zip without a style sheet, and text that is none', () => {
    expect(() =>
      openTheme([
        {
          name: 'x.zip',
          bytes: zipSync({
            'a.txt': strToU8('x'),
            'b.txt': strToU8('y'),
          }) as Uint8Array<ArrayBuffer>,
        },
      ]),
    ).toThrow(
      'x.zip: expected a style sheet (.css) or a zip of a theme folder with one, found no style sheet.',
    );
    expect(() =>
      openTheme([{ name: 'notes.txt', bytes: strToU8('hello') as Uint8Array<ArrayBuffer> }]),
    ).toThrow('found neither.');
  });

  test('almost two megabytes of nested nonsense are read in bounded time', () => {
    expect(() => theme('@media all{'.repeat(20_000))).not.toThrow();
    expect(() => theme(`a{width:${'calc('.repeat(20_000)}`)).not.toThrow();
    expect(() => theme(`a{background:${'('.repeat(20_000)}`)).not.toThrow();
  });
});
