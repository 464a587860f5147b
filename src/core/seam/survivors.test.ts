/**
 * Why a theme colour is seldom exact in a JPEG: how many colours come through its colour transform
 * at all.
 * The transform is that of ITU-T T.871 (JFIF, 2011), section 7, with the rounding it prescribes;
 * the coefficients are written out here from memory of that text.
 * The share, about 24.9 percent on a 5-step grid of the cube, was measured for this project; here
 * it is counted again.
 */
const round = (v: number): number => Math.min(255, Math.max(0, Math.round(v)));

const toYcc = (r: number, g: number, b: number) =>
  [
    round(0.299 * r + 0.587 * g + 0.114 * b),
    round(-0.1687 * r - 0.3313 * g + 0.5 * b + 128),
    round(0.5 * r - 0.4187 * g - 0.0813 * b + 128),
  ] as const;
const toRgb = (y: number, cb: number, cr: number) =>
  [
    round(y + 1.402 * (cr - 128)),
    round(y - 0.34414 * (cb - 128) - 0.71414 * (cr - 128)),
    round(y + 1.772 * (cb - 128)),
  ] as const;

const survives = (r: number, g: number, b: number): boolean => {
  const [r2, g2, b2] = toRgb(...toYcc(r, g, b));
  return r2 === r && g2 === g && b2 === b;
};

test('about a quarter of all colours survive: 24.9 percent on a grid of every fifth level', () => {
  let alive = 0;
  let all = 0;
  for (let r = 0; r < 256; r += 5) {
    for (let g = 0; g < 256; g += 5) {
      for (let b = 0; b < 256; b += 5) {
        all++;
        if (survives(r, g, b)) {
          alive++;
        }
      }
    }
  }
  expect(all).toBe(52 ** 3);
  expect(Math.abs((100 * alive) / all - 24.9)).toBeLessThan(0.4);
});

test('every grey survives, and the grounds that were measured do or do not as they did', () => {
  for (let v = 0; v < 256; v++) {
    expect(survives(v, v, v)).toBe(true);
  }
  expect([
    survives(0x33, 0x33, 0x33),
    survives(0x1b, 0x3a, 0x4b),
    survives(0xc8, 0x55, 0x3d),
    survives(0xf4, 0xf1, 0xde),
    survives(0x89, 0xa0, 0x5f),
  ]).toEqual([true, false, false, true, false]);
});
