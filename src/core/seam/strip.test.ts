import { drawGradient } from '../raster/gradient';
import type { Raster } from '../raster/raster';
import type { GradientGround } from '../site/model/picture';
import { banding, endRow, gradientFrom } from './strip';

const down = (...stops: [number, string][]): GradientGround => ({
  type: 'gradient',
  shape: 'linear',
  angle: 180,
  space: 'srgb',
  stops: stops.map(([at, colour]) => ({ at, colour })),
});
const strip = (g: GradientGround, height = 675, width = 1): Raster =>
  drawGradient(g, width, height);

test('the end of a strip is told to the digit, and whether it is even', () => {
  const r = strip(down([0, '#efe9dc'], [1, '#3b4a45']), 675, 4);
  const end = endRow(r);
  const n = (c: number) => r.data[674 * 4 * 4 + c].toString(16).padStart(2, '0');
  expect(end).toEqual({ colour: `#${n(0)}${n(1)}${n(2)}`, uneven: 0 });
  r.data[674 * 4 * 4 + 2 * 4 + 1] += 5;
  expect(endRow(r)).toEqual({ ...end, uneven: 5 });
  expect(endRow(r, 'top').colour).not.toBe(end.colour);
});

test('a gradient in 8 bits has no bands that stand out, at 10 px as at 900; one of sixteen levels has', () => {
  for (const height of [10, 120, 675, 900]) {
    expect(banding(strip(down([0, '#efe9dc'], [1, '#3b4a45']), height), 'y').deltaE).toBeLessThan(
      1,
    );
  }
  const r = strip(down([0, '#efe9dc'], [1, '#3b4a45']));
  for (let i = 0; i < r.data.length; i++) {
    if (i % 4 !== 3) {
      r.data[i] = Math.round(r.data[i] / 16) * 16;
    }
  }
  expect(banding(r, 'y').deltaE).toBeGreaterThan(2);
});

test('a band is found where it is', () => {
  const r = strip(down([0, '#808080'], [1, '#808080']), 100);
  for (let y = 60; y < 100; y++) {
    r.data[y * 4] = 140;
  }
  expect(banding(r, 'y').at).toBe(60);
});

test('a gradient read from its own picture draws that picture again', () => {
  const ground = down([0, '#efe9dc'], [0.3, '#a4553a'], [1, '#3b4a45']);
  const r = strip(ground, 300, 3);
  const read = gradientFrom(r);
  const again = strip(read, 300, 3);
  expect(read.stops.length).toBeLessThanOrEqual(5);
  expect(read.stops.some((s) => Math.abs(s.at - 0.3) < 0.02)).toBe(true);
  let worst = 0;
  for (let i = 0; i < r.data.length; i++) {
    worst = Math.max(worst, Math.abs(r.data[i] - again.data[i]));
  }
  expect(worst).toBeLessThanOrEqual(3);
});

test('of a picture with noise the mean of its rows counts, and one row gives one colour', () => {
  const r = strip(down([0, '#404040'], [1, '#c0c0c0']), 80, 64);
  for (let i = 0; i < r.data.length; i += 4) {
    const d = ((i / 4) % 2 === 0 ? 1 : -1) * 12;
    for (let c = 0; c < 3; c++) {
      r.data[i + c] += d;
    }
  }
  expect(gradientFrom(r).stops).toHaveLength(2);
  expect(gradientFrom(strip(down([0, '#404040'], [1, '#404040']), 1)).stops).toEqual([
    { at: 0, colour: '#404040' },
    { at: 1, colour: '#404040' },
  ]);
});
