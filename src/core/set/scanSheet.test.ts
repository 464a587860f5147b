import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { parse, walk } from 'css-tree';
import { scanSheet } from './scanSheet';

const css = `@charset "utf-8";
:root { --Brand: #2a6f77; --brand: #13a } /* a { color: red } */
.card { color: #111; & .title { color: #2a6f77; &:hover { color: #1d4f55 } } .x & { border-color: #2a6f77 }
  @media (min-width: 600px) { background: #2a6f77; } }
@media (prefers-color-scheme: dark) { body { background: #0e2528 !important } }
@supports (color: lab(50% 0 0)) { .s { color: lab(43% -20 -10) } }
@layer base { .a, .b > c { color: #2a6f77 } }
@keyframes tan { from { color: #2a6f77 } 50% { color: red } }
@font-face { font-family: Red; src: url(red.woff2) }
@property --tint { syntax: "<color>"; inherits: true; initial-value: #2a6f77 }
.pics { background: image-set("a.png" 1x, url(b.png) 2x), url("c.png"); font: 12px tan; }
.broken { color: ; width: calc(1px + (2px } .after { *color: #abc; filter: progid:x }
.last { color: #def`;

test('every declaration is found where it stands: nested, in at-rules, in what is broken, at the end', () => {
  const found = scanSheet(css);
  expect(found.map((d) => [d.line, d.selector, d.property, d.colours.map((c) => c.text)])).toEqual([
    [2, ':root', '--Brand', ['#2a6f77']],
    [2, ':root', '--brand', ['#13a']],
    [3, '.card', 'color', ['#111']],
    [3, '.card .title', 'color', ['#2a6f77']],
    [3, '.card .title:hover', 'color', ['#1d4f55']],
    [3, '.x .card', 'border-color', ['#2a6f77']],
    [4, '.card', 'background', ['#2a6f77']],
    [5, 'body', 'background', ['#0e2528']],
    [6, '.s', 'color', ['lab(43% -20 -10)']],
    [7, '.a,.b>c', 'color', ['#2a6f77']],
    [8, '@keyframes tan', 'color', ['#2a6f77']],
    [8, '@keyframes tan', 'color', ['red']],
    [10, '@property --tint', 'syntax', []],
    [10, '@property --tint', 'inherits', []],
    [10, '@property --tint', 'initial-value', ['#2a6f77']],
    [11, '.pics', 'background', []],
    [11, '.pics', 'font', []],
    [12, '.broken', 'width', []],
    [12, '.after', 'color', ['#abc']],
    [12, '.after', 'filter', []],
    [13, '.last', 'color', ['#def']],
  ]);
  for (const { start, value } of found) {
    expect(css.slice(start, start + value.length)).toBe(value);
  }
  expect(found.find((d) => d.selector === 'body')).toMatchObject({ value: '#0e2528', dark: true });
  expect(found.find((d) => d.selector === '.pics')!.urls).toEqual(['a.png', 'b.png', 'c.png']);
});

/** Rules without nesting, which the library's own parser reads. */
const value = fc.constantFrom(
  '#2a6f77',
  'rgb(1 2 3 / 50%)',
  'url(a.png) red',
  '"}" , ";"',
  'a(b, c)',
);
const rule: fc.Arbitrary<string> = fc
  .tuple(
    fc.constantFrom('a', '.b:not(.c)', 'd > e, f', '[g="}"]'),
    fc.array(fc.tuple(fc.constantFrom('color', 'background', '--X'), value), { maxLength: 4 }),
    fc.constantFrom('', ' ', '/* ; } */', '\n'),
  )
  .map(
    ([selector, list, space]) =>
      `${selector}${space}{${list.map(([p, v]) => `${space}${p}:${space}${v}`).join(';')}}`,
  );

test('of random sheets it finds what css-tree finds', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          rule,
          rule.map((r) => `@media screen { ${r} }`),
        ),
      ),
      (rules) => {
        const text = rules.join('\n');
        const theirs: [number, string][] = [];
        walk(parse(text, { positions: true, parseCustomProperty: false }), (node) => {
          if (node.type === 'Declaration') {
            theirs.push([node.loc!.start.line, node.property]);
          }
        });
        expect(scanSheet(text).map((d) => [d.line, d.property])).toEqual(theirs);
      },
    ),
    { numRuns: randomRuns(200) },
  );
});

test('rules inside each other are scanned as deep as sheets are read, thousands end', () => {
  const nested = (levels: number) =>
    `${'.a { '.repeat(levels)}color: #2a6f77${' }'.repeat(levels)} b { color: #123456 }`;
  expect(scanSheet(nested(60)).map((d) => d.colours.length)).toEqual([1, 1]);
  expect(scanSheet(nested(4000)).map((d) => d.selector)).toEqual(['b']);
});
