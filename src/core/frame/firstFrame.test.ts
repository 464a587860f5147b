import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { createRaster } from '../raster/raster';
import { firstFrame } from './firstFrame';
import { mipLevelOf } from './mipLevels';
import { barePx, coverScale } from './placement';
import { suggestFrames } from './suggest';

/** A wall and a floor with one thing, whose middle and radius are given. */
function room(width: number, height: number, cx: number, cy: number, radius: number) {
  const raster = createRaster(width, height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      // Grain on the floor is no thing.
      const grain = ((x * 31 + y * 17) % 24) - 12;
      const floor = [170 + grain, 130 + grain, 80 + grain];
      const inside = Math.hypot(x - cx, y - cy) < radius;
      const ground = y > height * 0.7 ? floor : [150, 152, 150];
      raster.data.set([...(inside ? [60, 40, 140] : ground), 255], (y * width + x) * 4);
    }
  }
  return raster;
}

test.each([
  [150, 90],
  [300, 250],
  [420, 330],
])('a thing at %i, %i lies in the frame as a whole', (x, y) => {
  const frame = { width: 900, height: 250 };
  const found = firstFrame(room(600, 420, x, y, 60), frame);
  const top = -found.y / found.scale;
  expect(top).toBeLessThanOrEqual(y - 58);
  expect(top + frame.height / found.scale).toBeGreaterThanOrEqual(y + 58);
});

test('as much of a photo as fits fills the frame, whatever both are', () => {
  const side = fc.integer({ min: 1, max: 160 });
  const long = fc.integer({ min: 1, max: 2500 });
  fc.assert(
    fc.property(side, side, long, long, (w, h, width, height) => {
      const photo = room(w, h, w / 2, h / 3, 9);
      const frame = { width, height };
      const found = firstFrame(photo, frame);
      expect(found.scale).toBe(coverScale(photo, frame));
      expect(barePx(found, photo, frame)).toBeLessThan(1e-6 * (width + height));
    }),
    { numRuns: randomRuns(60) },
  );
});

test('a plain photo is shown from its middle', () => {
  const photo = createRaster(400, 400);
  expect(firstFrame(photo, { width: 400, height: 100 })).toEqual({ scale: 1, x: 0, y: -150 });
});

test('out of a halved photo the same parts are found, as the whole photo has them', () => {
  for (const [cx, cy] of [
    [300, 220],
    [900, 500],
  ]) {
    const photo = room(1200, 840, cx, cy, 120);
    const frame = { width: 900, height: 250 };
    const half = mipLevelOf(photo, 1);
    const [whole, found] = [firstFrame(photo, frame), firstFrame(half, frame, photo)];
    expect(found.scale).toBe(whole.scale);
    // A px of the picture that is looked at.
    const near = (1200 / 200) * whole.scale;
    expect(Math.abs(found.x - whole.x)).toBeLessThanOrEqual(near);
    expect(Math.abs(found.y - whole.y)).toBeLessThanOrEqual(near);
    const [all, some] = [suggestFrames(photo, frame), suggestFrames(half, frame, photo)];
    expect(some).toHaveLength(all.length);
    some.forEach((part, i) => {
      expect(part.scale).toBeCloseTo(all[i].scale, 6);
      expect(Math.abs(part.y - all[i].y)).toBeLessThanOrEqual(4 * near);
      expect(barePx(part, photo, frame)).toBeLessThan(1e-3);
    });
  }
});
