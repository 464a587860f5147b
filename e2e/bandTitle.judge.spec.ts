/**
 * A title over its band's picture, as it is handed over: Chromium lays the page, and culori has the
 * contrast of the px that it paints.
 */
import type { Page } from '@playwright/test';
import { expect, inNewTab } from './bench.fixture';
import { paintedContrast } from './paintedContrast.fixture';
import { serveHandOver } from './served.fixture';

const ink = '#f4f1ea';

const title = { area: '.page-title', words: 'h1', ink, around: 2, colours: 100 };

const reading = (page: Page, name: RegExp) =>
  page.getByRole('region', { name: 'Readings' }).getByRole('listitem').filter({ hasText: name });

inNewTab(
  'what is said of a title over its band is what the page shows, at every width; put right, it reads @landing',
  async ({ bench, page, browser }) => {
    await page.goto('/');
    await page.getByRole('combobox', { name: 'What it is' }).click();
    await page.getByRole('option', { name: 'Title band' }).click();
    await bench.begin(1920, 240, 'public/library/kitchen-set.jpg');
    await bench.ask('Does it blend');
    await page.getByRole('radio', { name: 'Title', exact: true }).click();
    await bench.type('Words of the title', 'Courses at the wheel');
    await bench.type('Colour of the title', ink);
    await bench.type('Size of the title', '44');
    await page.getByRole('radio', { name: 'Bottom right' }).click();
    await page.getByRole('radio', { name: 'Bottom right' }).press('ArrowUp');
    await expect(page.getByRole('radio', { name: 'Middle right' })).toBeChecked();
    const chart = page.getByRole('img', { name: /^Contrast of the title/ });
    await expect(chart).toBeVisible();
    await reading(page, /Title hard to read/)
      .getByRole('button', { name: 'Why' })
      .click();
    const why = await reading(page, /Title hard to read/).textContent();
    const [, said, screen] = /has ([\d.]+):1 at its worst spot.* on a screen of (\d+) px/.exec(
      why!,
    )!;
    await bench.kept();
    const benchAt = page.url();
    const plan = benchAt.replace(/\/slots\/.*/, '');

    const judge = await browser.newPage();
    const measured = (address: string, width: number) =>
      paintedContrast(judge, address, width, title);
    const before = await serveHandOver(page, plan);
    const worst = await measured(before.address, Number(screen));
    // The file is compressed, and a place is held to half a px.
    expect(Math.abs(worst - Number(said))).toBeLessThan(0.35);
    for (const width of [320, 480, 760, 1120, 1480, 1920, 2560]) {
      expect(await measured(before.address, width)).toBeGreaterThan(Number(said) - 0.35);
    }
    before.server.close();

    await page.goto(benchAt);
    await bench.drawn();
    await bench.ask('Does it blend');
    await reading(page, /Title hard to read/)
      .getByRole('button', { name: 'Put right' })
      .click();
    await expect(reading(page, /The title reads well on every screen/)).toBeVisible();
    await bench.kept();
    const after = await serveHandOver(page, plan);
    for (const width of [320, Number(screen), 1920]) {
      expect(await measured(after.address, width)).toBeGreaterThan(3 - 0.1);
    }
    after.server.close();
    await judge.close();
  },
);
