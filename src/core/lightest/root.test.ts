import fc from 'fast-check';
import { bracket, marginAt, nextTry, type KnownMargin } from './root';

/** Looks until it ends, and gives what was looked at. */
function look(margin: (at: number) => number, guess: number, least = 20, most = 98): KnownMargin[] {
  const known: KnownMargin[] = [];
  for (let at: number | undefined = guess; at !== undefined; at = nextTry(known, least, most)) {
    known.push({ at, margin: margin(at) });
    if (known.length > 80) {
      break;
    }
  }
  return known;
}

test('finds the least number that holds, wherever it lies, in few looks where margins run straight', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 98 }),
      fc.integer({ min: 20, max: 98 }),
      fc.double({ min: 0.02, max: 0.08, noNaN: true }),
      (crossing, guess, slope) => {
        const known = look((at) => (at - crossing) * slope + 1e-9, guess);
        expect(bracket(known).high?.at).toBe(crossing);
        expect(known.length).toBeLessThanOrEqual(6);
      },
    ),
  );
});

test('finds it along a bent line too, and never looks at a number twice', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 25, max: 95 }),
      fc.integer({ min: 20, max: 98 }),
      (crossing, guess) => {
        const known = look(
          (at) => (Math.sign(at - crossing + 0.5) * Math.abs(at - crossing + 0.5) ** 1.7) / 90,
          guess,
        );
        expect(bracket(known).high?.at).toBe(crossing);
        expect(new Set(known.map((k) => k.at)).size).toBe(known.length);
      },
    ),
  );
});

test('ends where everything holds, and where nothing does', () => {
  expect(bracket(look(() => 1, 60)).high?.at).toBe(20);
  expect(bracket(look(() => -1, 60))).toEqual({ low: { at: 98, margin: -1 }, high: undefined });
});

test('margins are read off between what is known, and beyond it along the last line', () => {
  const known = [
    { at: 40, margin: -1 },
    { at: 50, margin: 0 },
    { at: 70, margin: 1 },
  ];
  expect([45, 60, 80, 30].map((at) => marginAt(known, at))).toEqual(
    [-0.5, 0.5, 1.5, -2].map((v) => expect.closeTo(v, 9)),
  );
});
