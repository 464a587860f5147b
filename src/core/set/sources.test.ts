import { newWash } from '../layers/fill';
import { recipeForSet } from './edits';
import { recolourSheets } from './recolourSheets';
import { openSet } from './openSet';
import { scanSource } from './sources';

const told = (path: string, text: string) =>
  scanSource(path, text).map((d) => [d.line, d.property, d.colours.map((c) => c.text)]);

test.each([
  [
    'a.scss',
    '$brand: #2a6f77 !default; // teal\r\n/* $old: #123456; */\n  $soft : mix($brand, #fff, 20%);\n.a { color: #2a6f77; $inner: red }\n@media print { }',
    [
      [1, '$brand', ['#2a6f77']],
      [3, '$soft', ['#fff']],
    ],
  ],
  [
    'a.less',
    '@brand: #2a6f77;\n@import "b";\n@media (width: 1px) {}\n@warn-ground: #fff3cd;',
    [
      [1, '@brand', ['#2a6f77']],
      [4, '@warn-ground', ['#fff3cd']],
    ],
  ],
  [
    'a.sass',
    '$brand: rgb(42, 111, 119)\na\n  color: $brand',
    [[1, '$brand', ['rgb(42, 111, 119)']]],
  ],
  [
    'a.styl',
    'brand = #2a6f77 // teal\n$line = 1px solid #2a6f77\nbody\n  color brand',
    [
      [1, 'brand', ['#2a6f77']],
      [2, '$line', ['#2a6f77']],
    ],
  ],
])('variables of %s, each with the places of its colours', (path, text, wanted) => {
  expect(told(path, text)).toEqual(wanted);
  for (const { start, value } of scanSource(path, text)) {
    expect(text.slice(start, start + value.length)).toBe(value);
  }
});

test('a source follows with the sheet that it is compiled to; a warning’s variable stays', () => {
  const files = {
    'scss/_colours.scss': '$brand: #2A6F77;\n$danger: #2a6f77;\n',
    'style.css': '.bar{border-color:#2a6f77}.danger{border-color:#2a6f77}',
  };
  const opened = openSet(
    Object.entries(files).map(([path, text]) => ({
      path,
      bytes: new Uint8Array(Buffer.from(text)),
    })),
  );
  expect(opened.sheets.map((s) => s.path)).toEqual(Object.keys(files));
  expect(openSet([{ path: 'a.scss', bytes: opened.sheets[0].bytes }]).colour).toBe('#2a6f77');
  const { sheets } = recolourSheets({
    sheets: Object.entries(files).map(([path, text]) => ({ path, text })),
    samples: new Map(),
    areas: new Map(),
    set: {
      from: '#2a6f77',
      follows: [],
      recipe: { ...recipeForSet('r', '#2a6f77'), steps: [newWash('w', '#f3fec2', 0.59)] },
    },
    decided: {},
    ends: new Map(),
  });
  const [, to] = /border-color:(#[0-9a-f]{6})/.exec(sheets.get('style.css')!)!;
  expect(to).not.toBe('#2a6f77');
  expect(sheets.get('scss/_colours.scss')).toBe(
    `$brand: ${to.toUpperCase()};\n$danger: #2a6f77;\n`,
  );
  expect(sheets.get('style.css')).toBe(`.bar{border-color:${to}}.danger{border-color:#2a6f77}`);
});
