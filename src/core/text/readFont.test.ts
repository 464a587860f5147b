import { createCanvas, GlobalFonts } from '@napi-rs/canvas';
import { create } from 'fontkit';
import { readFileSync } from 'node:fs';
import { FontError } from './fontFile';
import { fonts } from './fonts';
import { canvasMeter, letterFactsOf } from './letterFacts';
import { pair, partnersOf } from './pairing';
import { readFont, strokeContrast } from './readFont';

const file = (path: string) => new Uint8Array(readFileSync(`node_modules/${path}`));
const abril = '@fontsource/abril-fatface/files/abril-fatface-latin-400-normal';

test('the same font says the same from WOFF and WOFF2', () => {
  const woff = readFont('a.woff', file(`${abril}.woff`));
  const woff2 = readFont('a.woff2', file(`${abril}.woff2`));
  expect(woff).toEqual(woff2);
  expect(woff).toMatchObject({ family: 'Abril Fatface', weights: [400, 400], xHeight: 0.476 });
});

test('a variable font says its weights', () => {
  expect(
    readFont('d', file('@fontsource-variable/dm-sans/files/dm-sans-latin-wght-normal.woff2')),
  ).toMatchObject({ weights: [100, 1000] });
});

test('the facts that ship are those of the files', () => {
  for (const font of fonts) {
    expect(readFont(font.id, file(font.upright.latin.origin))).toMatchObject({
      xHeight: font.xHeight,
      contrast: font.contrast,
    });
  }
});

const ring = (rx: number, ry: number) => (s: number) =>
  Array.from({ length: 120 }, (_, i) => ({
    command: i ? 'lineTo' : 'moveTo',
    args: [rx * Math.cos(s * (i / 120) * 2 * Math.PI), ry * Math.sin(s * (i / 120) * 2 * Math.PI)],
  }));

test('contrast of a ring of one thickness is 1, of one that is thrice as thick at its sides 3', () => {
  const close = { command: 'closePath', args: [] as number[] };
  expect(strokeContrast([...ring(100, 100)(1), close, ...ring(80, 80)(-1), close])).toBeCloseTo(
    1,
    1,
  );
  expect(strokeContrast([...ring(100, 100)(1), close, ...ring(70, 90)(-1), close])).toBeCloseTo(
    3,
    0,
  );
  expect(strokeContrast([...ring(100, 100)(1), close])).toBe(1);
});

test.each([
  [
    'nothing.ttf',
    new Uint8Array(0),
    /nothing\.ttf: expected a TTF, OTF, WOFF or WOFF2 font, found an empty file/,
  ],
  ['words.ttf', new TextEncoder().encode('these are words'), /found something else/],
  ['many.ttc', new TextEncoder().encode('ttcf 123456789'), /found a collection/],
  ['half.woff2', file(`${abril}.woff2`).slice(0, 900), /found one that is damaged/],
  [
    'zeros.ttf',
    Uint8Array.from([0, 1, 0, 0, ...new Array(200).fill(0)]),
    /found one that is damaged/,
  ],
])('%s is refused with what was expected and found', (name, bytes, message) => {
  expect(() => readFont(name, bytes)).toThrow(FontError);
  expect(() => readFont(name, bytes)).toThrow(message);
});

test('fonts sit well with small letters of one height, and strokes alike or clearly other', () => {
  expect(pair({ xHeight: 0.5, contrast: 1.2 }, { xHeight: 0.52, contrast: 1.25 })).toMatchObject({
    sitsWell: true,
  });
  expect(pair({ xHeight: 0.5, contrast: 4 }, { xHeight: 0.52, contrast: 1.25 })).toMatchObject({
    sitsWell: true,
    contrast: 3.2,
  });
  expect(pair({ xHeight: 0.5, contrast: 2 }, { xHeight: 0.5, contrast: 1.3 }).sitsWell).toBe(false);
  expect(pair({ xHeight: 0.38, contrast: 1.2 }, { xHeight: 0.52, contrast: 1.2 })).toMatchObject({
    sitsWell: false,
  });
});

test('weights and widths that ship are those that are drawn', () => {
  const context = createCanvas(600, 600).getContext('2d');
  for (const { id, upright, xHeight, letters } of fonts) {
    GlobalFonts.registerFromPath(`node_modules/${upright.latin.origin}`, `measured ${id}`);
    const found = letterFactsOf(canvasMeter(context, `measured ${id}`), xHeight);
    expect({ id, ...found }).toEqual({ id, weight: letters!.weight, width: letters!.width });
  }
});

test('the width of letters is that of the file’s own table (OpenType, hmtx)', () => {
  for (const font of fonts.filter((f) => f.weights[0] === f.weights[1])) {
    const opened = create(Buffer.from(file(font.upright.latin.origin)));
    if (!('glyphForCodePoint' in opened)) {
      throw new Error('a collection');
    }
    const advances = [...'abcdefghijklmnopqrstuvwxyz'].map(
      (letter) => opened.glyphForCodePoint(letter.codePointAt(0)!).advanceWidth,
    );
    const mean = advances.reduce((a, b) => a + b, 0) / 26 / opened.unitsPerEm;
    // Words are kerned, single letters are not.
    expect(Math.abs(font.letters!.width - mean)).toBeLessThan(0.01);
  }
});

test('a stroke of 40 px of 400 is a tenth', () => {
  const meter = {
    advance: (words: string, px: number) => (words.length * px) / 2,
    row: () => [0, 0, ...new Array<number>(39).fill(255), 127, 128, 0],
  };
  expect(letterFactsOf(meter, 0.5)).toEqual({ weight: 0.1, width: 0.5 });
});

test('partners: those that sit well come first, and long text gets no display font', () => {
  for (const stays of fonts) {
    for (const as of ['headings', 'text'] as const) {
      const found = partnersOf(stays, stays.letters!, as);
      expect(found).toHaveLength(4);
      expect(found.map((p) => p.font.id)).not.toContain(stays.id);
      const well = found.map((p) => p.sitsWell);
      expect(well).toEqual([...well].sort((a, b) => Number(b) - Number(a)));
      for (const { font, xHeight, weight, width } of found) {
        expect(xHeight).toBeCloseTo(font.xHeight / stays.xHeight, 6);
        expect(weight).toBeCloseTo(font.letters!.weight / stays.letters!.weight, 6);
        expect(width).toBeCloseTo(font.letters!.width / stays.letters!.width, 6);
      }
    }
    const texts = partnersOf(stays, stays.letters!, 'text', 20).map((p) => p.font.id);
    for (const display of ['abril-fatface', 'dm-serif-display', 'caveat', 'oswald']) {
      expect(texts).not.toContain(display);
    }
  }
});
