import { colourOf } from '../colour/parse';
import { contrastRatio } from '../legibility/contrast';
import type { PageWords, WordsSeen } from '../legibility/pageWords';
import { fillRect } from '../raster/composite';
import { createRaster, type Rect } from '../raster/raster';
import { inkMends, inkOf, type LostWithRule } from './inkMends';
import { compareWords } from './lostContrast';

const lead: Rect = { x: 4, y: 4, width: 30, height: 10 };
const fine: Rect = { x: 4, y: 24, width: 30, height: 10 };

const words = (text: string, line: Rect, ink: string, sizePx = 16): PageWords => ({
  text,
  selector: `.${text}`,
  ink: { colour: colourOf(ink), opacity: 1 },
  sizePx,
  weight: 400,
  lines: [line],
});

/** Two lines of words, whose letters are every third px of them, on a ground each. */
function seen(grounds: readonly [string, string], list: readonly PageWords[]): WordsSeen {
  const bare = createRaster(40, 40);
  fillRect(bare, colourOf(grounds[0]), { x: 0, y: 0, width: 40, height: 19 });
  fillRect(bare, colourOf(grounds[1]), { x: 0, y: 19, width: 40, height: 21 });
  const alphaMask = { width: 40, height: 40, data: new Uint8Array(1600) };
  for (const { lines } of list) {
    for (let y = lines[0].y; y < lines[0].y + lines[0].height; y++) {
      for (let x = lines[0].x; x < lines[0].x + lines[0].width; x += 3) {
        alphaMask.data[y * 40 + x] = 255;
      }
    }
  }
  return { bare, alphaMask, words: list };
}

const both = (ink: string, other = ink) => [words('lead', lead, ink), words('fine', fine, other)];

test('words that had the wanted contrast and have it no longer are lost, with what lies behind them; others are kept', () => {
  const before = seen(['#2a6f77', '#205a61'], both('#ffffff'));
  const after = seen(['#a9b79a', '#4c5a3e'], both('#ffffff'));
  const { lost, kept } = compareWords(before, after);
  expect(lost).toMatchObject([{ text: 'lead', wanted: 4.5, colour: '#ffffff', at: lead }]);
  expect(lost[0].before).toBeCloseTo(contrastRatio(colourOf('#ffffff'), colourOf('#2a6f77')), 6);
  expect(lost[0].after).toBeCloseTo(contrastRatio(colourOf('#ffffff'), colourOf('#a9b79a')), 6);
  expect(lost[0].grounds).toEqual([colourOf('#a9b79a')]);
  expect(kept).toEqual([{ selector: '.fine', wanted: 4.5, grounds: [colourOf('#4c5a3e')] }]);
});

test('what could not be read before is nobody’s loss, large words need less, and the worst comes first', () => {
  const faint = seen(['#cccccc', '#2a6f77'], both('#ffffff'));
  expect(compareWords(faint, seen(['#dddddd', '#2a6f77'], both('#ffffff'))).lost).toEqual([]);
  const large = [words('lead', lead, '#ffffff', 30), words('fine', fine, '#ffffff')];
  const before = seen(['#2a6f77', '#2a6f77'], large);
  expect(compareWords(before, seen(['#5f8a8f', '#5f8a8f'], large)).lost.map((l) => l.text)).toEqual(
    ['fine'],
  );
  expect(compareWords(before, seen(['#c9d7ba', '#7d8f6e'], large)).lost.map((l) => l.text)).toEqual(
    ['lead', 'fine'],
  );
  const below = words('below', { x: 4, y: 44, width: 30, height: 10 }, '#ffffff');
  const tall = (list: readonly PageWords[]) => ({
    ...seen(['#2a6f77', '#2a6f77'], large),
    words: list,
  });
  expect(compareWords(before, before).unread).toBe(0);
  expect(compareWords(tall([...large, below]), tall([...large, below])).unread).toBe(1);
  expect(() => compareWords(before, seen(['#000000', '#000000'], []))).toThrow(
    'Expected the same 2 words before and after, found 0.',
  );
});

describe('mends', () => {
  const inks = [
    { key: 's.css:10', file: 's.css', selector: '.lead', dark: false },
    { key: 's.css:50', file: 's.css', selector: '.lead', dark: false },
    { key: 's.css:90', file: 's.css', selector: '.lead', dark: true },
    { key: 's.css:120', file: 's.css', selector: '.fine', dark: false },
  ];
  const lost = (part: Partial<LostWithRule>): LostWithRule => ({
    text: 'lead',
    selector: '.lead',
    at: lead,
    before: 6,
    after: 2,
    wanted: 4.5,
    colour: '#ffffff',
    grounds: [colourOf('#a9b79a')],
    scheme: 'light',
    rule: { path: 's.css', selector: '.lead' },
    beside: [],
    ...part,
  });

  test('the last place of the rule, in the scheme that words are lost in', () => {
    expect(inkOf(lost({}), inks)?.key).toBe('s.css:50');
    expect(inkOf(lost({ scheme: 'dark' }), inks)?.key).toBe('s.css:90');
    // Where both schemes have the same colour, what helps in one would not in the other.
    expect(
      inkOf(lost({ scheme: 'dark', rule: { path: 's.css', selector: '.fine' } }), inks),
    ).toBeUndefined();
    expect(inkOf(lost({ rule: undefined }), inks)).toBeUndefined();
  });

  test('one colour for all words of a place, read on everything that they lie on', () => {
    const grounds = ['#a9b79a', '#c5cfb4'].map(colourOf);
    const mends = inkMends(
      [lost({ grounds: [grounds[0]] }), lost({ grounds: [grounds[1]], wanted: 3 })],
      inks,
    );
    expect([...mends.keys()]).toEqual(['s.css:50']);
    for (const ground of grounds) {
      expect(contrastRatio(colourOf(mends.get('s.css:50')!), ground)).toBeGreaterThanOrEqual(4.5);
    }
    // Words of the rule that lie on dark elsewhere have no colour in common with these.
    expect(inkMends([lost({ beside: [colourOf('#222222')] })], inks).size).toBe(0);
  });
});
