import { readFileSync } from 'node:fs';
import { unzipSync, zipSync } from 'fflate';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { check } from './accessible.fixture';
import { expect, test, type BenchPage } from './bench.fixture';

const mhtml = () => ({
  name: 'kiln-weekend.mhtml',
  type: '',
  bytes: readFileSync('public/sample/kiln-weekend.mhtml'),
});

async function take(page: Page): Promise<void> {
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(dialog).toBeHidden();
}

/** The page is laid out and can be seen. */
const seen = (page: Page) =>
  expect(page.getByTestId('page').locator('div[inert]')).toHaveCSS('visibility', 'visible');

/** The sample with its own page on the plan. */
async function bringPage(bench: BenchPage, page: Page): Promise<void> {
  await bench.start();
  await bench.drop(page.getByRole('main'), [mhtml()]);
  await take(page);
  await seen(page);
}

const chart = (page: Page) => page.getByRole('slider', { name: 'Screen width' });

async function screenOf(bench: BenchPage, page: Page, width: number): Promise<void> {
  await bench.type('Screen', String(width));
  await expect(chart(page)).toHaveAttribute('aria-valuenow', String(width));
}

test('the own page of the sample stands on the plan: from the sites, at any width, after a reload, in its site file @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await page.getByRole('heading', { name: 'Start' }).waitFor({ state: 'attached' });
  await bench.drop(page.getByRole('main'), [mhtml()]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.locator('[data-found="banner.jpg"]')).toContainText('Title band');
  await expect(dialog.locator('[data-found="ridge.png"]')).toContainText('Section divider');
  await dialog.getByRole('radio', { name: 'Colours and fonts' }).click();
  await check(page, 'own page, colours and fonts', '[role=dialog]');
  await take(page);
  await expect(page.getByRole('heading', { name: 'Page plan of kiln-weekend' })).toBeAttached();
  await seen(page);

  // As the style sheet has it: at most 1020 px, and no wider than the screen.
  for (const [width, margin] of [
    [1440, 210],
    [1920, 450],
    [700, 0],
    [1111, 45],
  ]) {
    await screenOf(bench, page, width);
    await expect(chart(page)).toHaveAttribute(
      'aria-valuetext',
      `${width} px wide, ${margin} px of background at each side`,
    );
  }
  await screenOf(bench, page, 1280);
  const slots = page.getByRole('region', { name: 'Slots on this page' });
  await expect(slots.getByRole('listitem')).toHaveCount(6);
  const banner = page.getByRole('link', { name: /^Title band, 1400 by 420 px/ });
  const box = (await banner.boundingBox())!;
  const board = (await page.getByTestId('page').boundingBox())!;
  const scale = board.width / 1280;
  expect(box.width / scale).toBeCloseTo(1020, 0);
  expect((box.x - board.x) / scale).toBeCloseTo(130, 0);
  await check(page, 'plan with an own page');

  await bench.kept();
  await page.reload();
  await seen(page);
  await expect(slots.getByRole('listitem')).toHaveCount(6);
  await page.getByRole('button', { name: 'Page layout' }).click();
  await expect(page.getByText('kiln-weekend.mhtml')).toBeVisible();
  await check(page, 'own page in the panel');

  // Through the site file and back: the same page with the same places.
  await page.getByRole('button', { name: 'Hand over', exact: true }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Site file', exact: true }).click(),
  ]);
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await page.setInputFiles('input[data-picks="Open a site file"]', await download.path());
  await expect(page.getByRole('heading', { name: 'Page plan of kiln-weekend' })).toBeAttached();
  await seen(page);
  await expect(slots.getByRole('listitem')).toHaveCount(6);
});

