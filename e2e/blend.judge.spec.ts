/**
 * Chromium as the judge of the seam: what a reading says of an edge is what a screenshot of the
 * page shows across it.
 */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, inNewTab, test, withOneFile, type BenchPage } from './bench.fixture';

const kiln = '#3b4a45';
const clay = '#a4553a';
const barHeight = 84;

/** What was handed over of the slot that is open. */
interface Handed {
  readonly css: string;
  readonly html: string;
  readonly bytes: Buffer;
  readonly name: string;
}

async function handOver(bench: BenchPage, page: Page): Promise<Handed> {
  const file = await bench.download();
  const css = await page.locator('[data-snippet=CSS]').innerText();
  const html = await page.locator('[data-snippet=HTML]').innerText();
  return {
    ...withOneFile({ css, html }, file.name),
    bytes: readFileSync(file.path),
    name: file.name,
  };
}

/** A screenshot of a page that has the file in place, in a tab of its own. */
async function shot(
  judge: Page,
  { css, html, bytes, name }: Handed,
  width: number,
  body: (html: string) => string,
): Promise<{ data: Buffer; width: number; height: number }> {
  await judge.route('**/judge/**', (route) =>
    route.request().url().endsWith(name)
      ? route.fulfill({ body: bytes })
      : route.fulfill({
          contentType: 'text/html',
          body: `<!doctype html><meta charset="utf-8"><style>body{margin:0;background:${kiln}}${css}</style>${body(html)}`,
        }),
  );
  await judge.setViewportSize({ width, height: 700 });
  await judge.goto('http://localhost:3219/judge/');
  await judge.waitForFunction(() =>
    [...document.images].every((i) => i.complete && i.naturalWidth > 0),
  );
  const { data, info } = await sharp(await judge.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  await judge.unroute('**/judge/**');
  return { data, width: info.width, height: info.height };
}

/** Largest channel difference between the px of two lines of a screenshot. */
function across(
  { data, width }: { data: Buffer; width: number },
  a: (i: number) => [number, number],
  b: (i: number) => [number, number],
  count: number,
): number {
  let worst = 0;
  for (let i = 0; i < count; i++) {
    const [ax, ay] = a(i);
    const [bx, by] = b(i);
    for (let c = 0; c < 3; c++) {
      worst = Math.max(
        worst,
        Math.abs(data[(ay * width + ax) * 3 + c] - data[(by * width + bx) * 3 + c]),
      );
    }
  }
  return worst;
}

const onHeaderPage = (html: string) =>
  `<div style="max-width:1080px;margin:0 auto"><div style="height:${barHeight}px;background:${kiln}"></div>${html}</div>`;

/** Levels that an edge is said to be off; none where it is exact. */
const levels = async (page: Page, side: string) => {
  const figure = page.locator(`[data-reading="seam-${side}"] .figure`).last();
  return Number(/\d+/.exec(await figure.innerText())?.[0] ?? 0);
};

test('a header: what the readings say of its edges is what the page shows at 1280 and 1920, and where they say nothing, nothing is seen at 360 and 768 either @landing', async ({
  bench,
  page,
  browser,
}) => {
  await bench.start();
  await bench.open('Header');
  const judge = await browser.newPage();
  const seen: string[] = [];
  const judged = async (what: string) => {
    await page.keyboard.press('5');
    await expect(page.locator('[data-reading="seam-left"]')).not.toHaveAttribute(
      'data-verdict',
      'unknown',
    );
    // The file of this very state.
    await expect(bench.answer(6)).not.toContainText('writing');
    const said = {
      left: await levels(page, 'left'),
      right: await levels(page, 'right'),
      top: await levels(page, 'top'),
    };
    const handed = await handOver(bench, page);
    for (const width of [360, 768, 1280, 1920]) {
      const s = await shot(judge, handed, width, onHeaderPage);
      const wide = Math.min(1080, width);
      const x = (width - wide) / 2;
      const height = Math.round((220 * wide) / 1080);
      const found: Partial<typeof said> = {
        top: across(
          s,
          (i) => [x + i, barHeight - 1],
          (i) => [x + i, barHeight],
          wide,
        ),
      };
      if (x > 0) {
        found.left = across(
          s,
          (i) => [x - 1, barHeight + i],
          (i) => [x, barHeight + i],
          height,
        );
        found.right = across(
          s,
          (i) => [x + wide, barHeight + i],
          (i) => [x + wide - 1, barHeight + i],
          height,
        );
      }
      for (const [side, difference] of Object.entries(found) as [keyof typeof said, number][]) {
        if (width >= 1080 || said[side] === 0) {
          expect([what, width, side, difference]).toEqual([what, width, side, said[side]]);
        }
      }
    }
    seen.push(`${what}: ${said.left} ${said.right} ${said.top}`);
    await page.keyboard.press('5');
    return said;
  };

  const before = await judged('a photograph up to the edges');
  expect(Math.min(before.left, before.right, before.top)).toBeGreaterThan(8);

  await page.getByRole('button', { name: 'Take: Fade all sides that meet the page' }).click();
  expect(await judged('WebP, faded into see-through')).toEqual({ left: 0, right: 0, top: 0 });
  await bench.byHand();
  await page.getByRole('radio', { name: 'AVIF' }).click();
  expect(await judged('AVIF, faded into see-through')).toEqual({ left: 0, right: 0, top: 0 });

  // Into the page's colour instead: the file may be off, and Chromium sees by how much.
  await bench.layer('Edge fade').click();
  await page.getByRole('radio', { name: 'a colour', exact: true }).click();
  const colour = page.getByRole('group', { name: 'Colour it fades into: theme colours' });
  await colour.getByRole('button', { name: /: kiln$/ }).click();
  const off: number[] = [];
  for (const format of ['WebP', 'PNG']) {
    await bench.byHand();
    await page.getByRole('radio', { name: format }).click();
    off.push((await judged(`${format}, faded into kiln`)).left);
  }
  expect(off[0]).toBeGreaterThan(0);
  expect(off[1]).toBe(0);
  await bench.byHand();
  await page
    .getByRole('radiogroup', { name: 'Colours', exact: true })
    .getByRole('radio', { name: '64', exact: true })
    .click();
  expect(await judged('PNG of 64 colours, faded into kiln')).toEqual({ left: 0, right: 0, top: 0 });
  expect(seen).toHaveLength(6);
});

test('a divider made by parameters stands on its section without a line, at 360, 768, 1280 and 1920, and at a zoom of 110% @landing', async ({
  bench,
  page,
  browser,
}) => {
  await bench.start();
  await bench.open('Section divider');
  await bench.layer('Clay ridge').click();
  await page.keyboard.press('Delete');
  await page.keyboard.press('5');
  await page.getByRole('radio', { name: 'Divider', exact: true }).click();
  await page.getByRole('button', { name: 'wave', exact: true }).click();
  await page.getByRole('radiogroup', { name: 'Layers' }).getByRole('radio', { name: '3' }).click();
  await page.getByRole('checkbox', { name: 'Smaller on narrow screens' }).check();
  await expect(page.locator('[data-reading="seam-bottom"]')).toHaveAttribute(
    'data-verdict',
    'holds',
  );
  await expect(page.locator('[data-reading="join-x"]')).toHaveAttribute('data-verdict', 'holds');
  const handed = await handOver(bench, page);
  const judge = await browser.newPage();
  const rgb = [0xa4, 0x55, 0x3a];
  for (const width of [360, 768, 1280, 1920]) {
    for (const zoom of [1, 1.1]) {
      const s = await shot(
        judge,
        handed,
        width,
        (html) =>
          `<div style="zoom:${zoom}"><div style="height:200px"></div>${html.replace('…', '').replace('<section', `<section style="height:200px;background:${clay}"`)}</div>`,
      );
      const top = Math.round(200 * zoom);
      // Down each column, once the section's colour has begun in full it goes on: no line of
      // another colour lies between.
      let broken = 0;
      let hung = 0;
      const tall = (width < 800 ? 45 : 90) * zoom;
      for (let x = 0; x < width; x++) {
        let begun = false;
        for (let y = Math.floor(top - tall - 2); y < top + 20; y++) {
          const k = (y * width + x) * 3;
          const is = rgb.every((v, c) => Math.abs(s.data[k + c] - v) === 0);
          if (is && y < top - 2) {
            hung++;
          }
          if (is) {
            begun = true;
          } else if (begun && y >= top - 1) {
            broken++;
          }
        }
        if (!begun) {
          broken++;
        }
      }
      expect([width, zoom, broken]).toEqual([width, zoom, 0]);
      expect(hung).toBeGreaterThan(width);
    }
  }
});

inNewTab(
  'words handed over as live text stand where they stood in the picture @landing',
  async ({ bench, page }) => {
    await bench.start();
    const plan = page.url();
    await bench.open('Header');
    const with_ = await bench.raster();
    await bench.layer('Veldrin').click();
    await page.keyboard.press('h');
    await expect(bench.answer(4)).toContainText('1 text');
    const without = await bench.raster();
    await page.keyboard.press('h');
    await page.keyboard.press('5');
    await page.getByRole('radio', { name: 'Widths', exact: true }).click();
    await page.getByRole('checkbox', { name: '“Veldrin Clayworks” as live text' }).check();
    await expect(page.locator('[data-reading="phone-text"]')).toBeVisible();
    await bench.kept();
    /** The rectangle in which the letters are. */
    const box = (differs: (x: number, y: number) => boolean) => {
      let l = 1e9;
      let t = 1e9;
      let r = -1;
      let b = -1;
      for (let y = 0; y < 220; y++) {
        for (let x = 0; x < 1080; x++) {
          if (differs(x, y)) {
            l = Math.min(l, x);
            t = Math.min(t, y);
            r = Math.max(r, x);
            b = Math.max(b, y);
          }
        }
      }
      return [l, t, r, b];
    };
    const drawn = box(
      (x, y) => Math.abs(with_.data[(y * 1080 + x) * 4] - without.data[(y * 1080 + x) * 4]) > 60,
    );
    await page.goto(plan);
    await page.addStyleTag({
      content:
        '[data-slot], [data-grip], [data-board] > svg, [data-board] > [aria-hidden] { visibility: hidden }',
    });
    await page.setViewportSize({ width: 2000, height: 900 });
    await bench.type('Screen', '1280');
    const words = page.getByTestId('page').getByText('Veldrin Clayworks');
    await expect(words).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
    const board = (await page.getByTestId('page').locator('> div').first().boundingBox())!;
    const scale = board.width / 1280;
    expect(scale).toBe(1);
    const clip = { x: board.x + 100, y: board.y + 84, width: 1080, height: 220 };
    const raw = async () =>
      sharp(await page.screenshot({ clip }))
        .removeAlpha()
        .raw()
        .toBuffer();
    // The plan draws the file anew, without the words; until it has, they are seen twice.
    await expect
      .poll(async () => {
        const shown = await raw();
        await words.evaluate((e) => {
          e.style.visibility = 'hidden';
        });
        const hidden = await raw();
        await words.evaluate((e) => {
          e.style.visibility = '';
        });
        const live = box(
          (x, y) => Math.abs(shown[(y * 1080 + x) * 3] - hidden[(y * 1080 + x) * 3]) > 60,
        );
        return Math.max(...live.map((v, i) => Math.abs(v - drawn[i])));
      })
      .toBeLessThanOrEqual(1);
    expect(drawn[2] - drawn[0]).toBeGreaterThan(300);
  },
);

test('what hangs out over the edge lies over the page beside it, at its place at every width, and is no seam @landing', async ({
  bench,
  page,
  browser,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.getByRole('button', { name: '+ Add' }).click();
  await page.getByRole('menuitem', { name: 'Rectangle', exact: true }).click();
  await page.getByRole('radio', { name: 'Place', exact: true }).click();
  for (const [label, value] of [
    ['Width of the layer', '100'],
    ['Left', '100'],
    ['Top', '200'],
  ]) {
    await bench.type(label, value);
  }
  await bench.ask('Does it blend');
  await page.getByRole('radio', { name: 'Overlap', exact: true }).click();
  await bench.type('Overlap at the bottom', '80');
  await page.getByRole('checkbox', { name: /^“Rectangle” may hang out/ }).check();
  const height = Math.round((await bench.raster()).height);
  expect(height).toBe(300);
  await expect(page.locator('[data-reading="size"]')).toContainText('1080 × 300');
  await expect(page.locator('[data-reading="size"]')).toHaveAttribute('data-verdict', 'holds');
  const handed = await handOver(bench, page);
  const judge = await browser.newPage();
  const body = [0xef, 0xe9, 0xdc];
  for (const width of [360, 768, 1280, 1920]) {
    const s = await shot(judge, handed, width, (html) =>
      onHeaderPage(`${html}<div style="height:300px;background:#efe9dc"></div>`),
    );
    const wide = Math.min(1080, width);
    const k = wide / 1080;
    const x0 = (width - wide) / 2;
    const top = barHeight + Math.round(220 * k);
    const px = (x: number, y: number) => [
      ...s.data.subarray(
        (Math.round(y) * width + Math.round(x)) * 3,
        (Math.round(y) * width + Math.round(x)) * 3 + 3,
      ),
    ];
    // Its middle, some px below the header's lower edge: its own colour, clay. Beside it and
    // farther down: the page.
    const inside = px(x0 + 150 * k, top + 20 * k);
    const beside = px(x0 + 260 * k, top + 20 * k);
    const below = px(x0 + 150 * k, top + 90 * k);
    expect([width, Math.max(...inside.map((v, c) => Math.abs(v - rgbOf(clay)[c]))) <= 6]).toEqual([
      width,
      true,
    ]);
    expect([width, beside, below]).toEqual([width, body, body]);
  }
});

const rgbOf = (hex: string): number[] => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
