import { deltaE, largestStep } from './difference';
import { hexOf, isGrey } from './hex';
import { colourOf, tryColour } from './parse';

test.each([
  ['#3b4a45', 59, 74, 69],
  ['3b4a45', 59, 74, 69],
  ['rgb(59 74 69)', 59, 74, 69],
  ['rgb(59, 74, 69)', 59, 74, 69],
  ['RebeccaPurple', 102, 51, 153],
  // CSS Color Module Level 4: hsl(120 100% 25%) is a dark green, and #f00 is oklch(0.628 0.258
  // 29.23) (value from memory).
  ['hsl(120 100% 25%)', 0, 128, 0],
  ['oklch(62.8% 0.25768 29.234)', 255, 0, 0],
])('%s', (text, r, g, b) => expect(tryColour(text)).toEqual({ r, g, b }));

test('what is no colour is refused', () => {
  expect(tryColour('kiln')).toBeUndefined();
  expect(tryColour('')).toBeUndefined();
  expect(() => colourOf('#12')).toThrow('Expected a CSS colour, found “#12”');
});

test('hex there and back, and greys', () => {
  expect(hexOf({ r: 164, g: 85, b: 58 })).toBe('#a4553a');
  expect(isGrey(colourOf('#333333'))).toBe(true);
  expect(isGrey(colourOf('#333334'))).toBe(false);
});

test('differences', () => {
  expect(largestStep(colourOf('#a4553a'), colourOf('#a5543d'))).toBe(3);
  expect(deltaE(colourOf('#808080'), colourOf('#808080'))).toBe(0);
  // White against black is 100 by definition of L*.
  expect(deltaE({ r: 255, g: 255, b: 255 }, { r: 0, g: 0, b: 0 })).toBeCloseTo(100, 1);
});
