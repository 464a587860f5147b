import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { expect, inNewTab, test, type BenchPage } from './bench.fixture';
import type { Page } from '@playwright/test';

const facet = (page: Page, name: string) =>
  page
    .getByRole('radiogroup', { name: 'What is looked at' })
    .getByRole('radio', { name, exact: true })
    .click();
const reading = (page: Page, id: string) => page.locator(`[data-reading="${id}"]`);
const said = (page: Page, id: string, verdict: string) =>
  expect(reading(page, id)).toHaveAttribute('data-verdict', verdict);

async function at(bench: BenchPage, page: Page, slot: string, name?: string): Promise<void> {
  await bench.open(slot);
  await page.keyboard.press('5');
  if (name) {
    await facet(page, name);
  }
}

/** A photograph that is dark at its left and light at its right. */
const slope = (): Promise<Buffer> =>
  sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="640" height="640"><defs><linearGradient id="g"><stop offset="0" stop-color="#203040"/><stop offset="1" stop-color="#e0c080"/></linearGradient></defs><rect width="640" height="640" fill="url(#g)"/></svg>',
    ),
  )
    .png()
    .toBuffer();

test('the seam: ways with their prices, tried before they are taken; differences enlarged; taken, and undone', async ({
  bench,
  page,
}) => {
  await bench.start();
  await at(bench, page, 'Header');
  // A photo that stands in the page as a picture: its edge is a choice.
  await said(page, 'seam-top', 'look');
  const figure = await reading(page, 'seam-top').locator('.figure').last().innerText();
  const levels = Number(/^off by (\d+)$/.exec(figure)![1]);
  const row = page.locator('[data-way=fade-all]');
  await expect(row).toHaveAttribute('data-tried', 'true');
  await expect(row).toContainText(/exact[+−]\d+\.\d KB/);
  // The enlarged patch: what is on the page above, the file below; at ×8 the file's difference from
  // it is eight times as large.
  const patch = () =>
    page.locator('canvas[data-patch=top]').evaluate((c: HTMLCanvasElement) => {
      const { data } = c.getContext('2d')!.getImageData(0, 0, c.width, c.height);
      const k = (c.width * (c.height / 2) + 9) * 4;
      const up = 9 * 4;
      return [0, 1, 2].map((i) => data[k + i] - data[up + i]);
    });
  const once = await patch();
  expect(Math.max(...once.map(Math.abs))).toBe(levels);
  await page.getByRole('radio', { name: '×8' }).click();
  const eight = await patch();
  once.forEach((d, i) => {
    if (Math.abs(d) > 0 && Math.abs(eight[i]) < 100 && Math.abs(d) * 8 < 59) {
      expect(eight[i]).toBe(d * 8);
    }
  });
  expect(eight).not.toEqual(once);
  await row.getByRole('button', { name: /^Take/ }).click();
  for (const side of ['top', 'left', 'right']) {
    await said(page, `seam-${side}`, 'holds');
  }
  await expect(bench.layer('Edge fade')).toBeVisible();
  await page.keyboard.press('Control+z');
  await said(page, 'seam-top', 'look');
  await expect(reading(page, 'seam-top').locator('.figure').last()).toHaveText(figure);
});

test('the page takes the colour a JPEG really has, and the style sheet says so @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await at(bench, page, 'Corner mark');
  await bench.layer('Ground').click();
  await page.getByRole('radio', { name: 'Colour', exact: true }).click();
  // One of the three colours in four that a JPEG cannot hold.
  await bench.type('Ground colour', '#1b3a4b');
  await bench.byHand();
  await page.getByRole('radio', { name: 'JPEG' }).click();
  await page.keyboard.press('5');
  await said(page, 'seam-left', 'fails');
  const way = page.locator('[data-way=page]');
  await expect(way).toHaveAttribute('data-tried', 'true');
  const colour = (await way.innerText()).match(/#[0-9a-f]{6}/)![0];
  expect(colour).not.toBe('#1b3a4b');
  await way.getByRole('button', { name: /^Take/ }).click();
  await said(page, 'seam-left', 'holds');
  await page.keyboard.press('7');
  await expect(page.locator('[data-snippet=CSS]')).toContainText(`background-color: ${colour}`);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('5');
  await said(page, 'seam-left', 'fails');
});

