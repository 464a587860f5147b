import type { Locator, Page } from '@playwright/test';
import { expect, test, type BenchPage } from './bench.fixture';

test('the whole job without a mouse', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('link', { name: /^Header, .* open its bench/ }).focus();
  await page.keyboard.press('Enter');
  await bench.drawn();

  for (let digit = 1; digit <= 7; digit++) {
    await page.keyboard.press(String(digit));
    await expect(page.locator('[aria-current=step]')).toHaveAttribute(
      'aria-keyshortcuts',
      String(digit),
    );
  }
  // From the back, layer by layer: photo, wash, title.
  await page.keyboard.press('.');
  await expect(bench.layer('Shelf of pots')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('.');
  await page.keyboard.press('.');
  await expect(bench.layer('Veldrin Clayworks')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Words on the picture' })).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('h');
  await expect(bench.answer(4)).toContainText('1 text');
  await page.keyboard.press('h');
  await expect(bench.answer(4)).toContainText('2 texts');
  await page.keyboard.press('d');
  await expect(bench.answer(4)).toContainText('5 layers, 3 texts');
  await page.keyboard.press('Delete');
  await expect(bench.answer(4)).toContainText('4 layers, 2 texts');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(bench.answer(4)).toContainText('4 layers, 2 texts');

  // Held keys show and let go.
  const plain = await bench.pixels();
  await page.keyboard.down('b');
  await expect.poll(() => bench.pixels()).not.toBe(plain);
  await page.keyboard.up('b');
  await expect.poll(() => bench.pixels()).toBe(plain);

  // All commands, searched.
  await page.keyboard.press('Control+k');
  await page.keyboard.type('page plan');
  await page.keyboard.press('Enter');
  await expect(
    page.getByRole('heading', { name: 'Page plan of Veldrin Clayworks' }),
  ).toBeAttached();
});

test('at a narrow screen the header is scaled, and the answer stays exact', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.getByRole('combobox', { name: 'Screen width' }).click();
  await page.getByRole('option', { name: 'Screen 360' }).click();
  const box = (await bench.picture.boundingBox())!;
  expect([box.width, box.height]).toEqual([360, 73]);
  await expect(bench.answer(1)).toContainText('1080 × 220 exact');
  await page.keyboard.press('w');
  await expect(page.getByRole('combobox', { name: 'Screen width' })).toContainText('Screen 412');
});

test('the page has the window alone and gives it back, and focus stays on the screen', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  const tray = page.locator('[data-tray]');
  const before = (await page.getByRole('main').boundingBox())!;
  // What has the focus goes away with the tray.
  await tray.getByRole('button', { name: '+ Add' }).focus();
  await page.keyboard.press('f');
  await expect(tray).toHaveCount(0);
  await expect(page.getByRole('navigation', { name: 'Questions' })).toHaveCount(0);
  const alone = (await page.getByRole('main').boundingBox())!;
  expect(alone.height).toBeGreaterThan(before.height + 200);
  expect(await page.evaluate(() => document.activeElement === document.body)).toBe(false);
  await page.getByRole('button', { name: 'Show the controls' }).click();
  await expect(tray).toBeVisible();
  expect((await page.getByRole('main').boundingBox())!.height).toBe(before.height);
});

test('who clicks away from a field stays away from it, whatever changes on the screen', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('2');
  await page.getByRole('textbox', { name: 'Zoom, figure' }).click();
  await page.getByRole('heading', { name: 'Readings' }).click();
  // Another question changes the tray; its key would go into the field if that had the focus again.
  await page.keyboard.press('3');
  await expect(bench.page.locator('[aria-current=step]')).toHaveAttribute('aria-keyshortcuts', '3');
  await page.keyboard.press('2');
  await expect(bench.page.locator('[aria-current=step]')).toHaveAttribute('aria-keyshortcuts', '2');
  expect(await page.evaluate(() => document.activeElement?.tagName)).not.toBe('INPUT');
});

