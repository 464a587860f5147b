import { randomRuns } from '@/core/randomRuns.fixture';
import { deflateRawSync } from 'node:zlib';
import fc from 'fast-check';
import {
  strFromU8,
  strToU8,
  Zip,
  ZipDeflate,
  ZipPassThrough,
  zipSync,
  type ZipInputFile,
} from 'fflate';
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

/**
 * The archive, whose own list says another size of each file (PKWARE APPNOTE 6.3, 4.3.12: the size
 * stands at offset 24 of an entry).
 */
function says(bytes: Uint8Array, size: number): Uint8Array {
  const view = new DataView(bytes.buffer, bytes.byteOffset);
  for (let at = 0; at + 4 <= bytes.length; at++) {
    if (view.getUint32(at, true) === 0x02014b50) {
      view.setUint32(at + 24, size, true);
    }
  }
  return bytes;
}

/** An archive of so many zeros, which Node packs in a tenth of the time. */
function zeros(size: number): Uint8Array {
  const parts: Uint8Array[] = [];
  const archive = new Zip((_error, chunk) => parts.push(chunk));
  const file: ZipInputFile = { filename: 'style.css', size, crc: 0, compression: 8 };
  archive.add(file);
  file.ondata!(null, deflateRawSync(Buffer.alloc(size)), true);
  archive.end();
  return new Uint8Array(Buffer.concat(parts));
}

test('an archive that says less than it unpacks to is refused as soon as it is more', () => {
  const lying = says(zeros(190_000_000), 1000);
  expect(lying.length).toBeLessThan(200_000);
  // Counted in what was unpacked, not in time: sixteen KB of it at a time.
  const before = process.memoryUsage().arrayBuffers;
  expect(() => unzip('lying.zip', lying)).toThrow(
    'lying.zip: expected a whole zip archive, found one that cannot be read: a file unpacks to more than its list says.',
  );
  expect(process.memoryUsage().arrayBuffers - before).toBeLessThan(64 * 2 ** 20);
});

test('nor may it say more', () => {
  expect(() => unzip('short.zip', says(zip({ 'a.css': strToU8('b{}') }), 10))).toThrow(
    'short.zip: expected a whole zip archive, found one that cannot be read: a file breaks off.',
  );
});

test('files of unknown length while they were packed, a comment behind, something before: all are read', () => {
  const parts: Uint8Array[] = [strToU8('#!/bin/sh\n')];
  const stream = new Zip((error, chunk) => {
    expect(error).toBeNull();
    parts.push(chunk);
  });
  const texts = ['b{}', 'PK'.repeat(40_000)];
  texts.forEach((text, i) => {
    const file = i === 0 ? new ZipPassThrough('a.css') : new ZipDeflate('b.txt', { level: 6 });
    stream.add(file);
    file.push(strToU8(text), true);
  });
  stream.end();
  const whole = Buffer.concat(parts);
  // What stands before shifts every offset (APPNOTE 4.3.16: the list's own offset at 16).
  const end = whole.lastIndexOf(Buffer.from([0x50, 0x4b, 5, 6]));
  const list = whole.readUInt32LE(end + 16) + 10;
  whole.writeUInt32LE(list, end + 16);
  for (let at = list; whole.readUInt32LE(at) === 0x02014b50;) {
    whole.writeUInt32LE(whole.readUInt32LE(at + 42) + 10, at + 42);
    at += 46 + whole.readUInt16LE(at + 28) + whole.readUInt16LE(at + 30);
  }
  whole.writeUInt16LE(5, end + 20);
  const files = unzip('odd.zip', Buffer.concat([whole, strToU8('hello')]));
  expect(files.map((f) => [f.path, strFromU8(f.bytes)])).toEqual([
    ['a.css', texts[0]],
    ['b.txt', texts[1]],
  ]);
});

test('bytes that are changed anywhere never do harm: a refusal in words, or files', () => {
  const whole = zip({ 'a/style.css': strToU8('b{}'.repeat(300)), 'x.bin': new Uint8Array(5000) });
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 6 }),
      (changes) => {
        const bytes = whole.slice();
        changes.forEach(([at, value]) => {
          bytes[at] = value;
        });
        try {
          unzip('changed.zip', bytes);
        } catch (error) {
          expect(error).toBeInstanceOf(ArchiveError);
          expect((error as Error).message).toMatch(/^changed\.zip: expected [^\n]*\.$/);
        }
      },
    ),
    { numRuns: randomRuns(2000) },
  );
});

test('what is no whole archive is refused', () => {
  expect(() => unzip('cut.zip', zip({ 'a.css': strToU8('b{}') }).subarray(0, 40))).toThrow(
    /^cut\.zip: expected a whole zip archive/,
  );
});

test('files that are each small enough are refused where they are too much together', () => {
  const files = Object.fromEntries(
    Array.from({ length: 6 }, (_, i) => [`part-${i}.bin`, new Uint8Array(300_000)]),
  );
  const bytes = says(zipSync(files, { level: 0 }), 50 << 20);
  expect(() => unzip('parts.zip', bytes)).toThrow(
    'parts.zip: expected at most 256 MB unpacked, found more.',
  );
});
