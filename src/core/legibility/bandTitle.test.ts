import { createCanvas } from '@napi-rs/canvas';
import { wcagContrast } from 'culori';
import { fillRect } from '../raster/composite';
import { createRaster, type Raster } from '../raster/raster';
import { newBand } from '../site/newBand';
import { newSite } from '../site/newSite';
import { canvasGlyphs, type TextContext } from '../text/glyphs';
import { titleReport, titleScreens, type TitleQuestion } from './bandTitle';

const contextOf = (w: number, h: number) =>
  createCanvas(w, h).getContext('2d') as unknown as TextContext;
const glyphs = canvasGlyphs(contextOf, (spec) => `${spec.weight} ${spec.sizePx}px sans-serif`);
const [page] = newSite('s', 'p', 'Veldrin').pages;
const dark = '#1d2a26';
const pale = '#efe9dc';

/** Dark at the left of a px, pale from it on. */
function halves(width: number, height: number, from: number): Raster {
  const out = createRaster(width, height);
  fillRect(out, { r: 0x1d, g: 0x2a, b: 0x26 });
  fillRect(out, { r: 0xef, g: 0xe9, b: 0xdc }, { x: from, y: 0, width: width - from, height });
  return out;
}

const wide: TitleQuestion = {
  page: { content: { px: 1080, percent: null, measured: null } },
  band: { ...newBand(page, 'Classes in the kiln house'), boxed: false, ink: '#ffffff', sizePx: 32 },
  font: 'archivo',
  weight: 500,
  rules: {
    repeat: 'no-repeat',
    position: { x: { value: 50, unit: '%' }, y: { value: 50, unit: '%' } },
    size: { x: 'auto', y: 'auto' },
  },
};

const reportOf = async (...asked: Parameters<typeof titleReport>) => (await titleReport(...asked))!;

/** Width of words as the canvas has it. */
const wordsWidth = (words: string, sizePx: number): number => {
  const context = contextOf(1, 1);
  context.font = `500 ${sizePx}px sans-serif`;
  return context.measureText(words).width;
};

test('at every width the title is read against the part of the picture that lies behind it there', async () => {
  const report = await reportOf(halves(2560, 160, 1280), wide, [dark, pale], glyphs);
  expect(report.at.map((one) => one.screen)).toEqual([...titleScreens]);
  const width = wordsWidth(wide.band.heading, 32);
  const onDark = wcagContrast('#ffffff', dark);
  const onPale = wcagContrast('#ffffff', pale);
  for (const { screen, worst, lines } of report.at) {
    const content = Math.min(1080, screen);
    const left = (screen - content) / 2 + Math.min(28, content * 0.06);
    // The pale half begins in the middle of the screen, whatever its width.
    const reaches = left + width + 4 > screen / 2;
    const near = Math.abs(left + width - screen / 2) < 8;
    if (lines === 1 && !near) {
      expect(worst).toBeCloseTo(reaches ? onPale : onDark, 6);
    }
  }
  expect(report.at.some((one) => one.worst > 10)).toBe(true);
  expect(report.at.some((one) => one.worst < 2)).toBe(true);
  expect(report.spot.x).toBeGreaterThanOrEqual(1280);
});

test('a title at the right or in the middle is read where it stands', async () => {
  const picture = halves(2560, 160, 1280);
  const worst = async (align: 'left' | 'centre' | 'right') => {
    const band = { ...wide.band, align };
    const { at } = await reportOf(picture, { ...wide, band }, [], glyphs);
    return at.find((one) => one.screen === 1920)!.worst;
  };
  expect(await worst('left')).toBeCloseTo(wcagContrast('#ffffff', dark), 6);
  expect(await worst('right')).toBeCloseTo(wcagContrast('#ffffff', pale), 6);
  expect(await worst('centre')).toBeCloseTo(wcagContrast('#ffffff', pale), 6);
});

test('the weakest veil makes it read at all widths, and no weaker one does', async () => {
  const picture = halves(2560, 160, 1280);
  const report = await reportOf(picture, wide, [dark], glyphs);
  const [veil] = report.veils;
  expect(veil.colour).toBe(dark);
  const under = (percent: number): number => {
    const mixed = [0xef, 0xe9, 0xdc].map((v, i) =>
      Math.round(v + (percent / 100) * ([0x1d, 0x2a, 0x26][i] - v)),
    );
    return wcagContrast('#ffffff', `rgb(${mixed.join(' ')})`);
  };
  expect(under(veil.percent)).toBeGreaterThanOrEqual(report.wanted);
  expect(under(veil.percent - 1)).toBeLessThan(report.wanted);
});

test('a picture that repeats or covers is laid as CSS lays it', async () => {
  const tile = halves(40, 40, 20);
  const tiled = await reportOf(
    tile,
    { ...wide, rules: { ...wide.rules, repeat: 'repeat' } },
    [],
    glyphs,
  );
  // Some pale stripe lies behind the words everywhere.
  expect(tiled.at.every((one) => Math.abs(one.worst - wcagContrast('#ffffff', pale)) < 1e-6)).toBe(
    true,
  );
  expect(tiled.spot.x).toBeGreaterThanOrEqual(20);
  const cover = await reportOf(
    halves(400, 100, 200),
    { ...wide, rules: { ...wide.rules, size: 'cover' } },
    [],
    glyphs,
  );
  const at1920 = cover.at.find((one) => one.screen === 1920)!;
  expect(at1920.worst).toBeCloseTo(wcagContrast('#ffffff', dark), 1);
});

test('lines that have no room are told, with the size that has', async () => {
  const band = {
    ...wide.band,
    height: 80,
    heading: 'Classes in the kiln house by the river',
    sizePx: 40,
  };
  const report = await reportOf(halves(2560, 80, 2560), { ...wide, band }, [], glyphs);
  const [phone] = report.at;
  expect(phone.lines).toBeGreaterThan(1);
  expect(phone.fits).toBe(false);
  expect(report.at.at(-1)).toMatchObject({ lines: 1, fits: true });
  // 48 px of room: two lines of 1.2 times the size.
  expect(report.fitting).toBeLessThanOrEqual(20);
  const smaller = { ...band, sizePx: report.fitting! };
  const after = await reportOf(halves(2560, 80, 2560), { ...wide, band: smaller }, [], glyphs);
  expect(after.at.every((one) => one.fits)).toBe(true);
});

test('no words, or no font, and nothing is measured', async () => {
  const picture = halves(2560, 160, 1280);
  expect(
    await titleReport(picture, { ...wide, band: { ...wide.band, heading: ' ' } }, [], glyphs),
  ).toBeUndefined();
  expect(await titleReport(picture, wide, [], { ...glyphs, has: () => false })).toBeUndefined();
});

test('it lets go between the widths, so that nobody waits for all of them', async () => {
  const picture = halves(2560, 160, 1280);
  let rests = 0;
  const rest = async () => {
    rests++;
  };
  const wholly = { ...wide, rules: { ...wide.rules, size: 'cover' as const } };
  await titleReport(picture, wholly, [dark, pale], glyphs, rest);
  // Once before each width at which it lies otherwise, and before each colour.
  expect(rests).toBeGreaterThanOrEqual(titleScreens.length + 2);
});
