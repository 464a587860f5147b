import fc from 'fast-check';
import { uncovered } from './uncovered';

const seen = { x: 10, y: 20, width: 300, height: 90, scale: 0.5 };
const grid = (rows: readonly string[]) => rows.map((row) => [...row].map((sign) => sign === '#'));

test('edges that are covered all along are no part of what is seen; spots inside are only told', () => {
  expect(uncovered(seen, grid(['###', '..#', '..#']))).toEqual({
    x: 10,
    y: 50,
    width: 200,
    height: 60,
    scale: 0.5,
    covered: 5 / 9,
  });
  expect(uncovered(seen, grid(['...', '.#.', '...']))).toEqual({ ...seen, covered: 1 / 9 });
  expect(uncovered(seen, [])).toEqual({ ...seen, covered: 0 });
  expect(uncovered(seen, grid(['##', '##']))).toBeUndefined();
});

test('whatever is covered, every point that is not lies in what is left', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 6 }).chain((n) =>
        fc.array(fc.array(fc.boolean(), { minLength: n, maxLength: n }), {
          minLength: 1,
          maxLength: 6,
        }),
      ),
      (cells) => {
        const left = uncovered(seen, cells);
        cells.forEach((row, v) =>
          row.forEach((covered, u) => {
            const x = seen.x + ((u + 0.5) * seen.width) / row.length;
            const y = seen.y + ((v + 0.5) * seen.height) / cells.length;
            if (!covered) {
              expect(left!.x <= x && x <= left!.x + left!.width).toBe(true);
              expect(left!.y <= y && y <= left!.y + left!.height).toBe(true);
            }
          }),
        );
      },
    ),
  );
});
