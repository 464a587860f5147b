import { strToU8, zipSync } from 'fflate';
import { ArchiveError, unzip } from './unzip';

const zip = (files: Record<string, Uint8Array>) => zipSync(files, { level: 9 });

test('files come out with their paths; folders and what systems put in are left out', () => {
  const files = unzip(
    'theme.zip',
    zip({
      'a/style.css': strToU8('b{}'),
      'a/img/x.png': new Uint8Array([1, 2]),
      '__MACOSX/a/x': new Uint8Array(1),
      'a/.DS_Store': new Uint8Array(1),
    }),
  );
  expect(files.map((f) => f.path)).toEqual(['a/style.css', 'a/img/x.png']);
  expect([...files[1].bytes]).toEqual([1, 2]);
});

test.each([
  ['../../etc/style.css'],
  ['a/../../b.css'],
  ['/abs.css'],
  ['C:\\x.css'],
  ['a\\..\\..\\b.css'],
])('a path that leads out refuses the archive: %s', (path) => {
  expect(() => unzip('theme.zip', zip({ 'ok.css': strToU8('b{}'), [path]: strToU8('x') }))).toThrow(
    new ArchiveError(`theme.zip: expected paths inside the archive, found “${path}”.`),
  );
});

test('an entry that unpacks to a thousand times its size is refused before it is unpacked', () => {
  expect(() => unzip('bomb.zip', zip({ 'big.css': new Uint8Array(30_000_000) }))).toThrow(
    /^bomb\.zip: expected files packed at most 200 to 1, found “big\.css” at \d+ to 1\.$/,
  );
});

test('too many entries, and too much in all', () => {
  expect(() =>
    unzip(
      'many.zip',
      zip(
        Object.fromEntries(
          Array.from({ length: 2001 }, (_, i) => [`f${i}.txt`, new Uint8Array(0)]),
        ),
      ),
    ),
  ).toThrow('many.zip: expected at most 2000 files, found more.');
});

test('an archive that says less than it unpacks to does not get more room', () => {
  const bytes = zip({ 'style.css': strToU8('body { color: red }'.repeat(500)) });
  const view = new DataView(bytes.buffer);
  // The size before packing stands at offset 24 of the central directory's entry.
  for (let i = 0; i < bytes.length - 4; i++) {
    if (view.getUint32(i, true) === 0x02014b50) {
      view.setUint32(i + 24, 10, true);
    }
  }
  let length = 0;
  try {
    length = unzip('lying.zip', bytes)[0].bytes.length;
  } catch (error) {
    expect(error).toBeInstanceOf(ArchiveError);
  }
  expect(length).toBeLessThanOrEqual(10);
});

test('what is no whole archive is refused', () => {
  expect(() => unzip('cut.zip', zip({ 'a.css': strToU8('b{}') }).subarray(0, 40))).toThrow(
    /^cut\.zip: expected a whole zip archive/,
  );
});

test('files that are each small enough are refused where they are too much together', () => {
  const files = Object.fromEntries(
    Array.from({ length: 6 }, (_, i) => [`part-${i}.bin`, new Uint8Array(1000).fill(i)]),
  );
  const bytes = zip(files);
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  // The archive's own list says 50 MB for each, packed to 1 MB (PKWARE APPNOTE 6.3, central
  // directory header: packed size at 20, size at 24).
  for (let at = 0; at + 4 <= bytes.length; at++) {
    if (view.getUint32(at, true) === 0x02014b50) {
      view.setUint32(at + 20, 1 << 20, true);
      view.setUint32(at + 24, 50 << 20, true);
    }
  }
  expect(() => unzip('parts.zip', bytes)).toThrow(
    'parts.zip: expected at most 256 MB unpacked, found more.',
  );
});
