import fc from 'fast-check';
import { boundsOf, pointOf, resizePoint, turnAbout, type Box } from './box';
import { handles, isCorner, resizedBox, resizeSnapped, resizeTo, turnBetween } from './gesture';

const slot = { width: 400, height: 200 };
const anyBox: fc.Arbitrary<Box> = fc.record({
  x: fc.integer({ min: 0, max: 400 }),
  y: fc.integer({ min: 0, max: 200 }),
  width: fc.integer({ min: 10, max: 200 }),
  height: fc.integer({ min: 10, max: 200 }),
  turn: fc.integer({ min: -180, max: 180 }),
});

test('a handle follows the pointer and the opposite point stays, however the box is turned', () => {
  fc.assert(
    fc.property(
      anyBox,
      fc.constantFrom(...handles),
      fc.integer({ min: 5, max: 60 }),
      (box, handle, by) => {
        const grip = pointOf(box, handle.u, handle.v);
        const still = pointOf(box, 1 - handle.u, 1 - handle.v);
        const middle = { x: box.x, y: box.y };
        // Outwards from the middle.
        const to = {
          x: grip.x + ((grip.x - middle.x) * by) / 50,
          y: grip.y + ((grip.y - middle.y) * by) / 50,
        };
        const resize = resizeTo(box, handle, to, false);
        const after = resizedBox(box, resize);
        const there = pointOf(after, handle.u, handle.v);
        const stayed = pointOf(after, 1 - handle.u, 1 - handle.v);
        expect(Math.hypot(there.x - to.x, there.y - to.y)).toBeLessThan(1e-6);
        expect(Math.hypot(stayed.x - still.x, stayed.y - still.y)).toBeLessThan(1e-6);
        expect(resizePoint(still, resize).x).toBeCloseTo(still.x, 6);
      },
    ),
  );
});

test('proportions are kept at corners, and sides go by themselves', () => {
  const box: Box = { x: 100, y: 50, width: 80, height: 40, turn: 0 };
  for (const handle of handles) {
    const { kx, ky } = resizeTo(box, handle, { x: 300, y: 170 }, true);
    if (isCorner(handle)) {
      expect(kx).toBe(ky);
    } else {
      expect([kx, ky]).toContain(1);
    }
  }
  expect(resizeTo(box, { u: 1, v: 1 }, { x: 60, y: 30 }, false).kx).toBeCloseTo(2 / 80);
});

test('the side that is dragged is drawn to the slot’s edge and to others, the side that stays is not', () => {
  const box: Box = { x: 100, y: 50, width: 80, height: 40, turn: 0 };
  const other = boundsOf({ x: 300, y: 50, width: 40, height: 30, turn: 0 });
  const { resize, guides } = resizeSnapped(
    box,
    { u: 1, v: 0.5 },
    { x: 277, y: 80 },
    false,
    slot,
    [other],
    5,
  );
  expect(boundsOf(resizedBox(box, resize)).right).toBeCloseTo(280);
  expect(guides).toMatchObject([{ axis: 'x', at: 280, what: 'layer' }]);
  const kept = resizeSnapped(box, { u: 1, v: 1 }, { x: 396.5, y: 199 }, true, slot, [], 5);
  expect(kept.resize.kx).toBe(kept.resize.ky);
  expect(kept.guides).toHaveLength(1);
  expect(
    resizeSnapped({ ...box, turn: 20 }, { u: 1, v: 1 }, { x: 277, y: 80 }, false, slot, [other], 5)
      .guides,
  ).toEqual([]);
});

test('turning goes by the way round the middle, holds at quarters, and goes in steps where asked', () => {
  const pivot = { x: 10, y: 10 };
  const from = { x: 20, y: 10 };
  expect(turnBetween(pivot, from, turnAbout(from, pivot, 37), 0)).toBeCloseTo(37);
  expect(turnBetween(pivot, from, turnAbout(from, pivot, 89), 0)).toBe(90);
  expect(turnBetween(pivot, from, turnAbout(from, pivot, 10), 33, 15)).toBe(12);
});
