import { randomRuns } from '@/core/randomRuns.fixture';
import fc from 'fast-check';
import { colourTable } from './colourTable';

test('colours come in their order, each px knows its own, and all are counted', () => {
  fc.assert(
    fc.property(
      fc.array(fc.oneof(fc.nat(40), fc.integer({ min: 0, max: 0xffffffff })), { maxLength: 6000 }),
      (list) => {
        const px = Uint32Array.from(list);
        const { colours, counts, of } = colourTable(px);
        const wanted = new Map<number, number>();
        for (const colour of px) {
          wanted.set(colour, (wanted.get(colour) ?? 0) + 1);
        }
        expect([...colours]).toEqual([...wanted.keys()]);
        expect([...counts]).toEqual([...wanted.values()]);
        expect([...of].map((n) => colours[n])).toEqual(list);
      },
    ),
    { numRuns: randomRuns(60) },
  );
});

test('it grows for as many colours as there are', () => {
  const px = Uint32Array.from({ length: 300_000 }, (_, i) => Math.imul(i, 2654435761));
  const { colours, of } = colourTable(px);
  expect(colours).toEqual(px);
  expect(of[299_999]).toBe(299_999);
});