test('a tile that does not join: three ways, each previewed; mirrored it joins, sideways and downwards, and can be undone @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Page background');
  await bench.byHand();
  await page.getByRole('radio', { name: 'PNG' }).click();
  await page.keyboard.press('5');
  await facet(page, 'Repeat');
  await said(page, 'join-x', 'holds');
  await bench.drop(page.getByRole('main'), [
    { name: 'slope.png', type: 'image/png', bytes: await slope() },
  ]);
  await said(page, 'join-x', 'fails');
  const ways = page.getByRole('region', { name: 'Make it join sideways' }).getByRole('listitem');
  // In a file without loss there is no fourth way, the same without loss.
  await expect(ways).toHaveCount(3);
  for (let i = 0; i < 3; i++) {
    await expect(ways.nth(i)).toHaveAttribute('data-tried', 'true');
    await expect(ways.nth(i).locator('canvas')).toBeVisible();
    await expect(ways.nth(i)).toContainText('joins');
  }
  await page.getByRole('button', { name: 'Take: Mirror its half' }).click();
  await said(page, 'join-x', 'holds');
  const { data, width } = await bench.raster();
  for (let x = 0; x < width / 2; x += 7) {
    expect([...data.subarray(x * 4, x * 4 + 3)]).toEqual([
      ...data.subarray((width - 1 - x) * 4, (width - 1 - x) * 4 + 3),
    ]);
  }
  await bench.layer('Join').click();
  await page.getByRole('radio', { name: 'both', exact: true }).click();
  await said(page, 'join-y', 'holds');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await said(page, 'join-x', 'fails');
});

test('a strip: read from a picture, its last row told, and written as the page’s colour @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  await bench.open('Page background');
  await page.keyboard.press('1');
  await page.getByRole('radio', { name: 'On the page' }).click();
  await page.getByRole('combobox', { name: 'Repeat' }).click();
  await page.getByRole('option', { name: 'sideways', exact: true }).click();
  await page.keyboard.press('5');
  await facet(page, 'Strip');
  await page.getByRole('combobox', { name: 'Picture to read a gradient from' }).click();
  await page.getByRole('option', { name: 'Sidebar strip' }).click();
  await page.getByRole('button', { name: 'Read it' }).click();
  await expect(bench.layer('Ground')).toContainText('gradient');
  await bench.byHand();
  await page.getByRole('radio', { name: 'PNG' }).click();
  await page.keyboard.press('5');
  await said(page, 'strip-end', 'fails');
  await said(page, 'banding', 'holds');
  const { data } = await bench.raster();
  const k = 319 * 320 * 4;
  const hex = `#${[...data.subarray(k, k + 3)].map((v) => v.toString(16).padStart(2, '0')).join('')}`;
  await expect(reading(page, 'strip-end').locator('.figure').last()).toHaveText(hex);
  for (let x = 0; x < 320; x++) {
    expect([...data.subarray(k + x * 4, k + x * 4 + 3)]).toEqual([...data.subarray(k, k + 3)]);
  }
  await reading(page, 'strip-end')
    .getByRole('button', { name: /^Put right/ })
    .click();
  await said(page, 'strip-end', 'holds');
  await bench.kept();
  await page.goto(plan);
  await expect(
    page
      .getByTestId('page')
      .locator(`[style*="${`rgb(${[...data.subarray(k, k + 3)].join(', ')})`}"]`)
      .first(),
  ).toBeAttached();
});

