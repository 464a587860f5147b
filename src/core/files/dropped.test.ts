import { droppedKind } from './dropped';

const of = (...paths: string[]) => droppedKind(paths.map((path) => ({ path, type: '' })));

test.each([
  ['site', ['Studio.soyez', 'photo.jpg']],
  ['page', ['My page.html', 'My page_files/head.png']],
  ['page', ['theme/style.CSS']],
  ['page', ['theme.zip']],
  ['page', ['saved.mhtml']],
  ['pictures', ['IMG_2041.JPG']],
  ['pictures', ['poster.ora', 'notes.txt']],
  ['other', ['notes.txt']],
  ['other', []],
] as const)('%s: %j', (kind, paths) => {
  expect(of(...paths)).toBe(kind);
});

test('a pasted picture has no telling name, but a media type', () => {
  expect(droppedKind([{ path: 'image', type: 'image/png' }])).toBe('pictures');
});
