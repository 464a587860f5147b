import { createRaster } from '../raster/raster';
import { coloursOf, coloursOfPicture, fontsOf, mattering, type PageLook } from './look';
import { pageText as text } from './look.fixture';

const look = (part: Partial<PageLook>): PageLook => ({
  width: 1000,
  height: 1000,
  page: 'rgb(10, 60, 50)',
  boxes: [],
  texts: [],
  borders: [],
  ...part,
});

const box = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });
const roleOf = (colours: ReturnType<typeof coloursOf>, role: string) =>
  colours.find((c) => (c.roles as readonly string[]).includes(role))?.hex;

test('colours are told by the area that is seen of them and by what stands on them', () => {
  const colours = coloursOf(
    look({
      boxes: [
        { rect: box(200, 0, 600, 1000), colour: 'rgb(255, 255, 255)', on: undefined, bar: false },
        { rect: box(0, 0, 1000, 80), colour: '#204030', on: undefined, bar: true },
        // Wholly covered by the next.
        { rect: box(200, 200, 80, 80), colour: 'red', on: 0, bar: false },
        { rect: box(200, 200, 160, 80), colour: 'oklch(60% 0.1 30)', on: 0, bar: false },
      ],
      texts: [
        text({ on: 0 }),
        text({ on: 0, as: 'link', colour: 'rgb(0, 90, 120)', letters: 12 }),
        text({ on: 0, as: 'heading', colour: '#a4553a', letters: 40 }),
        text({ on: 1, bar: true, as: 'link', colour: '#ffffff', letters: 900 }),
      ],
      borders: [{ colour: '#cccccc', length: 900 }],
    }),
  );
  expect(
    ['page', 'content', 'bar', 'text', 'headings', 'links', 'borders'].map((r) =>
      roleOf(colours, r),
    ),
  ).toEqual(['#0a3c32', '#ffffff', '#204030', '#141414', '#a4553a', '#005a78', '#cccccc']);
  const share = (hex: string) => colours.find((c) => c.hex === hex)?.share ?? 0;
  // 600 of 1000 px wide, less the bar's 80 px and the box's 160 × 80; white letters of the bar.
  expect(share('#ffffff')).toBeCloseTo(0.6 * 0.92 - 0.0128 + 0.0012, 2);
  expect(share('#ff0000')).toBe(0);
});

test('words on pictures and on buttons do not say what headings and links look like', () => {
  const colours = coloursOf(
    look({
      page: 'rgb(255, 255, 255)',
      boxes: [{ rect: box(40, 40, 90, 30), colour: '#a4553a', on: undefined, bar: false }],
      texts: [
        text({}),
        // White on white can only lie on a picture.
        text({ as: 'heading', colour: '#ffffff', letters: 300 }),
        text({ as: 'heading', colour: '#7a3b22', letters: 20 }),
        text({ as: 'link', on: 0, colour: '#fffff0', letters: 200 }),
        text({ as: 'link', colour: '#0b5a6a', letters: 9 }),
      ],
    }),
  );
  expect(roleOf(colours, 'headings')).toBe('#7a3b22');
  expect(roleOf(colours, 'links')).toBe('#0b5a6a');
  const alone = coloursOf(
    look({
      boxes: [{ rect: box(40, 40, 90, 30), colour: '#a4553a', on: undefined, bar: false }],
      texts: [text({ as: 'link', on: 0, colour: '#fffff0', letters: 200 })],
    }),
  );
  expect(roleOf(alone, 'links')).toBe('#fffff0');
});

test('a see-through ground is what it looks like over what lies below it', () => {
  const colours = coloursOf(
    look({
      page: 'rgba(0, 0, 0, 0)',
      boxes: [
        { rect: box(0, 0, 1000, 1000), colour: 'rgba(0, 0, 0, 0.5)', on: undefined, bar: false },
      ],
      texts: [text({ on: 0, colour: 'rgb(255 255 255 / 50%)' })],
    }),
  );
  expect(roleOf(colours, 'page')).toBe('#ffffff');
  expect(roleOf(colours, 'content')).toBe('#808080');
  expect(roleOf(colours, 'text')).toBe('#c0c0c0');
});

test('what matters has a role or covers much; what is hardly another colour is no second one', () => {
  const colours = [
    { hex: '#ffffff' as const, roles: ['page' as const], share: 0.5 },
    { hex: '#336699' as const, roles: [], share: 0.2 },
    { hex: '#33669a' as const, roles: [], share: 0.15 },
    { hex: '#00ff00' as const, roles: [], share: 0.001 },
  ];
  expect(mattering(colours).map((c) => c.hex)).toEqual(['#ffffff', '#336699']);
});

test('a picture of a page has its colours to the level, rare ones left out', () => {
  const raster = createRaster(100, 100);
  for (let i = 0; i < 10_000; i++) {
    raster.data.set(i < 7000 ? [239, 233, 220, 255] : [59, 74, 69, 255], i * 4);
  }
  raster.data.set([255, 0, 0, 255], 0);
  expect(coloursOfPicture(raster).map((c) => [c.hex, Math.round(c.share * 100)])).toEqual([
    ['#efe9dc', 70],
    ['#3b4a45', 30],
  ]);
});

test('fonts by what they are used for, most letters first', () => {
  expect(
    fontsOf(
      look({
        texts: [
          text({ family: 'Hand', as: 'heading', letters: 20 }),
          text({ letters: 400 }),
          text({ family: 'Hand', bar: true, as: 'link', letters: 30 }),
        ],
      }),
    ),
  ).toEqual([
    { family: 'Serif One', uses: ['text'], letters: 400 },
    { family: 'Hand', uses: ['headings', 'bar'], letters: 50 },
  ]);
});
