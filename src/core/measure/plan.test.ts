import { fillRect } from '../raster/composite';
import { createRaster } from '../raster/raster';
import type { ChainPart } from '../site/model/slot';
import { hexOf } from '../colour/hex';
import { mainColours } from '../colour/palette';
import { borderColours } from './borders';
import { chainLength, chainPlaces, chainWords } from './chain';
import { contentWidthAt, marginAt } from './layoutPage';
import { dividerHeights } from './section';
import { readVisitors, VisitorsError } from './readVisitors';
import { hiddenShare, meanMargin, narrowedTo, shareWhere } from './visitors';

describe('columns', () => {
  const parts: ChainPart[] = [
    { what: 'column', px: 195 },
    { what: 'gap', px: 25 },
    { what: 'padding', px: 20 },
    { what: 'column', px: 195 },
  ];
  test('two columns of 195 with 45 between them are 435 (common practice, no source)', () =>
    expect(chainLength(parts)).toBe(435));
  test('each part begins where the one before ends', () => {
    expect(chainPlaces(parts).map((p) => [p.from, p.to])).toEqual([
      [0, 195],
      [195, 220],
      [220, 240],
      [240, 435],
    ]);
  });
  test('in words', () => expect(chainWords(parts)).toBe('195 + 25 gap + 20 padding + 195 = 435'));
});

test('a divider is offered at a sixth of its section first: 633 px give 106 (common practice, no source)', () => {
  expect(dividerHeights(633)[0]).toEqual({ share: 6, px: 106 });
  expect(dividerHeights(600).map((h) => h.px)).toEqual([100, 120, 75, 60, 150]);
  expect(dividerHeights(2).every((h) => h.px >= 1)).toBe(true);
});

describe('content and margins', () => {
  const page = (px: number | null, percent: number | null) => ({
    content: { px, percent, measured: null },
  });
  test.each([
    [1080, null, 1440, 1080],
    [1080, null, 800, 800],
    [null, 90, 1000, 900],
    [1080, 90, 1000, 900],
    [1080, 90, 1440, 1080],
    [null, 100, 320, 320],
  ])('%s px, %s %% at %s', (px, percent, screen, width) => {
    expect(contentWidthAt(page(px, percent), screen)).toBe(width);
    expect(marginAt(page(px, percent), screen)).toBe(Math.floor((screen - width) / 2));
  });
});

describe('visitors', () => {
  const page = { content: { px: 1080, percent: null, measured: null } };
  const visitors = [
    { width: 360, share: 30 },
    { width: 1080, share: 20 },
    { width: 1440, share: 50 },
  ];
  test('half of them see nothing of the background; narrowed to 1000 px it is 30 percent', () => {
    expect(hiddenShare(page, visitors)).toBeCloseTo(0.5, 12);
    expect(hiddenShare(narrowedTo(page, 1000), visitors)).toBeCloseTo(0.3, 12);
    expect(meanMargin(page, visitors)).toBeCloseTo(0.5 * 180, 12);
  });
  test('of nobody nothing can be said', () => {
    expect(hiddenShare(page, [])).toBeUndefined();
    expect(shareWhere([{ width: 360, share: 0 }], () => true)).toBeUndefined();
  });
  test.each([
    [
      'width,visitors\n1440,12\n360,30',
      [
        [360, 30],
        [1440, 12],
      ],
    ],
    ['1920x1080;7,5\n1920×1200;2,5\n', [[1920, 10]]],
    ['"1,204"\t3\n'.replace('"1,204"', '1204'), [[1204, 3]]],
    ['\ufeffScreen,Share\r\n1440 px,"12,500"\r\n\r\n', [[1440, 12500]]],
    [
      '360,12.5%\n768,87.5%',
      [
        [360, 12.5],
        [768, 87.5],
      ],
    ],
  ])('a list is read (%#)', (text, list) => {
    expect(readVisitors('list.csv', text).map((v) => [v.width, v.share])).toEqual(list);
  });
  test.each([
    [
      'width,visitors\n1440,many',
      'list.csv, line 2: expected how many visitors, a number, found “many”.',
    ],
    [
      '1440,12\nmobile,30',
      'list.csv, line 2: expected a screen width such as 1440, found “mobile”.',
    ],
    ['1440', 'list.csv, line 1: expected how many visitors, a number, found nothing.'],
    ['90,12', 'list.csv, line 1: expected a screen width of 200 to 8000 px, found 90.'],
    ['', 'list.csv: expected lines such as “1440, 312”, found none.'],
    ['1440,-3', 'list.csv, line 1: expected how many visitors, a number, found “-3”.'],
    ['x'.repeat(2_100_000), 'list.csv: expected at most 2 MB, found 2.1 MB.'],
    [
      Array.from({ length: 3000 }, (_, i) => `${400 + i},7`).join('\n'),
      'list.csv: expected at most 500 different screen widths, found 3000.',
    ],
  ])('words and nonsense are refused with their line (%#)', (text, message) => {
    expect(() => readVisitors('list.csv', text)).toThrow(new VisitorsError(message));
  });
});

describe('what a picture shows of itself', () => {
  const raster = createRaster(40, 20);
  fillRect(raster, { r: 51, g: 51, b: 51 });
  fillRect(raster, { r: 200, g: 80, b: 40 }, { x: 4, y: 1, width: 32, height: 18 });
  for (let y = 0; y < 20; y++) {
    raster.data[(y * 40 + 39) * 4 + 3] = 0;
  }
  raster.data.set([54, 51, 50, 255], 7 * 4);

  test('its borders: the commonest colour, how even it is, and see-through ones', () => {
    const [top, right, bottom, left] = borderColours(raster);
    expect(top).toMatchObject({ side: 'top', colour: { r: 51, g: 51, b: 51 }, spread: 3 });
    expect(top.share).toBeCloseTo(38 / 40, 12);
    expect(right).toMatchObject({ colour: undefined, share: 1 });
    expect(bottom.spread).toBe(0);
    expect(left).toMatchObject({ colour: { r: 51, g: 51, b: 51 }, share: 1, spread: 0 });
  });

  test('its main colours, the commonest first, with their shares; see-through pixels do not count', () => {
    const found = mainColours(raster);
    expect(found.map((c) => hexOf(c.colour)).slice(0, 2)).toEqual(['#c85028', '#333333']);
    expect(found[0].share).toBeCloseTo((32 * 18) / (39 * 20), 2);
    expect(found.reduce((sum, c) => sum + c.share, 0)).toBeCloseTo(1, 10);
  });

  test('nothing to be seen has no colours', () =>
    expect(mainColours(createRaster(3, 3))).toEqual([]));
});
