import { loneRules } from './loneRules';

const told = (css: string) =>
  loneRules(css).map(({ selects, start, end }) => [selects, css.slice(start, end)]);

test.each([
  ['a:hover > b::before{x:y}', 'a>b'],
  ['.x:not(:hover) [a=b i]{x:y}', '.x [a=b i]'],
  [':hover + :focus{x:y}', '*+*'],
  ['.a  .b~c , #d{x:y}', '.a .b~c,#d'],
  ['::selection{x:y}', '*'],
  ['*:checked{x:y}', '*'],
  ['a :is(.b, .c) > i{x:y}', 'a *>i'],
  ['.sm\\:flex{x:y}', '.sm\\:flex'],
])('a rule selects at most what is told of it: %s', (css, selects) => {
  expect(told(css)).toEqual([[selects, css]]);
});

test('rules in conditions and layers are told by themselves, with where they stand', () => {
  expect(
    told('@media (width>9px){ .a{x:y} @supports (x:y){ .b{x:y} } } @layer l { .c{x:y} }').map(
      ([, rule]) => rule,
    ),
  ).toEqual(['.a{x:y}', '.b{x:y}', '.c{x:y}']);
});

test.each([
  ['that holds others', '.n{x:y; &:hover{x:y}}'],
  ['that holds others without a sign', '.n{x:y; .m{x:y}}'],
  ['that holds a condition', '.n{ @media (x){ x:y } }'],
  ['in key frames', '@keyframes k{ from{x:y} }'],
  ['in a scope', '@scope (.q){ .z{x:y} }'],
  ['of a font', '@font-face{ font-family:x }'],
  ['that is no selector', '.a,{x:y}'],
  ['behind a bracket too many', '} .d{x:y}'],
])('a rule %s is left alone', (_, css) => {
  expect(told(css)).toEqual([]);
});

test('what a sheet is bounded by keeps its places', () => {
  const deep = `${'('.repeat(200)}${')'.repeat(200)}`;
  const css = `.a{width:calc${deep}}.b{x:y}`;
  expect(told(css).at(-1)).toEqual(['.b', '.b{x:y}']);
});
