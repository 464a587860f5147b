/** Everything that opens, against the rules of accessibility; each gives focus back when it closes. */
import type { Locator, Page } from '@playwright/test';
import { check } from './accessible.fixture';
import { expect, test } from './bench.fixture';

/** What opens a list or a menu, and is to be seen. */
const openers = (page: Page): Locator =>
  page.locator(
    ':is([aria-haspopup=menu], [aria-haspopup=listbox], button[role=combobox]):visible:enabled',
  );

const nameOf = (one: Element): string => one.getAttribute('aria-label') ?? one.textContent.trim();

/** Opens every list and menu of a screen as it is now, by key, once that one is among them. */
async function openAll(page: Page, known: Set<string>, among: string): Promise<void> {
  const names = async () => {
    const all = await openers(page).elementHandles();
    return Promise.all(all.map((one) => one.evaluate(nameOf)));
  };
  await expect.poll(names).toContain(among);
  // By themselves, and not by their places: others come before them as a screen goes on.
  for (const opener of await openers(page).elementHandles()) {
    const name = await opener.evaluate(nameOf);
    if (known.has(name)) {
      continue;
    }
    known.add(name);
    await opener.focus();
    await page.keyboard.press('Enter');
    const opened = page.locator('[role=menu], [role=listbox]');
    await expect(opened, name).toBeVisible();
    await check(page, name, ':is([role=menu], [role=listbox])');
    await page.keyboard.press('Escape');
    await expect(opened, name).toBeHidden();
    await expect
      .poll(() => opener.evaluate((one) => one === document.activeElement), name)
      .toBe(true);
  }
}

/** Looks at a dialog, and closes it by key. */
async function lookAt(page: Page, name: string | RegExp): Promise<void> {
  const dialog = page.getByRole('dialog', { name });
  await expect(dialog).toBeVisible();
  await check(page, String(name));
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect
    .poll(() => page.evaluate(() => document.activeElement === document.body))
    .toBe(false);
}

test('every list, menu and dialog of the plan, the start, the shelf and a set @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  const seen = new Set<string>();
  await openAll(page, seen, 'Colours…');
  const panel = page.getByRole('navigation', { name: 'Panel' });
  await panel.getByRole('button', { name: 'Page layout' }).click();
  await openAll(page, seen, 'Background of the page');
  await panel.getByRole('button', { name: 'Slots' }).click();
  await page.getByRole('button', { name: 'Colours…' }).press('Enter');
  await page.getByRole('menuitem', { name: 'Names and order…' }).press('Enter');
  await lookAt(page, 'Theme colours');
  await page.getByRole('button', { name: 'My own page' }).press('Enter');
  await lookAt(page, 'My own page');
  await page.keyboard.press('Control+k');
  await lookAt(page, 'All commands');
  await page.goto(`${plan}/shelf`);
  await page
    .getByRole('main')
    .getByRole('button', { name: /Clay hills/ })
    .click();
  await openAll(page, seen, 'Licence');
  await page.getByRole('button', { name: 'Credits' }).press('Enter');
  await lookAt(page, /^Credits of/);
  await page.goto(`${plan}/recolour`);
  await page.getByRole('button', { name: 'Try the sample theme' }).click();
  await openAll(page, seen, 'Page of the plan');
  await page.goto('/');
  await openAll(page, seen, 'What it is');
  const more = page.getByRole('button', { name: 'More for Veldrin Clayworks' });
  for (const [item, title] of [
    ['Rename…', 'Rename Veldrin Clayworks'],
    ['Remove…', 'Remove Veldrin Clayworks'],
  ]) {
    await more.press('Enter');
    await page.getByRole('menuitem', { name: item }).press('Enter');
    await lookAt(page, title);
  }
  await page.getByRole('button', { name: 'What our words mean' }).press('Enter');
  await lookAt(page, 'What our words mean');
});

test('every list, menu and dialog of the bench @landing', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  const seen = new Set<string>();
  await openAll(page, seen, 'Screen width');
  await page.keyboard.press('3');
  await bench.layer('Wash').click();
  await openAll(page, seen, 'Blend mode');
  await page.getByRole('radio', { name: 'from a side' }).click();
  await openAll(page, seen, 'Side the wash comes from');
  await bench.layer('Veldrin Clayworks').click();
  await openAll(page, seen, 'Font');
  await page.getByRole('button', { name: 'All steps so far' }).press('Enter');
  await lookAt(page, /steps/i);
  await bench.command('Versions side by side');
  await lookAt(page, /^Versions of/);
  await page.getByRole('button', { name: 'Put right all…' }).press('Enter');
  await lookAt(page, 'Put right');
});
