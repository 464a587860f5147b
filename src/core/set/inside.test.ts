import { strFromU8, strToU8 } from 'fflate';
import { filesInside, readSheet, withInside } from './inside';
import { isInside } from './paths';

const u8 = (text: string) => new Uint8Array(strToU8(text));
const svg =
  '<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4"><rect fill="#3f5161"/></svg>';
/** Every way of writing them that CSS Values and RFC 2397 leave open, and what is no picture. */
const sheet = u8(
  [
    '@import "data:text/css,";',
    '@font-face { src: url(data:font/woff2;base64,AAAA) }',
    `.a { background: #fff url(data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}) no-repeat }`,
    `.b { background-image: url( 'data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}#part' ) }`,
    `.c{list-style:url("data:image/svg+xml,${svg.replace('"4"', '"9%"').replaceAll('"', "'").replaceAll('#', '%23')}")}`,
    '/* url(data:image/png;base64,AAAA) */ .d { background: url(data:image/png;base64,A) }',
    '.e { background-image: image-set("data:image/gif;base64,R0lGODlh" 1x) }\r\n',
  ].join('\n'),
);

test('pictures inside a sheet are found as browsers read them, each with a path of its own', () => {
  const found = filesInside({ path: 'slate/my style.css', bytes: sheet });
  expect(found.map((f) => f.path)).toEqual([
    'slate/my style.css/inside-1.svg',
    'slate/my style.css/inside-2.svg',
    'slate/my style.css/inside-3.svg',
    'slate/my style.css/inside-4.gif',
  ]);
  expect(found.slice(0, 3).map((f) => strFromU8(f.bytes))).toEqual([
    svg,
    svg,
    svg.replace('"4"', '"9%"').replaceAll('"', "'"),
  ]);
  expect(strFromU8(found[3].bytes)).toBe('GIF89a');
  expect(
    found.every(
      (f) =>
        isInside(f.path, [{ path: 'slate/my style.css' }]) &&
        !isInside(f.path, [{ path: 'slate/my' }]),
    ),
  ).toBe(true);
});

test('a sheet reads with their names in place of them, on the same lines, and comes back to the letter', () => {
  const { text } = readSheet('slate/my style.css', sheet);
  const lines = text.split('\n');
  expect(lines[2]).toBe('.a { background: #fff url("my%20style.css/inside-1.svg") no-repeat }');
  expect(lines[3]).toBe(".b { background-image: url( 'my%20style.css/inside-2.svg' ) }");
  expect(lines[6]).toBe('.e { background-image: image-set("my%20style.css/inside-4.gif" 1x) }\r');
  expect(withInside({ path: 'slate/my style.css', text }, sheet, () => undefined)).toBe(
    strFromU8(sheet),
  );
});

test('those that became others are written in their own way, the colours around them too, and every other byte stays', () => {
  const read = readSheet('s.css', sheet);
  const after = svg.replace('#3f5161', '#a9b79a');
  const becomes = new Map([
    ['s.css/inside-1.svg', u8(after)],
    ['s.css/inside-3.svg', u8("<svg a='(1)'/>")],
  ]);
  const made = withInside({ ...read, text: read.text.replace('#fff', '#eee') }, sheet, (path) =>
    becomes.get(path),
  );
  const old = strFromU8(sheet).split('\n');
  const lines = made.split('\n');
  expect(lines[2]).toBe(
    `.a { background: #eee url(data:image/svg+xml;base64,${Buffer.from(after).toString('base64')}) no-repeat }`,
  );
  expect(lines[4]).toBe(
    '.c{list-style:url("data:image/svg+xml,%3Csvg%20a%3D%27%281%29%27%2F%3E")}',
  );
  for (const i of [0, 1, 3, 5, 6]) {
    expect(lines[i]).toBe(old[i]);
  }
});
