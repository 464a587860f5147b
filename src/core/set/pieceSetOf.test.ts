import { newSite } from '../site/newSite';
import { readSite } from '../site/schema';
import { pieceSetOf } from './pieceSetOf';

const site = newSite('s', 'home', 'Veldrin Clayworks');
const bytes = (n: number) => new Uint8Array(n);
const opened = {
  name: 'slate'.padEnd(120, 'x'),
  pieces: [
    { path: 'images/a.png', bytes: bytes(7), width: 4, height: 3, format: 'png', meant: false },
  ],
  sheets: [{ path: 'style.css', bytes: bytes(5) }],
  others: [{ path: 'readme.txt', bytes: bytes(2), why: 'no picture' }],
  colour: '#5f7a92',
};

test('a set of what was opened is a part of a site that can be read again', () => {
  const set = pieceSetOf(opened as never, site, (path) => `id-of-${path.length}`, 'recipe-1');
  expect(set.name).toHaveLength(80);
  expect(set.pieces[0]).toMatchObject({ path: 'images/a.png', assetId: 'id-of-12', bytes: 7 });
  expect([set.sheets[0].bytes, set.others[0].why, set.from]).toEqual([5, 'no picture', '#5f7a92']);
  expect(readSite({ ...site, set }).set).toEqual(set);
});

test('it leads to a colour of the theme that is another than its own', () => {
  const theme = {
    ...site.theme,
    colours: [
      { name: 'slate', hex: '#5f7a92' },
      { name: 'clay', hex: '#a4553a' },
    ],
  };
  expect(pieceSetOf(opened as never, { theme }, () => 'x', 'r').to).toBe('#a4553a');
  const { from, to } = pieceSetOf(
    { ...opened, colour: undefined } as never,
    { theme },
    () => 'x',
    'r',
  );
  expect([from, to]).toEqual(['#5f7a92', '#a4553a']);
});
