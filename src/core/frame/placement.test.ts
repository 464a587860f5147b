import fc from 'fast-check';
import { coverScale, fillFrame, keepFilled, sharpness, shownShare, zoomAt } from './placement';

const header = { width: 1080, height: 220 };
const photo = { width: 2400, height: 1200 };

test('a photo fills the frame from its middle', () => {
  const f = fillFrame(photo, header);
  expect(f).toEqual({ scale: 0.45, x: 0, y: -160 });
  expect(shownShare(f, photo, header)).toBeCloseTo(220 / 540, 12);
  expect(sharpness(f)).toBeCloseTo(2400 / 1080, 12);
  expect(sharpness(f, 2)).toBeCloseTo(1200 / 1080, 12);
});

const size = fc.record({
  width: fc.integer({ min: 1, max: 5000 }),
  height: fc.integer({ min: 1, max: 5000 }),
});

test('kept filled, no framing leaves the frame bare and a good one stays as it is', () => {
  fc.assert(
    fc.property(
      size,
      size,
      fc.double({ min: -9000, max: 9000, noNaN: true }),
      fc.double({ min: -9000, max: 9000, noNaN: true }),
      fc.double({ min: 0.01, max: 20, noNaN: true }),
      (p, frame, x, y, times) => {
        const f = keepFilled({ x, y, scale: coverScale(p, frame) * times }, p, frame);
        expect(f.x).toBeLessThanOrEqual(0);
        expect(f.y).toBeLessThanOrEqual(0);
        expect(f.x + p.width * f.scale).toBeGreaterThanOrEqual(frame.width - 1e-6);
        expect(f.y + p.height * f.scale).toBeGreaterThanOrEqual(frame.height - 1e-6);
        const again = keepFilled(f, p, frame);
        expect(again.x).toBeCloseTo(f.x, 6);
        expect(again.scale).toBe(f.scale);
      },
    ),
  );
});

test('zooming leaves the point under the pointer where it is', () => {
  const before = { x: -100, y: -60, scale: 0.5 };
  const after = zoomAt(before, 0.9, 300, 80);
  expect((300 - after.x) / after.scale).toBeCloseTo((300 - before.x) / before.scale, 10);
  expect((80 - after.y) / after.scale).toBeCloseTo((80 - before.y) / before.scale, 10);
});
