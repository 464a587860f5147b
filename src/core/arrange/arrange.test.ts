import fc from 'fast-check';
import { align, spaceEvenly } from './align';
import {
  boundsOf,
  boxOfBounds,
  isInside,
  pointOf,
  resizePoint,
  turnAbout,
  unionOf,
  type Box,
} from './box';
import { gapsOf, safeMargin, snap } from './snap';

const slot = { width: 1080, height: 220 };
const box = (left: number, top: number, width: number, height: number, turn = 0): Box => ({
  x: left + width / 2,
  y: top + height / 2,
  width,
  height,
  turn,
});
const anyBox = fc.record({
  x: fc.integer({ min: -50, max: 1100 }),
  y: fc.integer({ min: -50, max: 260 }),
  width: fc.integer({ min: 1, max: 300 }),
  height: fc.integer({ min: 1, max: 200 }),
  turn: fc.integer({ min: -180, max: 180 }),
});

test('a quarter turn changes sides, and turning back brings a point home', () => {
  const { left, top, right, bottom } = boundsOf(box(10, 20, 60, 20, 90));
  expect([left, top, right, bottom].map((v) => Math.round(v * 1e6) / 1e6 + 0)).toEqual([
    30, 0, 50, 60,
  ]);
  fc.assert(
    fc.property(anyBox, fc.integer({ min: -400, max: 400 }), (b, t) => {
      const there = turnAbout({ x: 3, y: 7 }, b, t);
      const back = turnAbout(there, b, -t);
      expect(back.x).toBeCloseTo(3, 6);
      expect(back.y).toBeCloseTo(7, 6);
    }),
  );
});

test('resizing along turned axes leaves the pivot, and carries corners to the corners of the larger box', () => {
  fc.assert(
    fc.property(
      anyBox,
      fc.double({ min: 0.2, max: 4, noNaN: true }),
      fc.double({ min: 0.2, max: 4, noNaN: true }),
      (b, kx, ky) => {
        const resize = { kx, ky, pivot: pointOf(b, 0, 0), turn: b.turn };
        const middle = resizePoint(b, resize);
        const larger: Box = { ...b, ...middle, width: b.width * kx, height: b.height * ky };
        for (const [u, v] of [
          [0, 0],
          [1, 0],
          [1, 1],
        ]) {
          const moved = resizePoint(pointOf(b, u, v), resize);
          const wanted = pointOf(larger, u, v);
          expect(moved.x).toBeCloseTo(wanted.x, 5);
          expect(moved.y).toBeCloseTo(wanted.y, 5);
        }
      },
    ),
  );
});

test('inside is told along the turned axes', () => {
  const b = box(0, 0, 100, 10, 45);
  expect(isInside(b, pointOf(b, 0.99, 0.5))).toBe(true);
  expect(isInside(b, { x: 90, y: 5 })).toBe(false);
  expect(isInside(box(0, 0, 10, 10), { x: 12, y: 5 }, 3)).toBe(true);
});

test('a rectangle is drawn to the middle, to edges, to the safe margin and to others, and the guide says to which', () => {
  const at = (left: number, top: number) => boundsOf(box(left, top, 100, 40));
  expect(snap(at(487, 70), slot, [], 5)).toEqual({
    dx: 3,
    dy: 0,
    guides: [{ axis: 'x', at: 540, from: 0, to: 220, what: 'middle' }],
  });
  expect(snap(at(3, 300), slot, [], 5)).toMatchObject({
    dx: -3,
    dy: 0,
    guides: [{ at: 0, what: 'edge' }],
  });
  expect(snap(at(48, 300), slot, [], 5)).toMatchObject({
    dx: 2,
    guides: [{ at: 50, what: 'safe margin' }],
  });
  const other = boundsOf(box(300, 20, 80, 30));
  expect(snap(at(296, 120), slot, [other], 5)).toMatchObject({
    dx: 4,
    guides: [{ axis: 'x', at: 300, from: 20, to: 160, what: 'layer' }],
  });
  expect(snap(at(180, 100), slot, [other], 5)).toEqual({ dx: 0, dy: 0, guides: [] });
});

