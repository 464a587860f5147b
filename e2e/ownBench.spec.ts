/** The main job on a page of the owner's own: the picture is worked on lying in it. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { check } from './accessible.fixture';
import { expect, test, type BenchPage } from './bench.fixture';
import { rawPixels } from './served.fixture';

/** The sample with its own page on the plan, and the bench of one of its places. */
async function openPlace(bench: BenchPage, page: Page, slot: string): Promise<string> {
  await bench.start();
  await bench.drop(page.getByRole('main'), [
    {
      name: 'kiln-weekend.mhtml',
      type: '',
      bytes: readFileSync('public/sample/kiln-weekend.mhtml'),
    },
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(dialog).toBeHidden();
  // Messages lie over the page.
  await page.getByRole('button', { name: 'Put this message away' }).click();
  await expect(page.getByRole('button', { name: 'Put this message away' })).toBeHidden();
  const plan = page.url();
  const link = page.getByRole('link', { name: new RegExp(`^${slot} 2, `) });
  await link.focus();
  await link.press('Enter');
  await bench.drawn();
  await expect(page.getByTestId('own-page')).toHaveCSS('visibility', 'visible');
  return plan;
}

const frame = (page: Page) => page.frameLocator('[data-testid=own-page] iframe');

/** Rectangles of all elements of the page in the frame. */
const rectangles = (page: Page): Promise<string[]> =>
  frame(page)
    .locator('html')
    .evaluate((root) =>
      [...root.querySelectorAll('*')].map((element) => {
        const { x, y, width, height } = element.getBoundingClientRect();
        return [element.localName, x, y, width, height].join(' ');
      }),
    );

/** The upper part of the page on the bench at 1:1, without anything over it. */
async function benchShot(page: Page): Promise<Buffer> {
  await page.keyboard.down('p');
  const board = (await page.getByTestId('own-page').boundingBox())!;
  const shot = await page.screenshot({
    clip: { x: board.x, y: board.y, width: 1280, height: 400 },
  });
  await page.keyboard.up('p');
  return shot;
}

/** Px of two shots that are more than two levels apart. */
async function unlike(a: Buffer, b: Buffer): Promise<number> {
  const [x, y] = await Promise.all([rawPixels(a), rawPixels(b)]);
  expect([x.width, x.height]).toEqual([y.width, y.height]);
  let count = 0;
  for (let i = 0; i < x.data.length; i += 3) {
    count += [0, 1, 2].some((c) => Math.abs(x.data[i + c] - y.data[i + c]) > 2) ? 1 : 0;
  }
  return count;
}

test('by mouse: a picture is dragged while it lies in the page, nothing else moves, and the rehearsed page shows what the bench showed @landing', async ({
  bench,
  page,
}) => {
  const plan = await openPlace(bench, page, 'Corner mark');
  const before = await benchShot(page);
  const lain = await rectangles(page);
  await bench.command('Put on top: Kiln glow');
  await expect.poll(async () => unlike(await benchShot(page), before)).toBeGreaterThan(500);
  const area = (await page.getByTestId('picture-area').boundingBox())!;
  // As the style sheet has it.
  expect([Math.round(area.width), Math.round(area.height)]).toEqual([224, 48]);
  const [x, y] = [area.x + area.width / 2, area.y + area.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 40, y + 3, { steps: 12 });
  expect(await rectangles(page)).toEqual(lain);
  await page.mouse.up();
  await bench.kept();
  await check(page, 'a bench in an own page');

  // What is seen before is the page as it was saved.
  await page.getByRole('button', { name: 'Before / after' }).click();
  await expect(page.getByText('Your page as it was saved')).toBeVisible();
  await expect.poll(async () => unlike(await benchShot(page), before)).toBe(0);
  await page.getByRole('button', { name: 'Before / after' }).click();
  await expect.poll(async () => unlike(await benchShot(page), before)).toBeGreaterThan(500);
  await bench.pixels();
  const after = await benchShot(page);

  await page.goto(`${plan}/hand-over`);
  await expect(page.getByRole('button', { name: /^Archive, / })).toBeEnabled({ timeout: 120_000 });
  const [tab] = await Promise.all([
    page.waitForEvent('popup'),
    page.getByRole('button', { name: 'Rehearse', exact: true }).click(),
  ]);
  await tab.waitForURL(/\/rehearsal\//);
  await tab.setViewportSize({ width: 1280, height: 800 });
  const address = tab.url().replace(/[^/]+$/, 'open-kiln-weekend-veldrin-clayworks.html');
  const served = await tab.goto(address);
  expect(served!.status()).toBe(200);
  await tab.waitForLoadState('networkidle');
  const rehearsed = await tab.screenshot({ clip: { x: 0, y: 0, width: 1280, height: 400 } });
  await tab.close();
  expect(await unlike(rehearsed, after)).toBe(0);

  // Both, one over the other: what is left of the edge is the page as it was.
  await page.getByRole('link', { name: 'Before and after, side by side' }).click();
  const both = page.getByRole('main');
  await expect(both.getByText('After, as rehearsed')).toBeVisible();
  await check(page, 'before and after');
  const edge = page.getByRole('slider', { name: 'Before shown' });
  const clip = { x: 0, y: (await both.boundingBox())!.y, width: 1280, height: 300 };
  const seen = () => page.screenshot({ clip });
  await edge.focus();
  await page.keyboard.press('End');
  await expect(both.getByText('After, as rehearsed')).toBeHidden();
  const [was, is] = [before, after].map((shot) =>
    sharp(shot).extract({ left: 0, top: 0, width: 1280, height: 300 }).png().toBuffer(),
  );
  await expect.poll(async () => unlike(await seen(), await was)).toBeLessThan(60 * 40);
  await page.keyboard.press('Home');
  await expect(both.getByText('Before', { exact: true })).toBeHidden();
  await expect.poll(async () => unlike(await seen(), await is)).toBeLessThan(60 * 40);
  expect(await unlike(await was, await is)).toBeGreaterThan(500);
  await page.mouse.move(900, 300);
  await page.mouse.down();
  await page.mouse.move(320, 300);
  await page.mouse.up();
  await expect(edge).toHaveValue('25');
});

test('by keyboard alone: the picture moves in the page, at another screen and in its surroundings’ colour @landing', async ({
  bench,
  page,
}) => {
  await openPlace(bench, page, 'Corner mark');
  await bench.command('Add a shape: rectangle');
  await bench.pixels();
  const mark = async () => {
    await bench.pixels();
    return benchShot(page);
  };
  const there = await mark();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => unlike(await mark(), there)).toBeGreaterThan(0);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => unlike(await mark(), there)).toBe(0);

  // The next screen of the list is wider: the page is laid out for it.
  const wide = () =>
    frame(page)
      .locator('html')
      .evaluate((root) => root.clientWidth);
  expect(await wide()).toBe(1280);
  await page.keyboard.press('w');
  await expect.poll(wide).toBe(1440);

  // The bar is one colour all around the mark: taken from the page's own pixels.
  await page.keyboard.press('5');
  await expect(page.getByRole('radio', { name: 'The page' })).toBeChecked();
  for (const side of ['top', 'right', 'bottom', 'left']) {
    await expect(page.getByRole('button', { name: new RegExp(`^${side}`) })).toBeVisible();
  }
  await expect(page.getByRole('region', { name: 'Readings' })).toContainText(
    'The top edge blends exactly',
  );
});
