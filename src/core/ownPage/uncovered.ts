import type { SeenAt } from '../site/model/ownPage';

/** Whether points of a picture's part that is shown are covered, row by row from its upper left corner. */
export type CoverGrid = readonly (readonly boolean[])[];

const edges = (whole: readonly boolean[]): readonly [from: number, to: number] => {
  const first = whole.indexOf(false);
  return first < 0 ? [0, 0] : [first, whole.lastIndexOf(false) + 1];
};

/**
 * What is left of a part that is shown: without the edges that are covered all along.
 * @param grid of points in the middle of as many equal cells
 * @returns undefined where all of it is covered
 */
export function uncovered(
  seen: Omit<SeenAt, 'screen' | 'covered'>,
  grid: CoverGrid,
): Omit<SeenAt, 'screen'> | undefined {
  const rows = grid.map((row) => row.every(Boolean));
  const columns = (grid[0] ?? []).map((_, i) => grid.every((row) => row[i]));
  const [top, bottom] = edges(rows);
  const [left, right] = edges(columns);
  const points = grid.flat();
  if (points.length === 0) {
    return { ...seen, covered: 0 };
  }
  if (bottom <= top || right <= left) {
    return undefined;
  }
  const [w, h] = [seen.width / columns.length, seen.height / rows.length];
  return {
    ...seen,
    x: seen.x + left * w,
    y: seen.y + top * h,
    width: (right - left) * w,
    height: (bottom - top) * h,
    covered: points.filter(Boolean).length / points.length,
  };
}