test('a divider by key alone: another profile, another one of it, smaller on phones, handed over as SVG', async ({
  bench,
  page,
}) => {
  await bench.start();
  await at(bench, page, 'Section divider', 'Divider');
  await page.getByRole('button', { name: 'torn', exact: true }).focus();
  await page.keyboard.press('Enter');
  await expect(bench.layer('Torn')).toBeVisible();
  const before = await bench.raster();
  await page.getByRole('button', { name: 'Another one' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Number' })).toHaveValue('2');
  expect(
    Buffer.compare(Buffer.from((await bench.raster()).data), Buffer.from(before.data)),
  ).not.toBe(0);
  await page.getByRole('checkbox', { name: 'Smaller on narrow screens' }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('figure').filter({ hasText: 'phone' })).toContainText('45 px');
  await expect(page.getByRole('figure').filter({ hasText: 'desktop' })).toContainText('90 px');
  await bench.type('Height on narrow screens', 'tall');
  await expect(
    page.getByRole('alert').filter({ hasText: 'Expected 5 to 400, found “tall”.' }),
  ).toBeVisible();
  await page.keyboard.press('Escape');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Download as SVG' }).press('Enter'),
  ]);
  const { info } = await sharp(readFileSync(await download.path()))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([1920, 90]);
  await said(page, 'seam-bottom', 'holds');
});

test('narrow screens: words too small are said, a second arrangement is made, edited on its own bench, shown on the plan, and taken away again @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  await at(bench, page, 'Header', 'Widths');
  await said(page, 'phone-text', 'fails');
  await expect(reading(page, 'phone-text').locator('.figure').last()).toHaveText('6.6 px');
  await page.getByRole('button', { name: 'A second arrangement for narrow screens' }).click();
  await expect(reading(page, 'phone-text')).toHaveCount(0);
  await page.keyboard.press('7');
  await expect(page.locator('[data-snippet=HTML]')).toContainText(
    '<source media="(max-width: 599.98px)" type="image/webp" srcset="pictures/header-narrow.webp 480w, pictures/header-narrow-2x.webp 960w"',
  );
  await page.keyboard.press('5');
  await facet(page, 'Widths');
  await page.getByRole('button', { name: 'Open its bench' }).click();
  await expect(page.getByRole('main')).toHaveAttribute(
    'aria-label',
    'Header, narrow on its page, at a screen of 412 px',
  );
  await bench.drawn();
  await page.keyboard.press('5');
  await said(page, 'phone-text', 'holds');
  await bench.kept();
  await page.goto(plan);
  await bench.type('Screen', '400');
  await expect(page.locator('[data-slot="header-narrow"]')).toBeVisible();
  await bench.type('Screen', '800');
  await expect(page.locator('[data-slot="header"]')).toBeVisible();
  await at(bench, page, 'Header', 'Widths');
  await page.getByRole('button', { name: 'Remove it' }).click();
  await expect(reading(page, 'phone-text')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(reading(page, 'phone-text')).toHaveCount(0);
});

test('a veil behind the words alone reaches the contrast, and leaves the rest of the picture as it was @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await at(bench, page, 'Header', 'Words');
  await said(page, 'legibility', 'fails');
  const before = await bench.raster();
  await page.getByRole('radio', { name: 'behind them' }).click();
  await page.getByRole('button', { name: /^Veil: kiln \d+%$/ }).click();
  await said(page, 'legibility', 'holds');
  const after = await bench.raster();
  const differs = (x: number, y: number) =>
    [0, 1, 2].some(
      (c) => after.data[(y * 1080 + x) * 4 + c] !== before.data[(y * 1080 + x) * 4 + c],
    );
  expect(differs(540, 138)).toBe(true);
  for (const [x, y] of [
    [60, 30],
    [60, 190],
    [1020, 30],
    [1020, 190],
  ]) {
    expect([x, y, differs(x, y)]).toEqual([x, y, false]);
  }
  await page.keyboard.press('Control+z');
  await said(page, 'legibility', 'fails');
});

test('a busy background is calmed by the way that is taken @landing', async ({ bench, page }) => {
  await bench.start();
  await at(bench, page, 'Page background', 'Calm');
  await said(page, 'calm', 'holds');
  await bench.type('How busy it may be at most', '0.5');
  await said(page, 'calm', 'fails');
  const ways = page.getByRole('region', { name: 'Ways to calm it' }).getByRole('listitem');
  await expect(ways.first()).toHaveAttribute('data-tried', 'true');
  await expect(ways.first()).toContainText('calm');
  await ways
    .first()
    .getByRole('button', { name: /^Take: Veil/ })
    .click();
  await said(page, 'calm', 'holds');
  await page.keyboard.press('Control+z');
  await said(page, 'calm', 'fails');
});

