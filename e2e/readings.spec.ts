/** Readings in words, their place, what is meant so, and all of them put right at once. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { check } from './accessible.fixture';
import { expect, test } from './bench.fixture';

const pots = 'public/library/three-glazes.jpg';
const reading = (page: Page, id: string) => page.locator(`[data-reading="${id}"]`);

test('an edge that shows is a choice: why, its place, meant to be seen and taken back @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.drop(page.getByTestId('picture-area'), [
    { name: 'glazes.jpg', type: 'image/jpeg', bytes: readFileSync(pots) },
  ]);
  await expect(bench.layer('glazes')).toBeVisible();
  const weight = page.getByRole('region', { name: 'Readings' }).getByRole('definition').nth(1);
  await expect(weight).toHaveText(/KB$/);
  const top = reading(page, 'seam-top');
  await expect(top).toHaveAttribute('data-verdict', 'look');
  await expect(top).toContainText('The top edge shows as a line');
  // No figure of a standard before one asks.
  await expect(page.getByRole('region', { name: 'Readings' })).not.toContainText(
    /level|CIEDE2000|ΔE|L\*/,
  );
  await expect(page.getByTestId('why-spot')).toHaveCount(0);
  // What one presses stays where it is though all is measured anew meanwhile.
  const why = top.getByRole('button', { name: 'Why: Top edge against page' });
  await why.hover();
  const before = await weight.textContent();
  await page.mouse.down();
  await page.keyboard.press('Control+z');
  await expect(weight).not.toHaveText(before!);
  await page.keyboard.press('Control+Shift+z');
  await expect(weight).toHaveText(before!);
  await page.mouse.up();
  await expect(top).toContainText(/of 255 off .*CIEDE2000 .*none is wanted\./);
  // It is marked at the upper edge, where the sentence says.
  const along = Number(/worst (\d+) px along/.exec(await top.innerText())![1]);
  const spot = page.getByTestId('why-spot').locator('rect').first();
  expect(Number(await spot.getAttribute('y'))).toBe(0);
  const x = Number(await spot.getAttribute('x'));
  expect(along).toBeGreaterThanOrEqual(x);
  expect(along).toBeLessThanOrEqual(x + 40);
  await top.getByRole('button', { name: /^Put right/ }).hover();
  await check(page, 'readings with a reason, one about to be put right');

  await top.getByRole('button', { name: /^Meant to be seen/ }).click();
  await expect(top).toHaveAttribute('data-verdict', 'holds');
  await expect(top).toContainText('meant so');
  await bench.kept();
  await page.reload();
  await bench.drawn();
  await expect(top).toHaveAttribute('data-verdict', 'holds');
  await top.getByRole('button', { name: /^Not meant/ }).click();
  await expect(top).toHaveAttribute('data-verdict', 'look');
});

test('all is put right in one step that is seen before it is taken', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  await bench.drop(page.getByTestId('picture-area'), [
    { name: 'glazes.jpg', type: 'image/jpeg', bytes: readFileSync(pots) },
  ]);
  await expect(bench.layer('glazes')).toBeVisible();
  const words = reading(page, 'legibility');
  await expect(words).toHaveAttribute('data-verdict', 'fails');
  await expect(words).toContainText(/^.*Hard to read (?:at the|in the) /);
  const before = await bench.pixels();
  await page.getByRole('button', { name: 'Put right all…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Put right' });
  // What fails is chosen, a choice is not.
  const chosen = (name: RegExp) => dialog.getByRole('checkbox', { name });
  await expect(chosen(/Hard to read/)).toBeChecked();
  await expect(chosen(/The top edge shows as a line/)).not.toBeChecked();
  const look = (name: string) =>
    dialog.getByRole('img', { name }).evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      return data.reduce((sum, v) => sum + v, 0);
    });
  await expect(dialog.locator('[aria-busy=true]')).toHaveCount(0);
  expect(await look('Header, after')).not.toBe(await look('Header, before'));
  await check(page, 'put right', '[role=dialog]');
  // Each edge has a mend of its own; together they are one.
  for (const side of ['top', 'right', 'left']) {
    await chosen(new RegExp(`The ${side} edge shows as a line`)).check();
  }
  await dialog.getByRole('button', { name: /^Put right \d+$/ }).click();
  await expect(dialog).toBeHidden();
  await expect(words).toHaveAttribute('data-verdict', 'holds');
  for (const side of ['top', 'right', 'left']) {
    await expect(reading(page, `seam-${side}`)).toHaveAttribute('data-verdict', 'holds');
  }
  await page.keyboard.press('Control+z');
  await expect.poll(() => bench.pixels()).toBe(before);
});
