import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { deltaE } from '../colour/difference';
import { colourOf } from '../colour/parse';
import { leftOver, offersFor, type Sample } from './offers';
import { layRecipe } from './recipe';

const slate = colourOf('#3f5161');
const celadon = colourOf('#a9b79a');
const shades: Sample[] = [
  [63, 81, 97],
  [30, 48, 64],
  [90, 112, 130],
  [180, 190, 198],
].map(([r, g, b]) => ({ colour: { r, g, b }, share: 0.25 }));
const channel = fc.integer({ min: 0, max: 255 });
const rgb = fc.record({ r: channel, g: channel, b: channel });

test('from slate to celadon every way is offered with what it leaves over, the nearest first', () => {
  const offers = offersFor(slate, celadon, shades);
  expect(new Set(offers.map((o) => o.way))).toEqual(new Set(['wash', 'screen', 'hue', 'two-tone']));
  for (const o of offers) {
    expect(o.left).toBeCloseTo(
      deltaE(layRecipe({ steps: o.steps, spare: false, hues: null }).colour(slate), celadon),
      9,
    );
    expect(o.kept).toBeGreaterThan(0.1);
  }
  expect(offers[0].left).toBeLessThan(1);
  expect(offers.find((o) => o.way === 'wash')!.left).toBeLessThan(0.6);
  // The least strength at which a colour of sRGB gets there: 106 levels of red are missing of the
  // 192 there are above slate's.
  expect(offers.find((o) => o.way === 'wash')!.steps[0].opacity).toBeCloseTo(0.59, 9);
});

test('darker in every channel is reached by multiply, lighter by screen, and neither where it cannot', () => {
  const ways = (from: string, to: string) =>
    offersFor(colourOf(from), colourOf(to), []).map((o) => o.way);
  expect(ways('#a9b79a', '#3f5161')).toContain('multiply');
  expect(ways('#a9b79a', '#3f5161')).not.toContain('screen');
  expect(ways('#3f9961', '#a93f61')).toEqual(expect.not.arrayContaining(['multiply', 'screen']));
});

test('a wash brings any colour to any other within a level, never stronger than at full strength', () => {
  fc.assert(
    fc.property(rgb, rgb, (from, to) => {
      const wash = offersFor(from, to, []).find((o) => o.way === 'wash')!;
      const after = layRecipe({ steps: wash.steps, spare: false, hues: null }).colour(from);
      expect(
        Math.max(Math.abs(after.r - to.r), Math.abs(after.g - to.g), Math.abs(after.b - to.b)),
      ).toBeLessThanOrEqual(1);
    }),
    { numRuns: randomRuns(60) },
  );
});

test('what is left over counts pieces that have the old colour, each by its nearest', () => {
  const pieces = [
    shades,
    [{ colour: { r: 66, g: 84, b: 99 }, share: 1 }],
    [{ colour: { r: 200, g: 30, b: 30 }, share: 1 }],
  ];
  const left = leftOver(pieces, slate, celadon, (c) => c)!;
  expect(left.pieces).toBe(2);
  expect(left.worst).toBeGreaterThanOrEqual(left.mean);
  expect(left.worst).toBeCloseTo(
    Math.max(deltaE(slate, celadon), deltaE({ r: 66, g: 84, b: 99 }, celadon)),
    9,
  );
  expect(leftOver([pieces[2]], slate, celadon, (c) => c)).toBeUndefined();
});
