import { createRaster, type Raster } from '../raster/raster';
import { borderStrip, sampleArea, sampleBlocks, sampleOf } from './sample';

/** Still at the left, busy at the right. */
function halfBusy(width: number, height: number): Raster {
  const r = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const v = x < width / 2 ? 120 : (x * 7919 + y * 104729) % 256;
      r.data.set([v, v, v, 255], (y * width + x) * 4);
    }
  }
  return r;
}

test.each([
  [1080, 220],
  [1900, 1200],
  [320, 320],
  [300, 72],
  [1, 675],
  [675, 1],
  [16, 16],
])(
  'a sample of %i×%i lies within it, and of all but the tiniest is no more than about half of it',
  (width, height) => {
    const picture = halfBusy(width, height);
    const first = { x: width >> 1, y: height >> 1, width: 1, height: 1 };
    const blocks = sampleBlocks(picture, first);
    const area = blocks.reduce((sum, b) => sum + b.width * b.height, 0);
    for (const { x, y, width: w, height: h } of blocks) {
      expect([x >= 0, y >= 0, x + w <= width, y + h <= height, w >= 1, h >= 1]).not.toContain(
        false,
      );
    }
    expect(area).toBeLessThanOrEqual(
      width * height <= 48 * 48 ? width * height : 0.75 * width * height,
    );
    const { width: w, height: h } = sampleOf(picture, first);
    expect(w * h).toBe(area);
    expect(sampleArea(picture)).toBe(area);
    // The place that is asked for is in one of them.
    expect(
      blocks.some(
        (b) =>
          b.x <= first.x && b.y <= first.y && b.x + b.width > first.x && b.y + b.height > first.y,
      ),
    ).toBe(true);
  },
);

test('of a picture that is half still the sample is half still, and its blocks begin where codecs’ blocks do', () => {
  const blocks = sampleBlocks(halfBusy(1900, 1200), { x: 100, y: 700, width: 64, height: 48 });
  const still = blocks.filter((b) => b.x + b.width <= 950).length;
  expect(Math.abs(still - blocks.length / 2)).toBeLessThanOrEqual(1);
  for (const b of blocks) {
    expect([b.x % 16, b.y % 16]).toEqual([0, 0]);
  }
});

test('strips hold the border they are of, and begin at a block', () => {
  const r = halfBusy(101, 77);
  for (const [side, x, y] of [
    ['left', 0, 5],
    ['right', 100, 5],
    ['top', 50, 0],
    ['bottom', 50, 76],
  ] as const) {
    const strip = borderStrip(r, side);
    const left = side === 'right' ? 101 - strip.width : 0;
    const top = side === 'bottom' ? 77 - strip.height : 0;
    expect([left % 16, top % 16]).toEqual([0, 0]);
    const k = ((y - top) * strip.width + x - left) * 4;
    const s = (y * 101 + x) * 4;
    expect([...strip.data.subarray(k, k + 4)]).toEqual([...r.data.subarray(s, s + 4)]);
    expect(Math.min(strip.width, strip.height)).toBeLessThanOrEqual(47);
  }
});
