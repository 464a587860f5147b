import type { TextLayer } from '../site/model/objectLayers';
import { safeWords } from './widths';
import type { ReadingContext } from './reading';

const safe = { x: 50, y: 10, width: 200, height: 80 };
const context = {} as ReadingContext;
/** Words whose box lies so many px beyond the right side of what is seen everywhere. */
const beyond = (by: number) => ({
  text: { words: 'Pots' } as TextLayer,
  safe,
  by,
  bounds: { x: 150 + by, y: 20, width: 100, height: 20 },
});

test('words that hang out by a few px are to be looked at, by more than 8 they fail, as do those that lie outside', () => {
  const verdicts = [0, 0.5, 8, 8.5, 9, 20].map((by) => safeWords.judge(beyond(by), context));
  expect(verdicts).toEqual(['holds', 'look', 'look', 'fails', 'fails', 'fails']);
  const away = { ...beyond(4), bounds: { x: 260, y: 20, width: 40, height: 20 } };
  expect(safeWords.judge(away, context)).toBe('fails');
});
