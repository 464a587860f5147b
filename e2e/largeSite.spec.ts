import { expect, test } from './bench.fixture';
import { largeSiteFile } from './largeSite.fixture';

/** Px of a picture’s file as it is shown. */
const naturalWidths = (images: (SVGElement | HTMLElement)[]) =>
  images.map((image) => (image as HTMLImageElement).naturalWidth);

test('of hundreds of pictures those in sight are there, as small ones, and all are reached @landing', async ({
  page,
}) => {
  const file = await largeSiteFile({
    pictures: 240,
    pages: 6,
    px: 900,
    layers: 20,
    slots: [
      { kind: 'header', width: 700, height: 160 },
      { kind: 'mark', width: 120, height: 30 },
      { kind: 'divider', width: 700, height: 40 },
    ],
  });
  await page.goto('/');
  await page.setInputFiles('input[data-picks="Open a site file"]', {
    name: 'large.soyez',
    mimeType: 'application/zip',
    buffer: file,
  });
  await expect(page.getByRole('heading', { name: 'Page plan of Large' })).toBeAttached();
  const plan = page.url();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  const main = page.getByRole('main');
  const cards = main.getByRole('listitem');
  const first = main.getByRole('button', { name: /^Kiln 240 / });
  await expect(first.locator('img')).toBeVisible();
  expect(await cards.count()).toBeLessThan(60);
  await expect(cards.first()).toHaveAttribute('aria-setsize', '240');
  expect(await first.locator('img').evaluateAll(naturalWidths)).toEqual([600]);
  // By keys alone, further than what was there at first.
  await first.focus();
  for (let i = 0; i < 70; i++) {
    await page.keyboard.press('Tab');
  }
  await expect(main.getByRole('button', { name: /^Kiln 170 / })).toBeFocused();
  await expect(main.getByRole('button', { name: /^Kiln 170 / })).toBeInViewport();
  await main.evaluate((element) => element.scrollTo(0, element.scrollHeight));
  await expect(main.getByRole('button', { name: /^Kiln 1 / }).locator('img')).toBeVisible();
  expect(await cards.count()).toBeLessThan(60);
  await page.goto(`${plan}/slots/s0-0`);
  const strip = page.getByRole('button', { name: /^Lay Kiln / });
  await expect(strip.first().locator('img')).toBeVisible();
  expect(await strip.count()).toBeLessThan(40);
  await expect(page.locator('canvas[data-ready=true]')).toBeVisible();
  // On the next bench they are those that the browser has read and decoded already.
  const shownHere = await strip.first().locator('img').getAttribute('src');
  await page.getByRole('link', { name: 'Large', exact: true }).click();
  await page.getByRole('link', { name: /^Corner mark, .* open its bench/ }).click();
  await expect(strip.first().locator('img')).toHaveAttribute('src', shownHere!);
});
