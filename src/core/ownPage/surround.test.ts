import { createRaster } from '../raster/raster';
import { colourAlong, measuredSides } from './colourRuns';
import { meetingSides, seenOf, surroundOf } from './surround';

/** A page whose px say where they are. */
function page(width: number, height: number) {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      raster.data.set([x, y, 7, 255], (y * width + x) * 4);
    }
  }
  return raster;
}

const whole = { repeatX: false, repeatY: false };
const at = (runs: ReturnType<typeof surroundOf>['top'], i: number) => colourAlong(runs!)(i);

test('beside a picture at 1:1 lies the px next to each of its px', () => {
  const rect = { x: 20, y: 30, width: 40, height: 10 };
  const found = surroundOf(page(100, 60), 0, { ...whole, copy: rect, area: rect }, rect);
  expect([at(found.top, 0), at(found.top, 39)]).toEqual([
    { r: 20, g: 29, b: 7 },
    { r: 59, g: 29, b: 7 },
  ]);
  expect(at(found.bottom, 5)).toEqual({ r: 25, g: 40, b: 7 });
  expect(at(found.left, 3)).toEqual({ r: 19, g: 33, b: 7 });
  expect(at(found.right, 9)).toEqual({ r: 60, g: 39, b: 7 });
});

test('of a picture that is shown smaller, several px meet the same px of the page', () => {
  const copy = { x: 20, y: 30, width: 40, height: 10 };
  const found = surroundOf(
    page(100, 60),
    0,
    { ...whole, copy, area: copy },
    { width: 80, height: 20 },
  );
  expect(found.top!.reduce((sum, run) => sum + run.px, 0)).toBe(80);
  expect([at(found.top, 0), at(found.top, 1), at(found.top, 2)].map((c) => c.r)).toEqual([
    20, 20, 21,
  ]);
});

test('nothing is said of sides that the page cuts, that go on in another copy, or lie at its end', () => {
  const size = { width: 40, height: 10 };
  const copy = { x: 20, y: 30, ...size };
  const cut = { ...copy, x: 25, width: 30 };
  const raster = page(100, 60);
  expect(measuredSides(surroundOf(raster, 0, { ...whole, copy, area: cut }, size))).toEqual([]);
  const low = { ...copy, height: 6 };
  expect(measuredSides(surroundOf(raster, 0, { ...whole, copy, area: low }, size))).toEqual([
    'top',
  ]);
  const across = { copy, area: { ...copy, x: 0, width: 100 }, repeatX: true, repeatY: false };
  expect(measuredSides(surroundOf(raster, 0, across, size))).toEqual(['top', 'bottom']);
  const corner = { ...copy, x: 0, y: 0 };
  expect(
    measuredSides(surroundOf(raster, 0, { ...whole, copy: corner, area: corner }, size)),
  ).toEqual(['right', 'bottom']);
});

test('a part of the page begins further down', () => {
  const rect = { x: 20, y: 530, width: 4, height: 10 };
  const found = surroundOf(page(100, 60), 500, { ...whole, copy: rect, area: rect }, rect);
  expect(found.top).toHaveLength(4);
  expect(at(found.top, 0)).toEqual({ r: 20, g: 29, b: 7 });
});

test('a screen shows the part of a picture that its box has, in px of the picture', () => {
  const file = { width: 1400, height: 420 };
  // As `cover` lays it in a box of 1020 by 220.
  const copy = { x: 130, y: 20, width: 1020, height: 306 };
  const area = { x: 130, y: 63, width: 1020, height: 220 };
  const seen = seenOf({ ...whole, copy, area }, file)!;
  const k = 1400 / 1020;
  expect(seen).toMatchObject({ x: 0, width: 1400, scale: 1020 / 1400 });
  expect([seen.y, seen.height].map((v) => v.toFixed(6))).toEqual(
    [43 * k, 220 * k].map((v) => v.toFixed(6)),
  );
  expect(seenOf({ ...whole, copy: { ...copy, y: 400 }, area }, file)).toBeUndefined();
});

test('of copies that go on, all of one is seen wherever there is room for it', () => {
  const file = { width: 100, height: 50 };
  const copy = { x: -70, y: 0, width: 100, height: 50 };
  const across = { copy, repeatX: true, repeatY: false };
  const wide = { x: 0, y: 0, width: 400, height: 20 };
  expect(seenOf({ ...across, area: wide }, file)).toMatchObject({ x: 0, width: 100, height: 20 });
  const narrow = { ...wide, width: 60 };
  expect(seenOf({ ...across, area: narrow }, file)).toMatchObject({ x: 70, width: 30 });
});

test('an edge that goes over into the page meets it; one that stands out is to be seen', () => {
  const rect = { x: 20, y: 30, width: 40, height: 10 };
  // Neighbouring px are one level apart everywhere.
  const raster = page(100, 60);
  const laid = { ...whole, copy: rect, area: rect };
  expect(meetingSides(raster, 0, laid, rect)).toEqual(['top', 'right', 'bottom', 'left']);
  // The picture's last row is another colour, but for a few px that are as the page is.
  for (let x = 24; x < 55; x++) {
    raster.data.set([200, 100, 50], (39 * 100 + x) * 4);
  }
  expect(meetingSides(raster, 0, laid, rect)).toEqual(['top', 'right', 'left']);
});
