import { zipSync } from 'fflate';
import { check } from './accessible.fixture';
import { expect, test } from './bench.fixture';
import { ownPages } from './ownPages.fixture';

const bytesOf = (data: Uint8Array) => new Uint8Array(data);

test('a saved page is dropped on the plan, shown as it is, and what is ticked of it becomes slots under their files’ names', async ({
  bench,
  page,
}) => {
  await bench.start();
  const own = (await ownPages()).find((p) => p.name === 'floats, XHTML')!;
  await bench.drop(page.getByRole('main'), [
    { name: 'home.html', type: 'text/html', bytes: Buffer.from(own.html.replaceAll('theme/', '')) },
    {
      name: 'style.css',
      type: 'text/css',
      bytes: Buffer.from(
        Buffer.from(own.files['theme/style.css']).toString().replaceAll('images/', ''),
      ),
    },
    ...['tile', 'hero', 'side strip'].map((name) => ({
      name: `${name}.png`,
      type: 'image/png',
      bytes: Buffer.from(own.files[`theme/images/${name}.png`]),
    })),
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.getByText('home.html')).toBeVisible();
  const found = dialog.locator('[data-found]');
  await expect(found).toHaveCount(3);
  await expect(dialog.locator('[data-found="hero.png"]')).toContainText('Header');
  await expect(dialog.locator('[data-found="hero.png"]')).toContainText('940 × 198');
  await expect(dialog.locator('[data-found="tile.png"]')).toContainText('Page background');
  await expect(dialog.locator('[data-found="tile.png"]')).toContainText(/\d+% under #wrap/);
  await expect(dialog.locator('[data-found="side strip.png"]')).toContainText('Sidebar strip');
  await expect(dialog.locator('[data-found="hero.png"]')).toContainText('style.css, line 2');
  // Where the pointer was left, another place may be pointed at.
  await dialog.getByRole('heading', { name: 'My own page' }).hover();
  await expect(dialog.locator('[data-place]')).toHaveCount(3);
  await check(page, 'my own page', '[role=dialog]');
  await dialog.getByRole('checkbox', { name: 'Take side strip.png' }).uncheck();
  await dialog.getByRole('heading', { name: 'My own page' }).hover();
  await dialog.getByRole('radio', { name: '768' }).click();
  await expect(dialog.locator('[data-place]')).toHaveCount(2);
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByText('Your page stands on the plan with 2 slots.')).toBeVisible();
  // Under their files' names and of their very sizes, with the files in them; one step takes it back.
  for (const [name, size] of [
    ['Header', '940 × 198'],
    ['Page background', '64 × 64'],
  ]) {
    await expect(
      page.getByRole('listitem').filter({ hasText: name }).filter({ hasText: size }),
    ).toHaveCount(1);
  }
  // Its folder, as it came, is a set to recolour.
  await page.getByRole('button', { name: 'Recolour a set' }).click();
  await page.getByRole('button', { name: 'Recolour the page you brought: Floats' }).click();
  await expect(page.getByRole('heading', { name: 'Recolour a set: Floats' })).toBeAttached();
  await expect(page.getByText('3 pieces, 1 style sheet')).toBeVisible();
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  await expect(page.frameLocator('iframe').first().locator('#wrap')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: Open Floats/ }).click();
  await page.getByRole('link', { name: 'Veldrin Clayworks' }).click();
  await page.getByRole('button', { name: /^Undo: Take Floats with 2 places/ }).click();
  await expect(page.getByText('940 × 198')).toHaveCount(0);
});

test('a zip of a site with several pages is chosen in the door, and each page is looked at @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.getByRole('button', { name: 'My own page' }).click();
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.getByRole('heading', { name: 'Your page, as it is' })).toBeVisible();
  await check(page, 'the door', '[role=dialog]');
  const [flex, rtl] = (await ownPages()).filter((p) => /^(flex|right)/.test(p.name));
  const entries = [
    ['site/index.html', Buffer.from(flex.html)],
    ['site/blog/index.html', Buffer.from(rtl.html)],
    ...Object.entries(flex.files).map(([path, data]) => [`site/${path}`, data]),
    ...Object.entries(rtl.files).map(([path, data]) => [`site/blog/${path}`, data]),
  ] as const;
  const zip = zipSync(
    Object.fromEntries(entries.map(([path, data]) => [path, bytesOf(data as Uint8Array)])),
  );
  await page.setInputFiles('[role=dialog] input[data-picks="Pieces"]', {
    name: 'site.zip',
    mimeType: 'application/zip',
    buffer: Buffer.from(zip),
  });
  const found = dialog.locator('[data-found]');
  await expect(dialog.locator('[data-found="hero.png"]')).toContainText('940 × 198');
  // The part after the bar's content is among what was found, though little.
  await expect(dialog.locator('[data-found="mark.png"]')).toContainText('::after');
  await expect(dialog.getByRole('checkbox', { name: 'Take mark.png' })).not.toBeChecked();
  await expect(found).toHaveCount(3);
  await dialog.getByRole('radio', { name: 'index.html' }).nth(1).click();
  await expect(dialog.locator('[data-found="flow.png"]')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
});

test('what is no page is refused in words, and nothing changes', async ({ bench, page }) => {
  await bench.start();
  await bench.drop(page.getByRole('main'), [
    { name: 'page.html', type: 'text/html', bytes: Buffer.from('%PDF-1.7') },
  ]);
  await expect(page.getByText('page.html: expected a page, found a PDF document.')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  // On the sites no site is made for it either.
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  const cards = page.getByRole('link', { name: /^Open / });
  await expect(cards).toHaveCount(1);
  await bench.drop(page.getByRole('main'), [
    { name: 'other.html', type: 'text/html', bytes: Buffer.from('%PDF-1.7') },
  ]);
  await expect(page.getByText('other.html: expected a page, found a PDF document.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Open the sample' })).toBeEnabled();
  await expect(cards).toHaveCount(1);
});
