import { paintedPart } from './paintedPart';
import type { LaidBackground } from './survey';

const rect = { x: 100, y: 50, width: 1000, height: 400 };
const file = { width: 240, height: 90 };
const part = (laid: Partial<LaidBackground>) =>
  paintedPart(
    {
      rect,
      laid: {
        repeat: 'no-repeat',
        position: '0% 0%',
        size: 'auto',
        attachment: 'scroll',
        origin: 'padding-box',
        clip: 'border-box',
        ...laid,
      },
    },
    file,
  );

test('what goes on paints its box along that side', () => {
  expect(part({ repeat: 'repeat' })).toEqual(rect);
  expect(part({ repeat: 'repeat-y' })).toEqual({ x: 100, y: 50, width: 240, height: 400 });
  expect(part({ repeat: 'no-repeat repeat', position: '100% 0%' })).toEqual({
    x: 860,
    y: 50,
    width: 240,
    height: 400,
  });
  expect(part({ repeat: 'repeat-x', position: '0% 100%' })).toEqual({
    x: 100,
    y: 360,
    width: 1000,
    height: 90,
  });
  expect(part({ repeat: 'round' })).toEqual(rect);
});

test('a single copy lies where it is put, as large as it is said to be, and no further than its box', () => {
  expect(part({ position: '50% 50%' })).toEqual({ x: 480, y: 205, width: 240, height: 90 });
  expect(part({ position: 'calc(100% - 20px) 10px' })).toEqual({
    x: 840,
    y: 60,
    width: 240,
    height: 90,
  });
  expect(part({ position: '-200px -10px' })).toEqual({ x: 100, y: 50, width: 40, height: 80 });
  expect(part({ size: '50%' })).toEqual({ x: 100, y: 50, width: 500, height: 187.5 });
  expect(part({ size: 'auto 45px' })).toEqual({ x: 100, y: 50, width: 120, height: 45 });
  expect(part({ size: 'contain' })).toMatchObject({ width: 1000, height: 375 });
  expect(part({ size: 'cover' })).toEqual(rect);
  expect(part({ position: '2000px 0px' }).width).toBe(0);
});

test('an element’s own picture, one without a size and one that stays with the screen have their box', () => {
  expect(paintedPart({ rect, laid: undefined }, file)).toBe(rect);
  expect(part({ attachment: 'fixed' })).toBe(rect);
});