test('pointing at the page measures it: a box becomes a slot, two ends are a distance, by mouse and by key @landing', async ({
  bench,
  page,
}) => {
  await bringPage(bench, page);
  await screenOf(bench, page, 1280);
  const board = (await page.getByTestId('page').boundingBox())!;
  const scale = board.width / 1280;
  const at = (x: number, y: number) => [board.x + x * scale, board.y + y * scale] as const;

  await page.getByRole('radio', { name: 'Point at a place' }).click();
  await page.mouse.move(...at(1000, 400));
  // The aside is a column of 276 px.
  await page.mouse.click(...at(1140, 1000 - 200));
  const said = page.getByRole('application').getByRole('status');
  await expect(said).toContainText(/^276 × \d+aside/);
  await check(page, 'pointing at the page');
  await said.getByRole('button', { name: 'Make it a slot' }).click();
  const slots = page.getByRole('region', { name: 'Slots on this page' });
  await expect(slots.getByRole('listitem')).toHaveCount(7);
  await expect(slots).toContainText('276 ×');
  await expect(page.getByRole('link', { name: /276 by \d+ px/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Make a slot of aside' }).click();
  await expect(slots.getByRole('listitem')).toHaveCount(6);

  // A slot that was measured by other means is shown its place.
  await page.getByRole('button', { name: 'Measure a slot' }).click();
  await page.getByRole('button', { name: 'Add it to' }).click();
  await page.getByRole('button', { name: 'Point at its place' }).click();
  await expect(page.getByText(/^Point at where Header.* lies\.$/)).toBeVisible();
  await page.mouse.click(...at(640, 30));
  await said.getByRole('button', { name: 'Lay it here' }).click();
  await expect(page.getByRole('link', { name: /^Header.*: open its bench$/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Point at its place' })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: Lay Header.* in / }).click();
  await expect(page.getByRole('button', { name: 'Point at its place' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Add Header' }).click();

  await page.getByRole('radio', { name: 'Measure a distance' }).click();
  const distance = page.getByRole('application').getByRole('status');
  // From near the content's left edge to near the aside's.
  await page.mouse.click(...at(133, 500));
  await page.mouse.click(...at(877, 503));
  await expect(distance).toHaveText('744 px');
  await page.getByRole('application').focus();
  await page.keyboard.press('Escape');
  await expect(distance).toHaveCount(0);
  await page.keyboard.press('Enter');
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('Shift+ArrowDown');
  }
  await page.keyboard.press('Enter');
  await expect(distance).toHaveText(/^\d+ px$/);
});

test('a picture that is laid in a slot is seen in the page, in place of the file, and undone it is not', async ({
  bench,
  page,
}) => {
  await bringPage(bench, page);
  const plan = page.url();
  const banner = page.getByRole('link', { name: /^Title band, 1400 by 420 px/ });
  const middle = async () => {
    const box = (await banner.boundingBox())!;
    const clip = { x: box.x + box.width * 0.6, y: box.y + 8, width: 4, height: 4 };
    const { data } = await sharp(await page.screenshot({ clip }))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return [...data.subarray(0, 3)];
  };
  const plain = [20, 160, 60];
  await bench.drop(banner, [
    {
      name: 'green.png',
      type: 'image/png',
      bytes: await sharp({
        create: { width: 1400, height: 420, channels: 3, background: 'rgb(20,160,60)' },
      })
        .png()
        .toBuffer(),
    },
  ]);
  await bench.drawn();
  await bench.kept();
  await page.goto(plan);
  await page.getByRole('radio', { name: /^Open kiln/ }).click();
  await seen(page);
  await page.mouse.move(5, 790);
  await expect
    .poll(async () => Math.max(...(await middle()).map((v, c) => Math.abs(v - plain[c]))))
    .toBeLessThan(3);
  await page.getByRole('button', { name: /^Undo: Lay green/ }).click();
  await expect
    .poll(async () => Math.max(...(await middle()).map((v, c) => Math.abs(v - plain[c]))))
    .toBeGreaterThan(40);
});

test('style sheets or a picture stand for a page that is not there; what was missing comes later @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const slots = page.getByRole('region', { name: 'Slots on this page' });
  // A page without its folder, and then with it.
  const files = unzipSync(readFileSync('public/sample/kiln-weekend.zip'));
  await bench.drop(page.getByRole('main'), [
    {
      name: 'kiln-weekend.html',
      type: 'text/html',
      bytes: Buffer.from(files['kiln-weekend.html']),
    },
  ]);
  await expect(page.getByRole('dialog').getByText(/\d+ files missing/)).toBeVisible();
  await take(page);
  await seen(page);
  await expect(slots.getByText('No slot on this page yet')).toBeVisible();
  await page.getByRole('button', { name: 'Page layout' }).click();
  await expect(page.getByRole('region', { name: /^Missing \d+/ })).toContainText('clayworks.css');
  await bench.drop(page.getByRole('main'), [
    { name: 'kiln-weekend.zip', type: '', bytes: Buffer.from(zipSync(files)) },
  ]);
  await expect(page.locator('[data-found="banner.jpg"]')).toBeVisible();
  await take(page);
  await seen(page);
  await expect(page.getByRole('region', { name: /^Missing/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Slots', exact: true }).click();
  await expect(slots.getByRole('listitem')).toHaveCount(6);
  await expect(page.getByRole('radiogroup', { name: 'Page' }).getByRole('radio')).toHaveCount(3);

  // A picture of a page: its rectangle is found to the px, its colours to the level.
  const shot = await sharp({
    create: { width: 1200, height: 700, channels: 3, background: '#efe9dc' },
  })
    .composite([
      {
        input: await sharp({
          create: { width: 940, height: 198, channels: 3, background: '#a4553a' },
        })
          .png()
          .toBuffer(),
        left: 130,
        top: 40,
      },
    ])
    .png()
    .toBuffer();
  await page.getByRole('button', { name: 'My own page' }).click();
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await dialog
    .locator('input[data-picks="Pieces"]')
    .setInputFiles({ name: 'shot.png', mimeType: 'image/png', buffer: shot });
  await expect(dialog.getByText(/true for its own width alone/)).toBeVisible();
  await dialog.getByRole('radio', { name: 'Colours and fonts' }).click();
  await expect(dialog.getByRole('checkbox', { name: 'Take #a4553a' })).toBeChecked();
  await take(page);
  await seen(page);
  await expect(page.getByText(/true for a screen of 1200 px alone/)).toBeVisible();
  const board = (await page.getByTestId('page').boundingBox())!;
  const scale = board.width / 1200;
  await page.getByRole('radio', { name: 'Point at a place' }).click();
  await page.mouse.click(board.x + 600 * scale, board.y + 100 * scale);
  const said = page.getByRole('application').getByRole('status');
  await expect(said).toContainText('940 × 198');
  await said.getByRole('button', { name: 'Make it a slot' }).click();
  await expect(page.getByRole('link', { name: /940 by 198 px/ })).toBeVisible();
});
