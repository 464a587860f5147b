import { readFileSync } from 'node:fs';
import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { create, type Font as Opened } from 'fontkit';
import { canvasGlyphs, hasEmoji, type TextContext, type TextSpec } from './glyphs';
import { usualLineHeight } from './lineHeight';
import { breakLines } from './lines';
import { faceName, fontOf, fonts, fontsOf, needsExtended, ownFontId } from './fonts';

const contextOf = (w: number, h: number) =>
  createCanvas(w, h).getContext('2d') as unknown as TextContext;
const abril = readFileSync(
  'node_modules/@fontsource/abril-fatface/files/abril-fatface-latin-400-normal.woff',
);
const dm = readFileSync(
  'node_modules/@fontsource/dm-serif-display/files/dm-serif-display-latin-400-normal.woff',
);
GlobalFonts.register(abril, 'Abril under test');
GlobalFonts.register(dm, 'DM under test');

const system = canvasGlyphs(contextOf, (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`);
const real = canvasGlyphs(contextOf, (spec) => `${spec.sizePx}px "${spec.font} under test"`);
const spec = (part: Partial<TextSpec>): TextSpec => ({
  words: 'Hill',
  font: 'x',
  sizePx: 40,
  weight: 400,
  italic: false,
  spacing: 0,
  lineHeight: usualLineHeight,
  stretchX: 1,
  stretchY: 1,
  align: 'left',
  wrap: null,
  turn: 0,
  offset: { x: 0, y: 0 },
  ...part,
});

const ink = ({ mask }: ReturnType<typeof system.cover>) =>
  Array.from(mask.data).reduce((sum, v) => sum + v, 0);

/** First and last column and row with ink in them, from the text's own point. */
function inkBox({ mask, x, y }: ReturnType<typeof system.cover>): {
  left: number;
  right: number;
  top: number;
  bottom: number;
} {
  let left = Infinity;
  let right = -Infinity;
  let top = Infinity;
  let bottom = -Infinity;
  mask.data.forEach((v, i) => {
    if (v < 40) {
      return;
    }
    const px = i % mask.width;
    const py = Math.floor(i / mask.width);
    left = Math.min(left, px);
    right = Math.max(right, px + 1);
    top = Math.min(top, py);
    bottom = Math.max(bottom, py + 1);
  });
  return { left: left + x, right: right + x, top: top + y, bottom: bottom + y };
}

test('nothing of a text is cut by its mask: a border of one px stays empty, turned and stretched too', () => {
  for (const part of [
    { words: 'jÅgq' },
    { words: 'V' },
    { words: 'two\nlines' },
    { words: 'f', turn: 33 },
    { words: 'jÅgq', turn: -120, stretchX: 1.7 },
    { words: 'Ago', stretchY: 0.4, spacing: 0.3 },
    {
      words: 'many words here',
      wrap: 120,
      align: 'centre' as const,
      turn: 12,
      offset: { x: 0.4, y: 0.7 },
    },
  ]) {
    const { mask } = system.cover(spec(part));
    let edge = 0;
    for (let x = 0; x < mask.width; x++) {
      edge += mask.data[x] + mask.data[(mask.height - 1) * mask.width + x];
    }
    for (let y = 0; y < mask.height; y++) {
      edge += mask.data[y * mask.width] + mask.data[(y + 1) * mask.width - 1];
    }
    expect(edge).toBe(0);
    expect(Math.max(...mask.data)).toBe(255);
  }
});

test('alignment moves the mask, not its shape', () => {
  const [left, centre, right] = (['left', 'centre', 'right'] as const).map((align) =>
    system.cover(spec({ align })),
  );
  expect(Math.abs(left.x)).toBeLessThan(6);
  expect(Math.abs(centre.x + centre.mask.width / 2)).toBeLessThanOrEqual(2);
  expect(Math.abs(right.x + right.mask.width)).toBeLessThan(6);
  expect(Math.abs(ink(left) - ink(right)) / ink(left)).toBeLessThan(0.02);
});

test('a second line stands one line height below the first', () => {
  for (const lineHeight of [0.8, usualLineHeight, 2]) {
    const one = system.cover(spec({ words: 'H', lineHeight }));
    const two = system.cover(spec({ words: 'H\nH', lineHeight }));
    expect(two.y).toBe(one.y);
    expect(two.mask.height - one.mask.height).toBe(Math.round(40 * lineHeight));
  }
});

test('no words, no mask', () => {
  expect(system.cover(spec({ words: '  \n ' })).mask.width).toBe(0);
});

describe.each([
  ['Abril', abril],
  ['DM', dm],
])('%s against the font’s own tables, read by an independent library', (font, bytes) => {
  const opened = create(bytes) as Opened;
  const perPx = (size: number) => size / opened.unitsPerEm;

  test.each(['Hill', 'AVATAR To', 'office waffle'])(
    'advance of “%s” with its kerning and ligatures, within a hundredth of its size',
    (words) => {
      for (const sizePx of [20, 48, 120]) {
        const wanted = opened.layout(words).advanceWidth * perPx(sizePx);
        expect(Math.abs(real.box(spec({ font, words, sizePx })).width - wanted)).toBeLessThan(
          sizePx * 0.01 + 0.5,
        );
      }
    },
  );

  test('kerning is in it: AVATAR is narrower than its letters one by one', () => {
    const alone = [...'AVATAR'].reduce(
      (sum, c) => sum + real.box(spec({ font, words: c })).width,
      0,
    );
    const kerned =
      opened.layout('AVATAR').positions.reduce((sum, p) => sum + p.xAdvance, 0) <
      [...'AVATAR'].reduce((sum, c) => sum + opened.layout(c).advanceWidth, 0);
    expect(kerned).toBe(true);
    expect(real.box(spec({ font, words: 'AVATAR' })).width).toBeLessThan(alone - 0.5);
  });

  test.each(['H', 'o', 'g', 'A'])(
    'the ink of “%s” lies where its glyph box says, within a px',
    (letter) => {
      const sizePx = 120;
      const k = perPx(sizePx);
      const { minX, maxX, minY, maxY } = opened.layout(letter).glyphs[0].bbox;
      const base = Math.round(sizePx * 0.95);
      const found = inkBox(real.cover(spec({ font, words: letter, sizePx })));
      for (const [at, wanted] of [
        [found.left, minX * k],
        [found.right, maxX * k],
        [found.top, base - maxY * k],
        [found.bottom, base - minY * k],
      ]) {
        expect(Math.abs(at - wanted)).toBeLessThanOrEqual(1.1);
      }
    },
  );

  test('letter spacing adds its share of the size between letters, and none after the last', () => {
    const plain = real.box(spec({ font, words: 'Hill' })).width;
    const spaced = real.box(spec({ font, words: 'Hill', spacing: 0.2 })).width;
    expect(spaced - plain).toBeCloseTo(3 * 0.2 * 40, 0);
  });

  test('width and height in percent stretch box and ink alike', () => {
    const plain = inkBox(real.cover(spec({ font, words: 'HH' })));
    const wide = inkBox(real.cover(spec({ font, words: 'HH', stretchX: 1.5 })));
    const tall = inkBox(real.cover(spec({ font, words: 'HH', stretchY: 1.5 })));
    expect(Math.abs((wide.right - wide.left) / (plain.right - plain.left) - 1.5)).toBeLessThan(
      0.05,
    );
    expect(wide.bottom - wide.top).toBe(plain.bottom - plain.top);
    expect(Math.abs((tall.bottom - tall.top) / (plain.bottom - plain.top) - 1.5)).toBeLessThan(
      0.08,
    );
    expect(real.box(spec({ font, words: 'HH', stretchX: 1.5 })).width).toBeCloseTo(
      1.5 * real.box(spec({ font, words: 'HH' })).width,
      3,
    );
  });
});

test('a quarter turn clockwise turns the ink about the text’s own point', () => {
  const plain = inkBox(real.cover(spec({ font: 'Abril', words: 'HH', sizePx: 60 })));
  const turned = inkBox(real.cover(spec({ font: 'Abril', words: 'HH', sizePx: 60, turn: 90 })));
  for (const [a, b] of [
    [turned.top, plain.left],
    [turned.bottom, plain.right],
    [turned.left, -plain.bottom],
    [turned.right, -plain.top],
  ]) {
    expect(Math.abs(a - b)).toBeLessThanOrEqual(1);
  }
});

test('lines break where Unicode allows it, by width, and inside a word only where it is too wide alone', () => {
  const width = (line: string) => line.length;
  expect(breakLines('thrown, glazed and fired', width, 14)).toEqual([
    'thrown, glazed',
    'and fired',
  ]);
  expect(breakLines('a\nb c', width)).toEqual(['a', 'b c']);
  expect(breakLines('hand-made pots', width, 6)).toEqual(['hand-', 'made', 'pots']);
  expect(breakLines('abcdefgh', width, 3)).toEqual(['abc', 'def', 'gh']);
  expect(
    breakLines('e\u0301e\u0301', (l) => [...new Intl.Segmenter().segment(l)].length, 1),
  ).toEqual(['e\u0301', 'e\u0301']);
  expect(breakLines('10 km', width, 3)).toEqual(['10', 'km']);
  expect(breakLines('10\u00a0km', width, 5)).toEqual(['10\u00a0km']);
  expect(breakLines('', width, 5)).toEqual(['']);
});

test('wrapping keeps every line within the width, and the box has that width', () => {
  const wrap = 200;
  const wrapped = spec({ font: 'DM', words: 'thrown, glazed and fired by the river', wrap });
  const box = real.box(wrapped);
  const { left, right } = inkBox(real.cover(wrapped));
  expect(box.width).toBe(wrap);
  expect(right - left).toBeLessThanOrEqual(wrap);
  expect(box.height).toBeGreaterThan(2 * 40 * usualLineHeight);
});

test('words from the right end where a line from the left would begin: the first letter stands at the right', () => {
  const hebrew = system.cover(spec({ words: '\u05d0\u05d9' }));
  const one = system.cover(spec({ words: '\u05d0' }));
  // Alef is wider than yod: the right half has more ink.
  const half = (m: typeof hebrew, from: number) => {
    let sum = 0;
    m.mask.data.forEach((v, i) => {
      const x = (i % m.mask.width) / m.mask.width;
      if (x >= 0.5 === (from === 1)) {
        sum += v;
      }
    });
    return sum;
  };
  expect(one.mask.width).toBeGreaterThan(5);
  expect(half(hebrew, 1)).toBeGreaterThan(half(hebrew, 0));
  expect(Math.abs(system.box(spec({ words: '\u05d0\u05d9' })).x)).toBe(0);
});

test('a combining mark stands over its letter and takes no room of its own', () => {
  expect(system.box(spec({ words: 'e\u0301' })).width).toBeCloseTo(
    system.box(spec({ words: 'e' })).width,
    1,
  );
  expect(system.cover(spec({ words: 'e\u0301' })).mask.height).toBeGreaterThan(
    system.cover(spec({ words: 'e' })).mask.height + 4,
  );
});

test('emoji are told from letters and signs', () => {
  expect(['🏺', 'pots ❤️', 'ok 👍🏽'].map(hasEmoji)).toEqual([true, true, true]);
  expect(['© 2026', '™', '☎', 'abc 123', ''].map(hasEmoji)).toEqual([
    false,
    false,
    false,
    false,
    false,
  ]);
});

test('pixels have the colour asked for and the cover of the mask', () => {
  const s = spec({ font: 'Abril', words: 'Hi' });
  const { raster, x, y } = real.pixels(s, { r: 164, g: 85, b: 58 });
  const cover = real.cover(s);
  expect([raster.width, raster.height, x, y]).toEqual([
    cover.mask.width,
    cover.mask.height,
    cover.x,
    cover.y,
  ]);
  const full = [...cover.mask.data.keys()].find((i) => cover.mask.data[i] === 255)!;
  expect([...raster.data.subarray(full * 4, full * 4 + 4)]).toEqual([164, 85, 58, 255]);
});

test('at least twelve fonts of names of their own, with proportions read from their files; an unknown one falls back to the first', () => {
  expect(fonts.length).toBeGreaterThanOrEqual(12);
  expect(new Set(fonts.map((f) => f.id)).size).toBe(fonts.length);
  expect(new Set(fonts.map((f) => faceName(f.id))).size).toBe(fonts.length);
  for (const font of fonts) {
    expect(font.xHeight).toBeGreaterThan(0.3);
    expect(font.contrast).toBeGreaterThanOrEqual(1);
  }
  expect(fontOf('gone')).toBe(fonts[0]);
  const own = {
    id: ownFontId('abc'),
    assetId: 'abc',
    family: 'Mine',
    weights: [400, 400] as const,
    xHeight: 0.5,
    contrast: 2,
  };
  expect(fontsOf([own])[0]).toMatchObject({ id: 'own:abc', family: 'Mine' });
  expect(faceName(own.id)).toBe('Soyez abc');
  expect(['żółty', 'Čeština', 'ğ', 'e\u0328', '₺ 5'].map(needsExtended)).toEqual([
    true,
    true,
    true,
    true,
    true,
  ]);
  expect(['café', 'Œuvre', 'naïve — €', 'שלום', ''].map(needsExtended)).toEqual([
    false,
    false,
    false,
    false,
    false,
  ]);
});
