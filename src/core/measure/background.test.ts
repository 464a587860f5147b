import type { BackgroundSize, Length } from '../site/model/slot';
import { coveredBy, placeBackground } from './background';

const px = (value: number): Length => ({ value, unit: 'px' });
const pc = (value: number): Length => ({ value, unit: '%' });
const area = { width: 300, height: 200 };
const picture = { width: 100, height: 50 };
const auto: BackgroundSize = { x: 'auto', y: 'auto' };
const place = (
  x: Length,
  y: Length,
  size: BackgroundSize = auto,
  repeat: 'repeat' | 'no-repeat' | 'repeat-x' = 'no-repeat',
) => placeBackground({ position: { x, y }, size, repeat }, area, picture);

/*
 * CSS Backgrounds and Borders Level 3, Candidate Recommendation: the rules in words, worked by hand
 * for 100×50 in 300×200.
 */

describe('section 2.6, background-position', () => {
  test('“0% 0%” aligns the upper left corners, “100% 100%” the lower right ones', () => {
    expect(place(pc(0), pc(0))).toMatchObject({ x: 0, y: 0 });
    expect(place(pc(100), pc(100))).toMatchObject({ x: 200, y: 150 });
  });
  test('“14% 84%” lays the point 14% across and 84% down the picture on that point of the area', () => {
    const { x, y } = place(pc(14), pc(84));
    expect(x + 0.14 * 100).toBeCloseTo(0.14 * 300, 10);
    expect(y + 0.84 * 50).toBeCloseTo(0.84 * 200, 10);
  });
  test('lengths are offsets of the corner, and a picture larger than its area takes percentages the other way', () => {
    expect(place(px(20), px(-7))).toMatchObject({ x: 20, y: -7 });
    expect(place(pc(50), pc(0), { x: px(500), y: px(50) }).x).toBe(-100);
  });
});

describe('section 2.9, background-size', () => {
  test.each<[BackgroundSize, number, number]>([
    [auto, 100, 50],
    ['contain', 300, 150],
    ['cover', 400, 200],
    [{ x: pc(50), y: 'auto' }, 150, 75],
    [{ x: 'auto', y: px(100) }, 200, 100],
    [{ x: px(30), y: pc(10) }, 30, 20],
  ])('%j', (size, width, height) =>
    expect(place(pc(0), pc(0), size)).toMatchObject({ width, height }),
  );
});

test('what the copies cover', () => {
  expect(coveredBy(place(px(-20), px(180)), area)).toEqual({ x: 0, y: 180, width: 80, height: 20 });
  expect(coveredBy(place(px(0), px(10), auto, 'repeat-x'), area)).toEqual({
    x: 0,
    y: 10,
    width: 300,
    height: 50,
  });
  expect(coveredBy(place(px(0), px(10), auto, 'repeat'), area)).toEqual({
    x: 0,
    y: 0,
    width: 300,
    height: 200,
  });
  expect(coveredBy(place(px(400), px(0)), area)).toMatchObject({ width: 0 });
});
