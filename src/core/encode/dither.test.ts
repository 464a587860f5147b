import { oklabOf } from '../colour/oklab';
import { linearOfLevel } from '../colour/transfer';
import { createRaster, type Raster } from '../raster/raster';
import { diffused, nearestColour, type Palette } from './dither';
import { toPalette } from './palette';

type Level = readonly [number, number, number];
const placeOf = ([r, g, b]: Level) => oklabOf({ r, g, b });
const paletteOf = (...colours: Level[]): Palette => ({
  levels: Uint8ClampedArray.from(colours.flatMap((c) => [...c, 255])),
  places: Float64Array.from(colours.flatMap((c) => [...placeOf(c), 1])),
});
const palette = paletteOf([60, 60, 60], [90, 90, 90], [255, 255, 255]);

function grey(width: number, height: number, levelAt: (x: number, y: number) => number): Raster {
  const raster = createRaster(width, height);
  for (let i = 0; i < width * height; i++) {
    const level = levelAt(i % width, Math.floor(i / width));
    raster.data.set([level, level, level, 255], i * 4);
  }
  return raster;
}
const never = () => false;

test('all px are of the palette, and the nearest colour is the nearest', () => {
  const out = diffused(
    grey(40, 20, (x) => 60 + x),
    palette,
    never,
  );
  for (let k = 0; k < out.length; k += 4) {
    expect([60, 90, 255]).toContain(out[k]);
  }
  expect(nearestColour(palette, ...placeOf([70, 71, 70]), 1)).toBe(0);
  expect(nearestColour(palette, ...placeOf([84, 83, 84]), 1)).toBe(1);
});

test('a colour between two is a mixture of both, nearer to its light than either', () => {
  const between = 76;
  const out = diffused(
    grey(62, 42, () => between),
    palette,
    never,
  );
  let light = 0;
  let n = 0;
  const found = new Set<number>();
  for (let y = 1; y < 41; y++) {
    for (let x = 1; x < 61; x++, n++) {
      found.add(out[(y * 62 + x) * 4]);
      light += linearOfLevel[out[(y * 62 + x) * 4]];
    }
  }
  expect([...found].sort()).toEqual([60, 90]);
  const off = (value: number) => Math.abs(value - linearOfLevel[between]);
  expect(off(light / n)).toBeLessThan(
    0.7 * Math.min(off(linearOfLevel[60]), off(linearOfLevel[90])),
  );
});

test('the border and what is spared neither take nor give: an even part stays even', () => {
  const raster = grey(30, 20, (x) => (x < 15 ? 60 : 80));
  const spared = (i: number) => raster.data[i * 4] === 60;
  const out = diffused(raster, palette, spared);
  for (let y = 0; y < 20; y++) {
    for (let x = 0; x < 30; x++) {
      const level = out[(y * 30 + x) * 4];
      if (x < 15) {
        expect(level).toBe(60);
      } else if (x === 29 || y === 0 || y === 19) {
        expect(level).toBe(90);
      }
    }
  }
});

test('what is see-through stays so, and its edge fades', () => {
  const raster = createRaster(40, 24);
  for (let i = 0; i < 40 * 24; i++) {
    const x = i % 40;
    raster.data.set([120, 80, 60, Math.max(0, Math.min(255, 255 - 12 * (x - 8)))], i * 4);
  }
  const { raster: reduced } = toPalette(raster, 8, [], true);
  const alphaOf = (x: number) => {
    let sum = 0;
    for (let y = 1; y < 23; y++) {
      sum += reduced.data[(y * 40 + x) * 4 + 3];
    }
    return sum / 22;
  };
  expect(alphaOf(35)).toBe(0);
  expect(alphaOf(2)).toBe(255);
  for (const x of [12, 16, 20, 24]) {
    expect(Math.abs(alphaOf(x) - (255 - 12 * (x - 8)))).toBeLessThan(20);
  }
});

test('a slope of eight colours has no bands as wide as without', () => {
  const slope = grey(256, 32, (x) => Math.round(40 + x / 2));
  const bandOf = (raster: Raster): number => {
    let longest = 0;
    for (let y = 1; y < 31; y++) {
      for (let x = 1, run = 1; x < 255; x++) {
        const same = raster.data[(y * 256 + x) * 4] === raster.data[(y * 256 + x - 1) * 4];
        run = same ? run + 1 : 1;
        longest = Math.max(longest, run);
      }
    }
    return longest;
  };
  const plain = toPalette(slope, 8, []).raster;
  const dithered = toPalette(slope, 8, [], true).raster;
  expect(bandOf(dithered)).toBeLessThan(0.9 * bandOf(plain));
  expect(dithered.data.subarray(0, 256 * 4)).toEqual(plain.data.subarray(0, 256 * 4));
});
