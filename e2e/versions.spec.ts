/** Several versions of a slot's picture, side by side in the page; the chosen one is handed over. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { check } from './accessible.fixture';
import { expect, test } from './bench.fixture';

/** Px of what is seen of a version, as a number that differs where they do. */
const seenOf = (page: Page, name: string): Promise<string> =>
  page
    .getByRole('img', { name: `${name} in the page` })
    .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL('image/png'));

test('a version is begun, seen beside the first, named, chosen and handed over; one undo takes each step back @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  await bench.open('Header');
  const first = await bench.pixels();
  await page.getByRole('button', { name: 'Versions', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Versions of Header' });
  await dialog.getByRole('button', { name: 'Another version' }).click();
  await expect(dialog.getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Version 2 of 2' })).toBeVisible();
  await bench.add('Wash');
  await expect.poll(() => bench.pixels()).not.toBe(first);
  const second = await bench.pixels();

  // By key alone.
  await bench.command('Versions side by side');
  await expect(dialog.getByText(/\d KB$/)).toHaveCount(2);
  expect(await seenOf(page, 'Version 1')).not.toBe(await seenOf(page, 'Version 2'));
  await check(page, 'versions side by side');
  await dialog.getByRole('textbox', { name: 'Name of Version 2' }).fill('Washed');
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('button', { name: 'Washed is handed over' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Hand over Version 1' }).focus();
  await page.keyboard.press('Enter');
  await expect(dialog.getByRole('button', { name: 'Version 1 is handed over' })).toBeDisabled();
  await page.keyboard.press('Escape');
  await expect.poll(() => bench.pixels()).toBe(first);
  await page.keyboard.press('Control+z');
  await expect.poll(() => bench.pixels()).toBe(second);
  await bench.kept();

  // What is chosen goes out; both stay in the site.
  await page.goto(`${plan}/hand-over`);
  await expect(page.getByRole('button', { name: /^Archive, / })).toBeEnabled({ timeout: 90_000 });
  const weight = page.locator('[data-file="pictures/header.webp"]').getByText(/KB$/);
  const washed = await weight.textContent();
  await page.goto(plan);
  await bench.open('Header');
  await bench.command('Versions side by side');
  await dialog.getByRole('button', { name: 'Hand over Version 1' }).click();
  await dialog.getByRole('button', { name: 'Remove Washed' }).click();
  await expect(dialog.getByRole('listitem')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect.poll(() => bench.pixels()).toBe(first);
  await bench.kept();
  await page.goto(`${plan}/hand-over`);
  await expect(page.getByRole('button', { name: /^Archive, / })).toBeEnabled({ timeout: 90_000 });
  expect(await weight.textContent()).not.toBe(washed);
});

test('in a page of the owner’s own each version lies in the page itself @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.drop(page.getByRole('main'), [
    {
      name: 'kiln-weekend.mhtml',
      type: '',
      bytes: readFileSync('public/sample/kiln-weekend.mhtml'),
    },
  ]);
  const door = page.getByRole('dialog', { name: 'My own page' });
  await door.getByRole('button', { name: 'Take it over' }).click();
  await expect(door).toBeHidden();
  await page.getByRole('button', { name: 'Put this message away' }).click();
  await page.getByRole('link', { name: /^Corner mark 2, / }).focus();
  await page.keyboard.press('Enter');
  await bench.drawn();
  await bench.command('Versions side by side');
  const dialog = page.getByRole('dialog', { name: 'Versions of Corner mark 2' });
  await dialog.getByRole('button', { name: 'Another version' }).click();
  await page.keyboard.press('Escape');
  await bench.command('Put on top: Kiln glow');
  await bench.kept();
  await bench.command('Versions side by side');
  await expect(dialog.getByRole('img', { name: 'Version 2 in the page' })).toBeVisible();
  await expect(dialog.getByText(/\d KB$/)).toHaveCount(2);
  const sizes = await dialog
    .getByRole('img')
    .evaluateAll((all) => all.map((c) => (c as HTMLCanvasElement).width));
  expect(sizes).toEqual([1280, 1280]);
  expect(await seenOf(page, 'Version 1')).not.toBe(await seenOf(page, 'Version 2'));
});
