/**
 * A title of a picture that is handed over as text: on narrow screens it is larger against its
 * picture than it was drawn. Chromium lays the page, and culori has the contrast of what it paints.
 */
import { expect, inNewTab } from './bench.fixture';
import { paintedContrast } from './paintedContrast.fixture';
import { serveHandOver } from './served.fixture';

const ink = '#5a2b18';

inNewTab(
  'what is said of a live title is what the page shows where it reads worst, and put right it reads at every width @landing',
  async ({ bench, page, browser }) => {
    await page.goto('/');
    await bench.begin(1080, 220, 'public/library/kitchen-set.jpg');
    await bench.ask('What on top');
    await page.getByRole('button', { name: 'Text', exact: true }).click();
    await page.getByRole('textbox', { name: 'Words' }).fill('Kiln');
    await bench.type('Size, figure', '20');
    await bench.type('Text colour', ink);
    // Over pale glaze; larger, it reaches the clay below.
    await bench.type('Text x', '400');
    await bench.type('Text y', '62');
    await bench.ask('Does it blend');
    await page.getByRole('radio', { name: 'Widths', exact: true }).click();
    await page.getByRole('checkbox', { name: /as live text/ }).check();
    const reading = page.locator('[data-reading="legibility"]');
    await expect(reading).toHaveAttribute('data-verdict', 'fails');
    await reading.getByRole('button', { name: 'Why' }).click();
    const why = await reading.textContent();
    const found = /has ([\d.]+):1 at its worst spot .* on a screen of (\d+) px/.exec(why!);
    expect(found, why!).not.toBeNull();
    const [said, screen] = found!.slice(1).map(Number);
    await bench.kept();
    const benchAt = page.url();
    const plan = benchAt.replace(/\/slots\/.*/, '');

    const judge = await browser.newPage();
    const measured = (address: string, width: number) =>
      paintedContrast(judge, address, width, {
        area: '[class$="-header-box"]',
        words: '[class$="-header-box"] p',
        ink,
        around: 1,
        colours: 50,
      });
    const widths = [320, 480, 760, 1280, 1920];
    const before = await serveHandOver(page, plan);
    expect(Math.abs((await measured(before.address, screen)) - said)).toBeLessThan(0.4);
    for (const width of widths) {
      expect(await measured(before.address, width)).toBeGreaterThan(said - 0.4);
    }
    before.server.close();

    await page.goto(benchAt);
    await bench.drawn();
    await bench.ask('Does it blend');
    await reading.getByRole('button', { name: /Put right/ }).click();
    await expect(reading).toHaveAttribute('data-verdict', 'holds');
    await bench.kept();
    const after = await serveHandOver(page, plan);
    for (const width of [...widths, screen]) {
      expect(await measured(after.address, width)).toBeGreaterThan(4.5 - 0.15);
    }
    after.server.close();
    await judge.close();
  },
);
