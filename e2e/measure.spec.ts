/** The ways of measuring, at the bench and by key. */
import { readFileSync } from 'node:fs';
import { expect, test } from './bench.fixture';
import { slateTheme, zipOf } from './theme.fixture';

test('a divider’s height is found from its section, by key alone @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Section divider');
  await page.keyboard.press('1');
  const ways = page.getByRole('radiogroup', { name: 'Measure by' });
  await ways.getByRole('radio', { name: 'Numbers' }).focus();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('ArrowRight');
  }
  await expect(ways.getByRole('radio', { name: 'Section' })).toBeFocused();
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await bench.type('Height of the section', '633');
  const sixth = page.getByRole('button', { name: /^106 px\s*1\/6 usual$/ });
  await sixth.focus();
  await page.keyboard.press('Enter');
  await expect(bench.answer(1)).toContainText('1920 × 106');
  await expect(sixth).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.press('Control+z');
  await expect(bench.answer(1)).toContainText('1920 × 90');
});

test('known sizes say where they are from, and the owner’s own are kept beside them', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('1');
  await page.getByRole('radio', { name: 'Known sizes' }).click();
  const list = page.getByRole('list', { name: 'Known sizes' });
  await expect(
    list.getByRole('button', { name: /Content, 5 to 1\s*1080 × 216\s*Home/ }),
  ).toBeVisible();
  await expect(list.getByRole('button', { name: /1200 × 630\s*Open Graph/ })).toBeVisible();
  await page.getByRole('button', { name: 'Keep 1080 × 220' }).click();
  await expect(list.getByRole('button', { name: /1080 × 220\s*yours/ })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await list.getByRole('button', { name: /Content, 8 to 1/ }).click();
  await expect(bench.answer(1)).toContainText('1080 × 135');
  await page.getByRole('radio', { name: 'Numbers' }).click();
  await bench.type('Width', '1000');
  // 80 px short of the content: a reading says so, and mends it.
  await expect(page.locator('[data-reading=header-width]')).toContainText('−80 px');
  await page
    .getByRole('button', { name: 'Put right Width against content: Make it 1080 px wide' })
    .click();
  await expect(bench.answer(1)).toContainText('1080 × 135');
});

test('widths and pictures of a style sheet give sizes at the bench', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('1');
  await page.getByRole('radio', { name: 'Style sheet' }).click();
  const drop = page.getByRole('group', { name: 'Style sheet' });
  const sizes = page.getByRole('list', { name: 'Sizes in the style sheet' });
  await bench.drop(drop, [
    { name: 'slate.zip', type: 'application/zip', bytes: zipOf(await slateTheme()) },
  ]);
  await expect(sizes.getByRole('button', { name: /940 × 198/ })).toContainText(
    'slate/images/header.jpg',
  );
  await sizes.getByRole('button', { name: /940 × 198/ }).click();
  await expect(bench.answer(1)).toContainText('940 × 198');
  // A general style sheet as it is published: its containers are widths to take.
  await bench.drop(drop, [
    {
      name: 'bootstrap.css',
      type: 'text/css',
      bytes: readFileSync('node_modules/bootstrap/dist/css/bootstrap.css'),
    },
  ]);
  await sizes.getByRole('button', { name: /1140 wide.*from 1200 px/ }).click();
  await expect(bench.answer(1)).toContainText('1140 × 198');
});

test('the plan from the list of all commands', async ({ bench, page }) => {
  await bench.start();
  const run = async (words: string) => {
    await page.keyboard.press('Control+k');
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
  };
  await page.keyboard.press('w');
  await expect(page.getByRole('main')).toHaveAttribute('aria-label', 'Home at a screen of 1920 px');
  await run('next page');
  await expect(page.getByRole('main')).toHaveAttribute(
    'aria-label',
    'Kiln diary at a screen of 1920 px',
  );
  await run('page layout');
  await expect(page.getByRole('region', { name: 'Content width' })).toBeVisible();
  await run('own page');
  await expect(page.getByRole('dialog', { name: 'My own page' })).toBeVisible();
  await page.keyboard.press('Escape');
  await run('bench of corner');
  await expect(page.getByRole('heading', { name: 'Bench of Corner mark' })).toBeAttached();
});
