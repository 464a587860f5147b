import { declaredIn, sheetPatches, type Names } from './sheetPatches';
import { patched } from '../../files/textPatch';

const names = (renamed: Readonly<Record<string, string>> = {}): Names => ({
  keyOf: (address) => /^(?:\.\.\/)?img\/(\w+)\.png/.exec(address)?.[1] ?? undefined,
  renamed: (key, address) => renamed[key] && address.replace(/\w+\.png/, renamed[key]),
});

const block = (css: string, ...declared: { property: string; value: string }[]) =>
  patched(css, declaredIn(css, declared));

test('what a block declares gets its new value, and nothing else is touched', () => {
  expect(
    block('\n  background: url(a.png) repeat-x;\n  background-repeat:repeat ;\n  color: red\n', {
      property: 'background-repeat',
      value: 'no-repeat',
    }),
  ).toBe('\n  background: url(a.png) repeat-x;\n  background-repeat:no-repeat ;\n  color: red\n');
});

test('after a shorthand that would undo it, a declaration is added with the lines’ own indent', () => {
  const added = { property: 'background-repeat', value: 'repeat-y' };
  expect(block('\r\n\tbackground-repeat: repeat;\r\n\tbackground: url(a.png)\r\n', added)).toBe(
    '\r\n\tbackground-repeat: repeat;\r\n\tbackground: url(a.png);\r\n\tbackground-repeat: repeat-y\r\n',
  );
  expect(block(' background: url(a.png); margin: 0 ', added)).toBe(
    ' background: url(a.png); background-repeat: repeat-y; margin: 0 ',
  );
  expect(block('background:url(a.png)!important', added)).toBe(
    'background:url(a.png)!important; background-repeat: repeat-y !important',
  );
  expect(block('', added)).toBe(' background-repeat: repeat-y;');
});

test('rules inside the block, comments and strings with brackets are left where they are', () => {
  const css = ' background-image: url(a.png); /* } */ &:hover { color: red } content: "}"';
  expect(block(css, { property: 'background-size', value: 'cover' })).toBe(
    ' background-image: url(a.png); background-size: cover; /* } */ &:hover { color: red } content: "}"',
  );
});

test('of a sheet only the rule on that line that names the file changes; renames are everywhere', () => {
  const css = [
    '.a { background: url(img/a.png) }',
    '.b { background: url("../img/a.png?v=1") } .c { background: url(img/b.png) }',
    '@import "img/a.png";',
  ].join('\n');
  const wish = { key: 'b', line: 2, declared: [{ property: 'background-size', value: 'contain' }] };
  expect(patched(css, sheetPatches(css, names({ a: 'a.webp' }), [wish]))).toBe(
    [
      '.a { background: url("img/a.webp") }',
      '.b { background: url("../img/a.webp?v=1") } .c { background: url(img/b.png); background-size: contain }',
      '@import "img/a.png";',
    ].join('\n'),
  );
  expect(sheetPatches(css, names(), [{ ...wish, line: 1 }])).toEqual([]);
});