inNewTab(
  'a divider by a line of one’s own: drawn, points moved, out of a picture, and kept as SVG @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.open('Section divider');
    await page.getByRole('combobox', { name: 'Screen width' }).click();
    await page.getByRole('option', { name: 'Screen 1920' }).click();
    await page.getByRole('radio', { name: 'Fit', exact: true }).click();
    await bench.ask('Does it blend');
    await page.getByRole('radio', { name: 'Divider', exact: true }).click();
    await page.getByRole('button', { name: 'own line' }).click();
    await expect(page.getByText('Draw the line from left to right')).toBeVisible();
    const area = (await page.getByTestId('picture-area').boundingBox())!;
    const at = (u: number, level: number) =>
      [area.x + u * area.width, area.y + (1 - level) * area.height] as const;
    const hill = (u: number) => 0.3 + 0.5 * Math.exp(-((u - 0.35) ** 2) / 0.01);
    await page.mouse.move(...at(0.002, hill(0)));
    await page.mouse.down();
    for (let i = 1; i <= 80; i++) {
      await page.mouse.move(...at(0.002 + (0.996 * i) / 80, hill(i / 80)));
    }
    await page.mouse.up();
    const points = page.getByRole('button', { name: /^Point \d+ of/ });
    await expect(points.nth(3)).toBeVisible();
    /** How high the own line's colour stands at a share of the width, 0..1. */
    const heightAt = async (u: number): Promise<number> => {
      const { width, height, data } = await bench.raster();
      const x = Math.round(u * width);
      for (let y = 0; y < height; y++) {
        const [r, g, b, a] = data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4);
        if (a === 255 && r === 0xa4 && g === 0x55 && b === 0x3a) {
          return 1 - y / height;
        }
      }
      return 0;
    };
    // Alone, without what the sample had there.
    await bench.layer('Clay ridge').click();
    await page.keyboard.press('Delete');
    for (const u of [0.1, 0.35, 0.45, 0.8]) {
      expect(Math.abs((await heightAt(u)) - hill(u))).toBeLessThan(0.08);
    }

    await bench.layer('Own line').click();
    await page.getByRole('button', { name: 'Draw it' }).click();
    const count = await points.count();
    const high = page.getByRole('button', { name: /^Point \d+ of .*: 3[3-7]% across/ }).first();
    const before = await high.getAttribute('aria-label');
    await high.focus();
    await page.keyboard.press('Shift+ArrowUp');
    await expect(high).not.toHaveAttribute('aria-label', before!);
    await expect(high).toBeFocused();
    await page.keyboard.press('Delete');
    await expect(points).toHaveCount(count - 1);
    await page.keyboard.press('Control+z');
    await expect(points).toHaveCount(count);

    await page.setInputFiles(
      'input[data-picks="The outline of a picture"]',
      'public/library/dusk-over-the-yard.jpg',
    );
    await expect(page.getByText(/dusk-over-the-yard.jpg: nothing stands out/)).toBeVisible();
    await expect(points).toHaveCount(count);
    await page.setInputFiles(
      'input[data-picks="The outline of a picture"]',
      'public/library/bowls-in-a-row.jpg',
    );
    await expect(points).not.toHaveCount(count);
    expect(await heightAt(0.42)).toBeGreaterThan(0.8);
    expect(await heightAt(0.15)).toBeLessThan(0.25);

    const saved = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Download as SVG' }).click();
    const svg = readFileSync(await (await saved).path());
    const drawn = await bench.raster();
    const { data } = await sharp(svg).raw().toBuffer({ resolveWithObject: true });
    let off = 0;
    for (let i = 3; i < data.length; i += 4) {
      off += Math.abs(data[i] - drawn.data[i]) > 40 ? 1 : 0;
    }
    expect(off).toBeLessThan(data.length / 4 / 500);
  },
);
