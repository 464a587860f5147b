import { curveMonotoneX, line } from 'd3-shape';
import fc from 'fast-check';
import type { LinePoint } from '../site/model/blendLayers';
import { addPoint, drawnOver, mostPoints, movePoint, ownHeight, smoother } from './ownLine';

const slot = { width: 960, height: 120 };
const lines: fc.Arbitrary<LinePoint[]> = fc
  .uniqueArray(fc.integer({ min: 0, max: 99 }), { minLength: 2, maxLength: 20 })
  .chain((places) =>
    fc
      .array(fc.double({ min: 0, max: 1, noNaN: true }), {
        minLength: places.length,
        maxLength: places.length,
      })
      .map((levels) =>
        places.toSorted((a, b) => a - b).map((p, i) => ({ at: p / 100, level: levels[i] })),
      ),
  );

test('between its points it is the monotone curve that d3-shape draws through repetitions of them', () => {
  fc.assert(
    fc.property(lines, (points) => {
      const three = [-1, 0, 1].flatMap((by) => points.map((p) => [p.at + by, p.level] as const));
      const path = line<readonly [number, number]>().curve(curveMonotoneX).digits(null)(three)!;
      const f = ownHeight(points);
      // M x,y C x1,y1,x2,y2,x,y C …: a curve whose control points lie at thirds runs evenly along x.
      const numbers = path.split(/[MC,]/).filter(Boolean).map(Number);
      let [x0, y0] = numbers;
      for (let i = 2; i < numbers.length; i += 6) {
        const [, y1, , y2, x, y] = numbers.slice(i, i + 6);
        for (const t of [0.25, 0.5, 0.8]) {
          const at = x0 + t * (x - x0);
          const there =
            (1 - t) ** 3 * y0 + 3 * t * (1 - t) ** 2 * y1 + 3 * t * t * (1 - t) * y2 + t ** 3 * y;
          if (at >= 0 && at < 1) {
            expect(f(at)).toBeCloseTo(there, 9);
          }
        }
        [x0, y0] = [x, y];
      }
    }),
  );
});

test('it repeats, goes through its points and never beyond them', () => {
  fc.assert(
    fc.property(lines, fc.double({ min: 0, max: 1, noNaN: true }), (points, u) => {
      const f = ownHeight(points);
      const levels = points.map((p) => p.level);
      expect(f(u + 3)).toBeCloseTo(f(u), 9);
      expect(f(u)).toBeGreaterThanOrEqual(Math.min(...levels) - 1e-9);
      expect(f(u)).toBeLessThanOrEqual(Math.max(...levels) + 1e-9);
      for (const { at, level } of points) {
        expect(f(at)).toBeCloseTo(level, 9);
      }
    }),
  );
});

const hill = (u: number) => 0.3 + 0.4 * Math.exp(-((u - 0.4) ** 2) / 0.02);

/** A hand that goes along a height, trembling by up to so many px. */
const hand = (height: (u: number) => number, from: number, to: number, tremble: number) =>
  Array.from({ length: 160 }, (_, i) => {
    const u = from + ((to - from) * i) / 159;
    const off = tremble * Math.sin(i * 2.7) * Math.cos(i * 1.3);
    return { x: u * slot.width, y: (1 - height(u)) * slot.height + off };
  });

test('what a trembling hand draws is a steady line with few points, joined where it repeats', () => {
  const points = drawnOver([], hand(hill, 0, 1, 3), slot);
  const f = ownHeight(points);
  for (let u = 0.2; u < 0.8; u += 0.01) {
    expect(Math.abs(f(u) - hill(u))).toBeLessThan(0.035);
  }
  expect(points.length).toBeLessThan(24);
  expect(Math.abs(f(0.999) - f(0.001))).toBeLessThan(0.01);
});

test('ends that were drawn at two heights meet halfway', () => {
  const points = drawnOver(
    [],
    hand((u) => 0.2 + 0.6 * u, 0, 1, 0),
    slot,
  );
  const f = ownHeight(points);
  expect(Math.abs(f(0.999) - f(0.001))).toBeLessThan(0.02);
  expect(f(0)).toBeCloseTo(0.5, 1);
  expect(f(0.5)).toBeCloseTo(0.5, 1);
  expect(f(0.3)).toBeCloseTo(0.38, 1);
});

test('drawn over in part, the rest stays', () => {
  const before = drawnOver([], hand(hill, 0, 1, 0), slot);
  const after = drawnOver(
    before,
    hand(() => 0.9, 0.7, 0.85, 0),
    slot,
  );
  const [f, g] = [ownHeight(before), ownHeight(after)];
  expect(g(0.78)).toBeGreaterThan(0.85);
  for (let u = 0.05; u < 0.6; u += 0.01) {
    expect(Math.abs(g(u) - f(u))).toBeLessThan(0.03);
  }
});

test('from right to left is as good, and a dab changes nothing', () => {
  const right = drawnOver([], hand(hill, 0, 1, 0), slot);
  const left = drawnOver([], hand(hill, 1, 0, 0), slot);
  for (let u = 0.05; u < 1; u += 0.05) {
    expect(ownHeight(left)(u)).toBeCloseTo(ownHeight(right)(u), 1);
  }
  expect(drawnOver(right, [{ x: 100, y: 20 }], slot)).toEqual(right);
});

test('a smoother line has no more bends and keeps its mean', () => {
  const rough = drawnOver(
    [],
    hand((u) => 0.5 + 0.3 * Math.sin(40 * u), 0, 1, 0),
    slot,
  );
  const once = smoother(rough);
  const bends = (points: readonly LinePoint[]) => {
    const f = ownHeight(points);
    const ys = Array.from({ length: 400 }, (_, i) => f(i / 400));
    return ys.filter((y, i) => (y - ys.at(i - 1)!) * (ys[(i + 1) % 400] - y) < 0).length;
  };
  const span = (points: readonly LinePoint[]) => {
    const levels = points.map((p) => p.level);
    return Math.max(...levels) - Math.min(...levels);
  };
  expect(bends(once)).toBeLessThanOrEqual(bends(rough));
  expect(span(once)).toBeLessThan(span(rough));
});

test('a point goes no further than its neighbours, and none is added on top of another', () => {
  const points = [
    { at: 0.1, level: 0.2 },
    { at: 0.5, level: 0.8 },
    { at: 0.9, level: 0.3 },
  ];
  const moved = movePoint(points, 1, { at: 0.95, level: 1.4 });
  expect(moved[1].at).toBeLessThan(0.9);
  expect(moved[1].level).toBe(1);
  expect(moved.map((p) => p.at)).toEqual(moved.map((p) => p.at).toSorted((a, b) => a - b));
  expect(addPoint(points, { at: 0.5, level: 0.1 })).toBeUndefined();
  expect(addPoint(points, { at: 0.3, level: 0.1 })!.index).toBe(1);
  const many = Array.from({ length: mostPoints }, (_, i) => ({ at: i / mostPoints, level: 0.5 }));
  expect(addPoint(many, { at: 0.504, level: 0.1 })).toBeUndefined();
});
