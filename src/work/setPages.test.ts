import type { HandedFile } from '@/core/handover/ports';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { setFilesAmong } from './setPages';

const file = (path: string) => ({ path, assetId: path, bytes: 1 });
const set: PieceSet = {
  name: 'slate',
  pieces: [{ ...file('i/head.png'), width: 1, height: 1, format: 'png', leftOut: false }],
  sheets: [file('style.css')],
  others: [{ ...file('index.html'), why: '' }],
  recipe: { id: 'r', name: '', steps: [], spare: true, hues: null },
  follows: [],
  from: '#000000',
  to: '#ffffff',
  lines: {},
};
const handed = (path: string, theme?: HandedFile['theme']): HandedFile => ({
  path,
  type: 'x',
  bytes: new TextEncoder().encode(path),
  ...(theme && { theme }),
});
const pathsAmong = (files: readonly HandedFile[]) => setFilesAmong(set, files).map((f) => f.path);

test('files of a set are found among others at their own paths, with those that the plan gives', () => {
  const planned = { ...handed('i/head.png'), planned: {} as HandedFile['planned'] };
  expect(
    pathsAmong([
      handed('home.html'),
      planned,
      handed('style.css', 'changed'),
      handed('index.html', 'as it was'),
    ]),
  ).toEqual(['i/head.png', 'style.css', 'index.html']);
});

test('and in a folder of their own, where ours have their names', () => {
  expect(
    pathsAmong([
      handed('style.css'),
      handed('theme/style.css', 'changed'),
      handed('theme/i/head.png', 'changed'),
      handed('theme/more.png', 'as it was'),
    ]),
  ).toEqual(['style.css', 'i/head.png']);
});
