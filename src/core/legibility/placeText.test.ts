import { colourOf } from '../colour/parse';
import { createRaster, type Raster } from '../raster/raster';
import { contrastRatio } from './contrast';
import { placeText } from './placeText';

/** A picture by a function of the place. */
function painted(width: number, height: number, at: (x: number, y: number) => number[]): Raster {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      raster.data.set([...at(x, y), 255], (y * width + x) * 4);
    }
  }
  return raster;
}

/** Deep detail but for a span. */
const busyBut = (from: number, to: number, calm: number) => (x: number, y: number) => {
  if (x >= from && x < to) {
    return [calm, calm, calm];
  }
  const v = ((x >> 2) + (y >> 2)) % 2 ? 235 : 15;
  return [v, v, v];
};

const box = { width: 240, height: 58 };
const colours = ['#203030', '#f4efe4'];

test.each([
  ['left', 0, 320],
  ['centre', 380, 700],
  ['right', 760, 1080],
] as const)('words go to the calm part: %s', (align, from, to) => {
  const textPlacement = placeText(painted(1080, 220, busyBut(from, to, 40)), box, colours, 3, 50);
  expect(textPlacement).toMatchObject({ align, colour: '#f4efe4' });
  expect(textPlacement.x).toBeGreaterThanOrEqual(from);
  expect(textPlacement.x + box.width).toBeLessThanOrEqual(to);
  const ground = { r: 40, g: 40, b: 40 };
  expect(textPlacement.contrast).toBeCloseTo(
    contrastRatio(colourOf(textPlacement.colour), ground),
    3,
  );
});

test('of the theme’s colours the one that stands off best is taken; white or black only where none is read', () => {
  const grey = (v: number) => painted(600, 200, () => [v, v, v]);
  expect(placeText(grey(250), box, colours, 3, 50).colour).toBe('#203030');
  expect(placeText(grey(30), box, colours, 3, 50).colour).toBe('#f4efe4');
  const middling = ['#707070', '#8a8a8a'];
  expect(['#000000', '#ffffff']).toContain(placeText(grey(128), box, middling, 3, 50).colour);
});

test('a calm part that no colour is read on is left for one where one is', () => {
  // Calm on the left, but half black and half white there in broad bands.
  const picture = painted(900, 240, (x, y) => {
    if (x < 300) {
      const v = Math.floor(y / 12) % 2 ? 255 : 0;
      return [v, v, v];
    }
    const v = 20 + ((x * 7 + y * 13) % 30);
    return [v, v, v];
  });
  const textPlacement = placeText(picture, box, colours, 4.5, 40);
  expect(textPlacement.x).toBeGreaterThanOrEqual(300);
  expect(textPlacement.contrast).toBeGreaterThanOrEqual(4.5);
});

test('evenly calm: in the middle of the height, with the margin kept', () => {
  const textPlacement = placeText(
    painted(1080, 220, () => [20, 20, 20]),
    box,
    colours,
    3,
    50,
  );
  expect(textPlacement.y).toBe((220 - 58) / 2);
  expect(textPlacement.x).toBeGreaterThanOrEqual(50);
});

test.each([
  [40, 30],
  [1, 1],
  [300, 1200],
])('a picture of %i × %i has a place too', (width, height) => {
  const textPlacement = placeText(
    painted(width, height, () => [90, 90, 90]),
    box,
    colours,
    3,
    50,
  );
  expect(Number.isInteger(textPlacement.x) && Number.isInteger(textPlacement.y)).toBe(true);
  expect(colours.concat('#ffffff', '#000000')).toContain(textPlacement.colour);
});