test('what is chosen in the list of commands has the very next key', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'All commands' }).fill('Add a text');
  // Asked in the same turn as the key was pressed, before anything later can have been drawn.
  const focused = await page.evaluate(async () => {
    const key = new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true });
    document.activeElement!.dispatchEvent(key);
    await Promise.resolve();
    return document.activeElement?.getAttribute('aria-label');
  });
  expect(focused).toBe('Words');
});

/** The header's bench at what lies on top. @returns the field of a text's words */
async function onTop(bench: BenchPage): Promise<Locator> {
  await bench.start();
  await bench.open('Header');
  await bench.ask('What on top');
  return bench.page.getByRole('textbox', { name: 'Words', exact: true });
}

test('letters typed after a text is added from any place are its words @landing', async ({
  bench,
  page,
}) => {
  const words = await onTop(bench);
  const menu = page.getByRole('button', { name: '+ Add' });
  const ways = {
    'menu by mouse': async () => {
      await menu.click();
      await page.getByRole('menuitem', { name: 'Text' }).click();
    },
    'menu by key': async () => {
      await menu.press('Enter');
      await page.getByRole('menuitem', { name: 'Text' }).press('Enter');
    },
    'list of commands': () => bench.command('Add a text'),
  };
  for (const [way, add] of Object.entries(ways)) {
    await add();
    await expect(words, way).toBeFocused();
    await page.keyboard.type(`hldw ${way}`);
    await expect(words, way).toHaveValue(`hldw ${way}`);
    await expect(bench.layer(`hldw ${way}`)).toBeVisible();
  }
});

test('a text lies where the picture is calm, also where one types into it before that is found', async ({
  bench,
  page,
}) => {
  const words = await onTop(bench);
  const top = page.getByRole('textbox', { name: 'Top', exact: true });
  await bench.command('Add a text');
  // It is a step once its place is known.
  const undo = page.getByRole('button', { name: /^Undo: Add / });
  await expect(undo).toBeVisible();
  await page.getByRole('radio', { name: 'Place' }).click();
  const calm = await top.inputValue();
  await undo.click();
  await bench.command('Add a text');
  await page.keyboard.type('Fired twice');
  await expect(words).toHaveValue('Fired twice');
  await expect(page.getByRole('button', { name: /^Undo: (Add|Change) / })).toBeVisible();
  await page.getByRole('radio', { name: 'Place' }).click();
  await expect(top).toHaveValue(calm);
});

/** Keys of one task: none of what a page does after a key has been done before the next. */
const atOnce = (page: Page, keys: readonly string[]) =>
  page.evaluate((all) => {
    for (const key of all) {
      document.activeElement!.dispatchEvent(
        new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
      );
    }
  }, keys);

test('keys that come faster than a list moves its focus choose what they went to', async ({
  page,
}) => {
  await page.goto('/');
  const kind = page.getByRole('combobox', { name: 'What it is' });
  await kind.press('Enter');
  await expect(page.getByRole('option', { name: 'Header' })).toBeFocused();
  await atOnce(page, ['p', 'Enter']);
  await expect(kind).toHaveText('Page background');
  await expect(page.getByRole('textbox', { name: 'Width' })).toHaveValue('1920');
  await kind.press('Enter');
  await expect(page.getByRole('option', { name: 'Page background' })).toBeFocused();
  await atOnce(page, ['Home', 'ArrowDown', 'ArrowUp', 'Enter']);
  await expect(kind).toHaveText('Header');
});

test('in a menu too', async ({ bench, page }) => {
  await bench.start();
  await page.goto('/');
  await page.getByRole('button', { name: /^More for / }).press('Enter');
  await expect(page.getByRole('menuitem', { name: 'Rename…' })).toBeFocused();
  await atOnce(page, ['End', 'Enter']);
  await expect(page.getByRole('dialog')).toContainText('Remove');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});
