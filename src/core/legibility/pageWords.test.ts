import { composite, fillRect } from '../raster/composite';
import { createRaster, type Raster, type Rgb } from '../raster/raster';
import { letterMask, pageWordsReport, type PageWords, type WordsSeen } from './pageWords';

const rgb = (r: number, g: number, b: number): Rgb => ({ r, g, b });
const white = rgb(255, 255, 255);

/** A window that is dark at the left and light at the right, with two lines of letters. */
function seen(ink: Rgb, more: Partial<PageWords> = {}, bare = halves()): WordsSeen {
  const alphaMask = { width: 60, height: 30, data: new Uint8Array(1800) };
  for (const [y, from, to] of [
    [8, 4, 24],
    [20, 34, 54],
  ]) {
    alphaMask.data.fill(255, y * 60 + from, y * 60 + to);
  }
  const words: PageWords = {
    text: 'Kiln',
    selector: 'h1',
    ink: { colour: ink, opacity: 1 },
    sizePx: 16,
    weight: 400,
    lines: [{ x: 2.4, y: 5.2, width: 25, height: 6.5 }],
    ...more,
  };
  return { bare, alphaMask, words: [words] };
}

function halves(): Raster {
  const raster = createRaster(60, 30);
  fillRect(raster, rgb(30, 40, 50));
  fillRect(raster, rgb(230, 220, 210), { x: 30, y: 0, width: 30, height: 30 });
  return raster;
}

const second = { x: 30, y: 18, width: 28, height: 5 };

test('words are measured in their own lines, against what is behind them there', () => {
  const [{ contrast, wanted }] = pageWordsReport(seen(white), []).words;
  expect([contrast.worst > 14, wanted]).toEqual([true, 4.5]);
  const both = seen(white, { lines: [{ x: 2, y: 5, width: 25, height: 7 }, second] });
  const [{ contrast: over }] = pageWordsReport(both, []).words;
  // Two px beside the second line's letters, which begin at 34, 20.
  expect([over.worst < 1.4, over.at]).toEqual([true, { x: 32, y: 18 }]);
  expect(pageWordsReport(seen(white, { lines: [] }), []).words).toEqual([]);
});

test('the least veil that all words reach it with is that of the picture drawn with it', () => {
  const short = seen(white, { lines: [second] });
  const { words, veils } = pageWordsReport(short, ['#000000', '#ffffff', '#1e2832']);
  expect(words[0].inks).toEqual(['#000000', '#1e2832']);
  expect(veils.map((v) => v.colour)).toEqual(['#000000', '#1e2832']);
  const after = (percent: number) => {
    const bare = halves();
    composite(bare, { type: 'solid', colour: rgb(0, 0, 0) }, percent / 100);
    return pageWordsReport({ ...short, bare }, []).words[0].contrast.worst;
  };
  expect(after(veils[0].percent)).toBeGreaterThanOrEqual(4.5);
  expect(after(veils[0].percent - 1)).toBeLessThan(4.5);
});

test('of several words each veil is enough for all, and the worst come first', () => {
  const one = seen(white, { lines: [second] });
  const grey = { ...one.words[0], text: 'Shelf', ink: { colour: rgb(200, 200, 200), opacity: 1 } };
  const { words, veils } = pageWordsReport({ ...one, words: [...one.words, grey] }, ['#000000']);
  const alone = (w: PageWords) => pageWordsReport({ ...one, words: [w] }, ['#000000']).veils[0];
  expect(words.map((w) => w.text)).toEqual(['Shelf', 'Kiln']);
  expect(veils[0].percent).toBe(Math.max(alone(one.words[0]).percent, alone(grey).percent));
});

test('letters are where black and white ones differ', () => {
  const black = halves();
  const light = halves();
  composite(black, { type: 'solid', colour: rgb(0, 0, 0) }, 0.5);
  composite(light, { type: 'solid', colour: white }, 0.5);
  const { data } = letterMask(black, light);
  expect([...new Set(data)].every((v) => v === 127 || v === 128)).toBe(true);
  expect([...new Set(letterMask(black, black).data)]).toEqual([0]);
  expect(() => letterMask(black, createRaster(2, 2))).toThrow(RangeError);
});
