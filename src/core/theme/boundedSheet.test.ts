import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { boundedSheet, SheetBudget, sheetLimits } from './boundedSheet';
import { readStylesheet } from './stylesheet';

const nest = (deep: number, inside: string) =>
  '@media screen {\n'.repeat(deep) + inside + '}'.repeat(deep);

const { deep } = sheetLimits;

test('what is as deep as people write it stays to the letter', () => {
  const many = '}{{{{'.repeat(100);
  const text = `a { b: "${many}" } /* ${many} */ ${nest(deep - 1, 'c { d: e }')} f { g: url(${'['.repeat(100)}) }`;
  expect(boundedSheet(text)).toEqual({ text, cut: undefined });
});

test('what lies deeper is left out, and all else keeps its place', () => {
  const text = `a{}${nest(deep, 'c { d: e }')} f { g: h }`;
  const { text: rest, cut } = boundedSheet(text);
  expect(rest).toHaveLength(text.length);
  expect(rest.split('\n')).toHaveLength(text.split('\n').length);
  expect(rest).not.toContain('d: e');
  expect(rest.indexOf('f { g: h }')).toBe(text.indexOf('f { g: h }'));
  expect(text[cut!]).toBe('{');
});

test.each(['(', 'calc(', '[', ':not(', '{'])('%s inside each other', (opens) => {
  const text = `a{b:${opens.repeat(deep + 5)}x`;
  const { text: rest, cut } = boundedSheet(text);
  // One is that of the rule.
  expect(rest.slice(2).split(opens)).toHaveLength(deep);
  expect(rest.slice(0, cut)).toBe(text.slice(0, cut));
  expect(rest.slice(cut).trim()).toBe('');
});

test('what closes another kind of bracket closes nothing', () => {
  const text = `a{b:${'(}]'.repeat(deep + 5)}`;
  expect(boundedSheet(text).cut).toBe(text.indexOf('(', 4 + 3 * (deep - 1)));
});

test('mixed colours are followed for some levels, beside each other as many as there are', () => {
  const mixed = (levels: number) =>
    `${'Color-Mix(in srgb, red, '.repeat(levels)}blue${')'.repeat(levels)}`;
  const { mixes } = sheetLimits;
  const beside = `a{--x:${Array.from({ length: 50 }, () => mixed(mixes)).join()}}`;
  expect(boundedSheet(beside)).toEqual({ text: beside, cut: undefined });
  const { text } = boundedSheet(`a{color:${mixed(30)};b:c}`);
  expect(text.match(/color-mix/gi)).toHaveLength(mixes);
  expect(text).toContain(';b:c}');
});

const levels = (count: number, selector: string) =>
  `${`${selector}{`.repeat(count)}color:red${'}'.repeat(count)}`;

test.each(['&,&', 'a,b', '& &', ':is(&,&)'])(
  'rules of %s in each other double at each level: as many as a browser can make are kept',
  (selector) => {
    expect(boundedSheet(levels(10, selector)).cut).toBeUndefined();
    const many = levels(40, selector);
    const { text, cut } = boundedSheet(`${many} p{color:blue}`);
    // Level n stands for 2^n selectors, all up to it for twice as many.
    const kept = text.slice(0, cut).split(selector).length - 1;
    expect(2 ** kept).toBeLessThanOrEqual(sheetLimits.selectors);
    expect(2 ** (kept + 1)).toBeGreaterThan(sheetLimits.selectors / 2);
    expect(text).toContain('p{color:blue}');
  },
);

test('conditions around rules, and lists that are not nested, cost nothing', () => {
  const list = Array.from({ length: 300_000 }, () => 'a').join();
  const text = `${list}{b:c} ${list}{b:c} @media (a),(b){@supports (c),(d){e,f{&:hover{g:h}}}}`;
  expect(boundedSheet(text)).toEqual({ text, cut: undefined });
});

const chain = (count: number, from = 0) =>
  Array.from({ length: count }, (_, i) => `--v${from + i}:var(--v${from + i + 1});`).join('');

test('custom properties that name others are counted over all sheets of a page, by their names', () => {
  const budget = new SheetBudget();
  const full = `a{${chain(sheetLimits.references)}}`;
  expect(boundedSheet(full, budget).cut).toBeUndefined();
  expect(boundedSheet(`@media print{${full}}`, budget).cut).toBeUndefined();
  expect(boundedSheet('a{--x:red;color:var(--v1)}', budget).cut).toBeUndefined();
  const more = boundedSheet('a{--x:VAR(--v1);color:red}b{--y:var(--v2)}', budget);
  expect(more.text).toMatch(/^a\{ +color:red\}b\{ +\}$/);
});

test('an at-rule of any number of names is left out with its block', () => {
  const names = 'a.'.repeat(sheetLimits.prelude);
  const text = `@layer ${names}a;b{c:d}@layer ${names}a{e{f:g}}h{i:j}`;
  expect(boundedSheet(text).text.replace(/ +/g, ' ')).toBe(' b{c:d} h{i:j}');
});

test('nothing of it makes it longer or worse, however it is broken', () => {
  const part = fc.constantFrom(
    ...['{', '}', '(', ')', '[', ']', '"', "'", '/*', '*/', '\\', 'a', '\n', ';', ','],
    ...['&', 'a{', '&,&{', ':not(', 'url(', '@media ', '--x:', 'var(', '{'.repeat(40)],
  );
  fc.assert(
    fc.property(fc.array(part, { maxLength: 60 }), (parts) => {
      const { text } = boundedSheet(parts.join(''));
      expect(text).toHaveLength(parts.join('').length);
      expect(boundedSheet(text)).toEqual({ text, cut: undefined });
    }),
    { numRuns: randomRuns(2000) },
  );
});

test('twenty thousand blocks inside each other are read as far as they go, and told', () => {
  const text = `a { color: red }\n${nest(20_000, 'b { color: blue }')}\nc { color: green }`;
  const { rules, problems } = readStylesheet('deep.css', text);
  expect(rules.map((r) => r.selector)).toEqual(['a', 'c']);
  expect(problems.length).toBeGreaterThan(0);
});
