import sharp from 'sharp';
import { levelOfLinear, linearOfLevel, toEncoded, toLinear } from '../colour/transfer';
import { createRaster, type Raster } from '../raster/raster';
import { lanczos3, windows } from './kernel';
import { resample } from './resample';

/** Repeatable noise over a slope, with hard edges: hard on a filter. */
function picture(width: number, height: number, alpha = false): Raster {
  const raster = createRaster(width, height);
  let state = 42;
  const next = () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) >>> 24;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4;
      const bar = (x >> 3) % 2 ? 90 : 0;
      raster.data[i] = (x * 160) / width + bar;
      raster.data[i + 1] = (y * 200) / height + (next() >> 3);
      raster.data[i + 2] = 128 + (next() >> 2);
      raster.data[i + 3] = alpha ? next() : 255;
    }
  }
  return raster;
}

/**
 * The same reduction by libvips through sharp, so that only the filters are compared: linear light
 * in 16 bits, moved to the middle half of the range, so that nothing is clipped between the two
 * passes.
 */
async function bySharp(source: Raster, width: number, height: number): Promise<number[]> {
  const light = new Uint16Array(source.width * source.height * 3);
  for (let i = 0; i < source.width * source.height; i++) {
    for (let c = 0; c < 3; c++) {
      light[i * 3 + c] = Math.round(16384 + 32767 * linearOfLevel[source.data[i * 4 + c]]);
    }
  }
  const { data } = await sharp(light, {
    raw: { width: source.width, height: source.height, channels: 3 },
  })
    .resize(width, height, { kernel: 'lanczos3', fit: 'fill' })
    .toColourspace('rgb16')
    .raw({ depth: 'ushort' })
    .toBuffer({ resolveWithObject: true });
  return Array.from(
    new Uint16Array(data.buffer, data.byteOffset, data.length / 2),
    (v) => (v - 16384) / 32767,
  );
}

test.each([
  [300, 200, 180, 120],
  [301, 199, 160, 110],
  [240, 260, 131, 201],
])(
  "%i×%i to %i×%i agrees with libvips' Lanczos 3 within 3 levels, a quarter level on average",
  async (w, h, tw, th) => {
    const source = picture(w, h);
    const ours = resample(source, { x: 0, y: 0, scaleX: tw / w, scaleY: th / h }, tw, th);
    const theirs = await bySharp(source, tw, th);
    let worst = 0;
    let sum = 0;
    let count = 0;
    // libvips repeats border pixels, ours weighs only those that are there: the outermost pixels
    // may differ.
    const border = Math.ceil(3 * Math.max(1, tw / w)) + 1;
    for (let y = border; y < th - border; y++) {
      for (let x = border; x < tw - border; x++) {
        for (let c = 0; c < 3; c++) {
          const d = Math.abs(
            ours.data[(y * tw + x) * 4 + c] - levelOfLinear(theirs[(y * tw + x) * 3 + c]),
          );
          worst = Math.max(worst, d);
          sum += d;
          count++;
        }
      }
    }
    expect(count).toBeGreaterThan(10000);
    // libvips takes the nearest of a table of windows, ours the exact one: on noise that is up to 3
    // levels.
    expect(worst).toBeLessThanOrEqual(3);
    expect(sum / count).toBeLessThan(0.25);
  },
);

test('weights of every output sample add up to 1', () => {
  for (const [length, out, origin, scale] of [
    [100, 37, 0, 0.37],
    [10, 400, 0, 40],
    [50, 20, -12.4, 1.3],
    [3, 9, 0, 3],
    [1, 5, 0, 5],
  ]) {
    const w = windows(length, out, origin, scale);
    expect(w.count).toBeGreaterThan(0);
    for (let i = 0; i < w.count; i++) {
      expect(
        w.weights.subarray(i * w.taps, (i + 1) * w.taps).reduce((a, b) => a + b, 0),
      ).toBeCloseTo(1, 5);
      expect(w.starts[i]).toBeGreaterThanOrEqual(0);
      expect(w.starts[i] + w.taps).toBeLessThanOrEqual(length);
    }
  }
  expect(lanczos3(0)).toBe(1);
  expect(
    [lanczos3(1), lanczos3(2), lanczos3(3), lanczos3(-2)].every((v) => Math.abs(v) < 1e-12),
  ).toBe(true);
});

test('a picture keeps its mean light within 0.1 percent', () => {
  const source = picture(240, 180);
  const out = resample(source, { x: 0, y: 0, scaleX: 0.4, scaleY: 0.4 }, 96, 72);
  const light = (r: Raster) => {
    let sum = 0;
    for (let i = 0; i < r.data.length; i += 4) {
      sum += linearOfLevel[r.data[i]] + linearOfLevel[r.data[i + 1]] + linearOfLevel[r.data[i + 2]];
    }
    return sum / r.data.length;
  };
  expect(Math.abs(light(out) / light(source) - 1)).toBeLessThan(0.001);
});

test('one to one, pixels stay what they are, alpha included', () => {
  const source = picture(40, 30, true);
  const out = resample(source, { x: 0, y: 0, scaleX: 1, scaleY: 1 }, 40, 30);
  for (let i = 0; i < source.data.length; i += 4) {
    expect(out.data[i + 3]).toBe(source.data[i + 3]);
    if (source.data[i + 3] > 0) {
      expect([...out.data.subarray(i, i + 3)]).toEqual([...source.data.subarray(i, i + 3)]);
    }
  }
});

test('a see-through neighbour does not bleed its colour in', () => {
  const source = createRaster(40, 4);
  for (let i = 0; i < 160; i++) {
    source.data.set(i % 40 < 20 ? [255, 255, 255, 255] : [255, 0, 0, 0], i * 4);
  }
  const out = resample(source, { x: 0, y: 0, scaleX: 0.3, scaleY: 1 }, 12, 4);
  for (let i = 0; i < out.data.length; i += 4) {
    if (out.data[i + 3] > 0) {
      expect(out.data[i + 1]).toBe(255);
    }
  }
});

test('a placed source leaves the rest see-through, and one outside draws nothing', () => {
  const out = resample(picture(10, 10), { x: 4, y: -5, scaleX: 1, scaleY: 1 }, 20, 20);
  const alphas = Array.from({ length: 400 }, (_, i) => out.data[i * 4 + 3]);
  expect(alphas.filter((a) => a === 255)).toHaveLength(50);
  expect(alphas[4]).toBe(255);
  expect(alphas[3]).toBe(0);
  expect(
    resample(picture(10, 10), { x: 30, y: 0, scaleX: 1, scaleY: 1 }, 20, 20).data.every(
      (v) => v === 0,
    ),
  ).toBe(true);
});

test('the transfer curve of IEC 61966-2-1: its own joins, and every level there and back', () => {
  // The standard's constants: 0.04045 encoded meets 0.0031308 linear; 0.5 encoded is 0.21404 (from
  // memory).
  expect(toLinear(0.04045)).toBeCloseTo(0.0031308, 7);
  expect(toLinear(0.5)).toBeCloseTo(0.21404, 5);
  expect(toEncoded(1)).toBeCloseTo(1, 12);
  for (let level = 0; level < 256; level++) {
    expect(levelOfLinear(linearOfLevel[level])).toBe(level);
  }
});
