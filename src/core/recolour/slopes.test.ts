import { newWash } from '../layers/fill';
import { createRaster, type Raster, type Rgb } from '../raster/raster';
import { layRecipe } from './recipe';
import { isOneSlope } from './slopes';

/** Rows or columns of px that each have one colour. */
function drawn(width: number, height: number, at: (x: number, y: number) => Rgb): Raster {
  const raster = createRaster(width, height);
  for (let y = 0, k = 0; y < height; y++) {
    for (let x = 0; x < width; x++, k += 4) {
      const { r, g, b } = at(x, y);
      raster.data.set([r, g, b, 255], k);
    }
  }
  return raster;
}

const mix = (a: Rgb, b: Rgb, t: number): Rgb => ({
  r: Math.round(a.r + (b.r - a.r) * t),
  g: Math.round(a.g + (b.g - a.g) * t),
  b: Math.round(a.b + (b.b - a.b) * t),
});
const teal: Rgb = { r: 42, g: 111, b: 119 };
const grey: Rgb = { r: 70, g: 70, b: 70 };
const rust: Rgb = { r: 150, g: 80, b: 50 };

const laid = layRecipe({
  steps: [newWash('w', '#f3fec2', 0.59)],
  spare: true,
  hues: ['#2a6f77'],
});

/** The largest step from a row to the next of any channel. */
function largestStep({ data, width, height }: Raster, x: number): number {
  let most = 0;
  for (let y = 1; y < height; y++) {
    for (let c = 0; c < 3; c++) {
      const k = (y * width + x) * 4 + c;
      most = Math.max(most, Math.abs(data[k] - data[k - width * 4]));
    }
  }
  return most;
}

const copy = (raster: Raster): Raster => ({ ...raster, data: raster.data.slice() });

test.each([
  ['from a colour to a grey', teal, grey],
  ['from a grey to a colour', grey, teal],
  ['from a colour to white', teal, { r: 255, g: 255, b: 255 }],
  ['from one hue to another', teal, rust],
])('a strip %s stays one slope: no step grows by more than one, and what rose rises', (_, a, b) => {
  for (const length of [80, 300, 675]) {
    const strip = drawn(1, length, (_x, y) => mix(a, b, y / (length - 1)));
    const after = copy(strip);
    laid.on(after);
    expect(Buffer.from(after.data).equals(Buffer.from(strip.data))).toBe(false);
    expect(largestStep(after, 0)).toBeLessThanOrEqual(largestStep(strip, 0) + 1);
    for (let c = 0; c < 3; c++) {
      for (let y = 1; y < length; y++) {
        const was = strip.data[y * 4 + c] - strip.data[y * 4 - 4 + c];
        const is = after.data[y * 4 + c] - after.data[y * 4 - 4 + c];
        expect(was * is).toBeGreaterThanOrEqual(0);
      }
    }
  }
});

test('a slope beside other things is not torn, and what lies behind an edge stays', () => {
  const paper = { r: 250, g: 250, b: 250 };
  const picture = drawn(60, 400, (x, y) => {
    if (x < 40) {
      return mix(teal, grey, Math.min(1, y / 260));
    }
    return x < 50 ? rust : paper;
  });
  const after = copy(picture);
  laid.on(after);
  for (const x of [0, 20, 39]) {
    expect(largestStep(after, x)).toBeLessThanOrEqual(largestStep(picture, x) + 1);
  }
  for (const x of [40, 49, 50, 59]) {
    for (let y = 0; y < 400; y += 37) {
      const k = (y * 60 + x) * 4;
      expect([...after.data.subarray(k, k + 4)]).toEqual([...picture.data.subarray(k, k + 4)]);
    }
  }
  // Without it the same change tears: greys that are spared cut through the slope.
  const cut = Array.from({ length: 261 }, (_v, y) => laid.colour(mix(teal, grey, y / 260)).r);
  expect(Math.max(...cut.slice(1).map((v, i) => Math.abs(v - cut[i])))).toBeGreaterThan(3);
});

test('colours of the wanted hue follow whole, others and greys not at all', () => {
  const same = { r: 64, g: 134, b: 142 };
  const whole = layRecipe({ steps: [newWash('w', '#f3fec2', 0.59)], spare: false, hues: null });
  expect(laid.colour(same)).toEqual(whole.colour(same));
  for (const other of [rust, { r: 200, g: 40, b: 40 }, grey, { r: 250, g: 250, b: 250 }]) {
    expect(laid.colour(other)).toEqual(other);
  }
  const greysToo = layRecipe({
    steps: [newWash('w', '#f3fec2', 0.59)],
    spare: false,
    hues: ['#2a6f77'],
  });
  expect(greysToo.colour(grey)).toEqual(whole.colour(grey));
  expect(greysToo.colour(rust)).toEqual(rust);
});

test('what is one slope is told from what is not', () => {
  expect(isOneSlope(drawn(1, 300, (_x, y) => mix(teal, grey, y / 299)))).toBe(true);
  expect(isOneSlope(drawn(300, 6, (x) => mix(teal, grey, x / 299)))).toBe(true);
  expect(isOneSlope(drawn(8, 8, () => teal))).toBe(true);
  expect(isOneSlope(drawn(8, 60, (_x, y) => (y < 30 ? teal : grey)))).toBe(false);
  expect(isOneSlope(drawn(60, 60, (x, y) => mix(teal, grey, (x + y) / 118)))).toBe(false);
});

test('the table of a palette that is one slope goes as one, and others colour by colour', () => {
  const strip = drawn(1, 200, (_x, y) => mix(teal, grey, y / 199));
  const becomes = laid.colourIn(strip);
  const levels = Array.from({ length: 200 }, (_v, y) => becomes(mix(teal, grey, y / 199)).r);
  expect(Math.max(...levels.slice(1).map((v, i) => Math.abs(v - levels[i])))).toBeLessThanOrEqual(
    2,
  );
  expect(becomes(grey)).not.toEqual(grey);
  const icon = drawn(20, 20, (x, y) => (x + y < 20 ? teal : grey));
  expect(laid.colourIn(icon)(grey)).toEqual(grey);
});
