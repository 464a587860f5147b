import { createCanvas } from '@napi-rs/canvas';
import { canvasGlyphs, lineHeight, type TextContext, type TextSpec } from './glyphs';
import { faceName, fontOf, fonts } from './fonts';

const glyphs = canvasGlyphs((w, h) => createCanvas(w, h).getContext('2d') as unknown as TextContext, (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`);
const spec = (part: Partial<TextSpec>): TextSpec => ({ words: 'Hill', font: 'x', sizePx: 40, weight: 400, align: 'left', ...part });

const ink = ({ mask }: ReturnType<typeof glyphs.cover>) => Array.from(mask.data).reduce((sum, v) => sum + v, 0);

test('nothing of a text is cut by its mask: a border of one px stays empty', () => {
  for (const words of ['jÅgq', 'V', 'two\nlines', 'f']) {
    const { mask } = glyphs.cover(spec({ words }));
    let edge = 0;
    for (let x = 0; x < mask.width; x++) edge += mask.data[x] + mask.data[(mask.height - 1) * mask.width + x];
    expect(edge).toBe(0);
    expect(Math.max(...mask.data)).toBe(255);
  }
});

test('alignment moves the mask, not its shape', () => {
  const [left, centre, right] = (['left', 'centre', 'right'] as const).map((align) => glyphs.cover(spec({ align })));
  expect(Math.abs(left.x)).toBeLessThan(6);
  expect(Math.abs(centre.x + centre.mask.width / 2)).toBeLessThanOrEqual(2);
  expect(Math.abs(right.x + right.mask.width)).toBeLessThan(6);
  expect(Math.abs(ink(left) - ink(right)) / ink(left)).toBeLessThan(0.02);
});

test('a second line stands one line height below the first', () => {
  const one = glyphs.cover(spec({ words: 'H' })), two = glyphs.cover(spec({ words: 'H\nH' }));
  expect(two.y).toBe(one.y);
  expect(two.mask.height - one.mask.height).toBe(Math.round(40 * lineHeight));
});

test('no words, no mask', () => {
  expect(glyphs.cover(spec({ words: '  \n ' })).mask.width).toBe(0);
});

test('at least twelve fonts of names of their own; an unknown one falls back to the first', () => {
  expect(fonts.length).toBeGreaterThanOrEqual(12);
  expect(new Set(fonts.map((f) => f.id)).size).toBe(fonts.length);
  expect(new Set(fonts.map(faceName)).size).toBe(fonts.length);
  expect(fontOf('gone')).toBe(fonts[0]);
});