test('the nearer of two lines wins, and nothing moves farther than the reach', () => {
  fc.assert(
    fc.property(
      anyBox,
      fc.array(anyBox, { maxLength: 4 }),
      fc.integer({ min: 0, max: 12 }),
      (b, others, reach) => {
        const { dx, dy, guides } = snap(boundsOf(b), slot, others.map(boundsOf), reach);
        expect(Math.abs(dx)).toBeLessThanOrEqual(reach);
        expect(Math.abs(dy)).toBeLessThanOrEqual(reach);
        const { left, right, top, bottom } = boundsOf(b);
        for (const g of guides) {
          const own =
            g.axis === 'x'
              ? [left + dx, right + dx, (left + right) / 2 + dx]
              : [top + dy, bottom + dy, (top + bottom) / 2 + dy];
          expect(Math.min(...own.map((v) => Math.abs(v - g.at)))).toBeLessThan(1e-6);
        }
      },
    ),
  );
});

test('only the sides that a resize moves are drawn', () => {
  const moving = boundsOf(box(487, 70, 100, 40));
  expect(snap(moving, slot, [], 5, { x: ['far'], y: [] })).toEqual({ dx: 0, dy: 0, guides: [] });
});

test('gaps are told to the next layer abreast, or to the slot', () => {
  const gaps = gapsOf(boundsOf(box(200, 50, 100, 40)), slot, [
    boundsOf(box(20, 60, 100, 10)),
    boundsOf(box(400, 150, 100, 10)),
  ]);
  expect(gaps.map((g) => [g.side, g.to - g.from])).toEqual([
    ['left', 80],
    ['right', 780],
    ['top', 50],
    ['bottom', 130],
  ]);
});

test('the safe margin is 50 px where there is room, and a share of small slots', () => {
  expect(safeMargin(slot)).toEqual({ x: 50, y: 22 });
  expect(safeMargin({ width: 300, height: 72 })).toEqual({ x: 18, y: 7 });
});

test('aligning brings one side of all to one line, within themselves or within the slot', () => {
  const boxes = [box(10, 10, 40, 20), box(100, 60, 20, 20), box(300, 30, 100, 60, 90)];
  const moved = (side: Parameters<typeof align>[1]) =>
    align(boxes, side).map((m, i) =>
      boundsOf({ ...boxes[i], x: boxes[i].x + m.x, y: boxes[i].y + m.y }),
    );
  for (const b of moved('left')) {
    expect(b.left).toBeCloseTo(10);
  }
  for (const b of moved('right')) {
    expect(b.right).toBeCloseTo(380);
  }
  for (const b of moved('middle')) {
    expect(b.top + b.bottom).toBeCloseTo(120);
  }
  const [only] = align([boxes[0]], 'centre', { left: 0, top: 0, right: 1080, bottom: 220 });
  expect(only).toEqual({ x: 510, y: 0 });
});

test('spacing evenly makes gaps equal and leaves the outermost where they are', () => {
  fc.assert(
    fc.property(fc.array(anyBox, { minLength: 3, maxLength: 6 }), (boxes) => {
      const moves = spaceEvenly(boxes, 'x');
      const moved = boxes.map((b, i) => boundsOf({ ...b, x: b.x + moves[i].x }));
      const before = boxes.map(boundsOf);
      const order = before
        .map((_, i) => i)
        .sort((a, b) => before[a].left + before[a].right - before[b].left - before[b].right);
      const gaps = order.slice(1).map((i, k) => moved[i].left - moved[order[k]].right);
      for (const gap of gaps) {
        expect(gap).toBeCloseTo(gaps[0], 5);
      }
      expect(moves[order[0]]).toEqual({ x: 0, y: 0 });
      expect(moves[order.at(-1)!]).toEqual({ x: 0, y: 0 });
    }),
  );
  expect(spaceEvenly([box(0, 0, 1, 1), box(5, 0, 1, 1)], 'x')).toEqual([
    { x: 0, y: 0 },
    { x: 0, y: 0 },
  ]);
  expect(unionOf([])).toBeUndefined();
  expect(boxOfBounds({ left: 0, top: 0, right: 10, bottom: 4 })).toEqual({
    x: 5,
    y: 2,
    width: 10,
    height: 4,
    turn: 0,
  });
});
