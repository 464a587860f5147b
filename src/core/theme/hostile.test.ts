import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { ArchiveError, unzip } from '../files/unzip';
import { inspectPicture } from '../measure/inspect';
import { IntakeError } from '../measure/intakeError';
import { readVisitors, VisitorsError } from '../measure/readVisitors';
import { shares } from '../measure/visitors';
import { migrate, MigrationError } from '../site/migrate';
import { readSite, SiteError } from '../site/schema';
import { readBackground } from './backgrounds';
import { openTheme } from './openTheme';
import { readTheme } from './readTheme';
import { readStylesheet } from './stylesheet';
import { StylesheetError } from './sheetText';
import { readThemeColours, TokensError } from './tokens';

/*
 * Whatever comes in, it is read or refused with a message; nothing else is thrown, and nothing runs
 * away.
 */

const bytes = fc.uint8Array({ maxLength: 400 }) as fc.Arbitrary<Uint8Array<ArrayBuffer>>;
const css = `:root{--a:#123456;--b:var(--a)}
body{background:var(--b) url("i/x.png") repeat-x 50% 10px / 20px auto fixed;color:red}
@media (min-width:600px) and (max-width:900px){.side>a:hover{width:300px;border:1px solid rgb(1 2 3/.5)}}
h1{font:700 20px/1.2 "Some Font",serif}`;

/**
 * The style sheet with some of its characters taken out, doubled, or put in the place of others.
 */
const broken = fc
  .array(
    fc.record({
      at: fc.nat({ max: css.length - 1 }),
      with: fc.constantFrom(
        '',
        '}',
        '{',
        '(',
        ')',
        '"',
        ';',
        ':',
        '/*',
        '*/',
        '@',
        '\\',
        '\u0000',
        'url(',
      ),
    }),
    { maxLength: 12 },
  )
  .map((edits) =>
    edits.reduce((text, { at, with: put }) => text.slice(0, at) + put + text.slice(at + 1), css),
  );

function onlyThrows(act: () => unknown, ...kinds: (new (...args: never[]) => Error)[]): void {
  try {
    act();
  } catch (error) {
    expect(kinds.some((kind) => error instanceof kind)).toBe(true);
    expect((error as Error).message.length).toBeGreaterThan(10);
  }
}

test('a style sheet damaged anywhere is read as far as it goes, with lines that it has', () => {
  fc.assert(
    fc.property(broken, (text) => {
      const { problems } = readStylesheet('x.css', text);
      const lines = text.split('\n').length;
      expect(problems.every((p) => p.line >= 1 && p.line <= lines + 1)).toBe(true);
      const theme = readTheme([{ path: 'x.css', text }]);
      expect(theme.colours.every((c) => /^#[0-9a-f]{6}$/.test(c.hex) && c.count > 0)).toBe(true);
      expect(
        theme.backgrounds.every(
          (b) => Number.isFinite(b.position.x.value) && Number.isFinite(b.position.y.value),
        ),
      ).toBe(true);
    }),
    { numRuns: randomRuns(300) },
  );
});

test('any text as a value of the background family', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(
        'background',
        'background-image',
        'background-position',
        'background-size',
        'background-repeat',
      ),
      fc.string({ maxLength: 60 }),
      (property, value) => {
        expect(Array.isArray(readBackground(property, value))).toBe(true);
      },
    ),
    { numRuns: randomRuns(300) },
  );
  expect(readBackground('color', 'red')).toBeUndefined();
});

test('any bytes as an archive, and any bytes behind the beginning of one', () => {
  const whole = zipSync({ 'a/style.css': strToU8(css) });
  fc.assert(
    fc.property(bytes, fc.nat({ max: whole.length }), (noise, cut) => {
      onlyThrows(() => unzip('x.zip', noise), ArchiveError);
      const mixed = new Uint8Array(cut + noise.length);
      mixed.set(whole.subarray(0, cut));
      mixed.set(noise, cut);
      onlyThrows(() => unzip('x.zip', mixed), ArchiveError);
      onlyThrows(() => openTheme([{ name: 'x.zip', bytes: mixed }]), ArchiveError, StylesheetError);
    }),
    { numRuns: randomRuns(200) },
  );
});

test('a byte changed anywhere in an archive', () => {
  const whole = zipSync({ 'a/style.css': strToU8(css), 'a/b.txt': strToU8('x'.repeat(300)) });
  fc.assert(
    fc.property(
      fc.nat({ max: whole.length - 1 }),
      fc.integer({ min: 0, max: 255 }),
      (at, value) => {
        const damaged = whole.slice();
        damaged[at] = value;
        onlyThrows(
          () => openTheme([{ name: 'x.zip', bytes: damaged as Uint8Array<ArrayBuffer> }]),
          ArchiveError,
          StylesheetError,
        );
      },
    ),
    { numRuns: randomRuns(400) },
  );
});

test('any bytes as a picture', () => {
  const heads = [
    [0xff, 0xd8, 0xff],
    [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a],
    [0x52, 0x49, 0x46, 0x46],
    [0x47, 0x49, 0x46, 0x38],
    [0x3c, 0x73, 0x76, 0x67],
  ];
  fc.assert(
    fc.property(fc.constantFrom(...heads), bytes, (head, noise) => {
      onlyThrows(() => inspectPicture('x', new Uint8Array([...head, ...noise])), IntakeError);
    }),
    { numRuns: randomRuns(300) },
  );
});

test('any lines as visitors: refused with their line, or shares that add up to the whole', () => {
  const line = fc.oneof(
    fc.string({ maxLength: 20 }),
    fc
      .tuple(fc.integer({ min: 0, max: 9999 }), fc.integer({ min: 0, max: 1e6 }))
      .map(([w, n]) => `${w},${n}`),
    fc.constantFrom('', '1440;12', '360\t4', '1920x1080,3'),
  );
  fc.assert(
    fc.property(
      fc.array(line, { maxLength: 12 }).map((lines) => lines.join('\n')),
      (text) => {
        onlyThrows(() => {
          const list = readVisitors('v.csv', text);
          const widths = list.map((v) => v.width);
          expect([...widths].sort((a, b) => a - b)).toEqual(widths);
          expect(new Set(widths).size).toBe(widths.length);
          expect(shares(list).reduce((sum, v) => sum + v.share, 0)).toBeCloseTo(1, 9);
        }, VisitorsError);
      },
    ),
    { numRuns: randomRuns(300) },
  );
});

test('any JSON as design tokens, and as a site', () => {
  fc.assert(
    fc.property(fc.json({ maxDepth: 4 }), (text) => {
      onlyThrows(() => readThemeColours('t.json', text), TokensError);
      onlyThrows(() => readSite(JSON.parse(text)), SiteError);
    }),
    { numRuns: randomRuns(200) },
  );
});

test('a site of an older version whose lists are no lists is brought up as far as it goes and then refused by its field', () => {
  for (const damaged of [
    { schemaVersion: 1 },
    { schemaVersion: 1, slots: 'none', pages: [], pictures: null, shelf: 3 },
    { schemaVersion: 1, slots: [], pages: [], pictures: {}, shelf: [] },
  ]) {
    expect(() => migrate(damaged)).not.toThrow();
    expect(() => readSite(damaged)).toThrow(SiteError);
  }
  for (const other of [{ schemaVersion: 0 }, { schemaVersion: '2' }, {}, 7, 'site']) {
    expect(() => migrate(other)).toThrow(MigrationError);
  }
});
