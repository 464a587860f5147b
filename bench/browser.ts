/**
 * What a user waits for, measured in the production build in Chromium. The reference is the time
 * wanted.
 */
import { spawn } from 'node:child_process';
import { chromium, type Page } from '@playwright/test';
import { median, row, type Row } from './rows';
import { dragRepaints, framingRow, repaint } from './drag';
import { foregroundRow } from './foreground';
import { ownBenchInBrowser, ownPageInBrowser } from './ownPage';
import { searchRow } from './search';
import { setInBrowser } from './set';
import { waitRows } from './waits';

const port = 3217;
const address = `http://localhost:${port}`;

async function withServer<T>(work: () => Promise<T>): Promise<T> {
  const server = spawn('npx', ['next', 'start', '--port', String(port)], {
    stdio: 'ignore',
    detached: true,
  });
  try {
    for (
      let i = 0;
      !(await fetch(address).then(
        (r) => r.ok,
        () => false,
      ));
      i++
    ) {
      if (i > 100) {
        throw new Error('The server did not start; is there a production build?');
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return await work();
  } finally {
    if (server.pid) {
      process.kill(-server.pid);
    }
  }
}

/** Gives the selected text a shadow, an outline and a relief. */
async function dressText(page: Page): Promise<void> {
  await page.getByRole('radio', { name: 'Effects' }).click();
  for (const effect of ['Shadow', 'Outline', 'Relief']) {
    await page.getByRole('button', { name: `+ ${effect}` }).click();
  }
  await page.waitForTimeout(1500);
}

/** Middle of the selected layer's frame, px of the picture at 1:1. */
async function selectedMiddle(page: Page): Promise<[number, number]> {
  const area = await page.getByTestId('picture-area').boundingBox();
  const first = await page.locator('[data-grip="0 0"]').boundingBox();
  const last = await page.locator('[data-grip="1 1"]').boundingBox();
  if (!area || !first || !last) {
    throw new Error('Nothing is selected on the picture.');
  }
  return [
    (first.x + last.x + last.width) / 2 - area.x,
    (first.y + last.y + last.height) / 2 - area.y,
  ];
}

/**
 * Drags the strength of the selected layer to and fro along its slider, and gives the time of each
 * repaint.
 */
async function strengthRepaints(page: Page): Promise<number[]> {
  const box = await page.getByRole('slider', { name: 'Strength' }).boundingBox();
  if (!box) {
    throw new Error('There is no strength to drag.');
  }
  const x = box.x + box.width / 2;
  const y = box.y + box.height / 2;
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate((name) => performance.clearMeasures(name), repaint);
  for (let i = 1; i <= 90; i++) {
    await page.mouse.move(x + 60 * Math.sin(i / 7), y);
  }
  await page.mouse.up();
  return page.evaluate(
    (name) => performance.getEntriesByName(name).map((e) => e.duration),
    repaint,
  );
}

/** Fills a field that is read on Enter. */
async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true });
  await field.fill(text);
  await field.press('Enter');
}

async function resize(page: Page, width: number, height: number): Promise<void> {
  await page
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('button', { name: 'How big' })
    .click();
  await type(page, 'Width', String(width));
  await type(page, 'Height', String(height));
}

/**
 * A page background of 1900×1200 with five layers: photo, a tone on it alone, wash, texture, words;
 * the wash is selected in the end.
 */
async function largeBackground(page: Page): Promise<void> {
  const layer = (name: string) =>
    page.getByRole('region', { name: 'Layers, back to front' }).getByRole('button', { name });
  await page.getByRole('radio', { name: 'Kiln diary' }).click();
  await page.getByRole('link', { name: /^Kiln diary background, .* open its bench/ }).click();
  await page.locator('canvas[data-ready=true]').waitFor();
  await resize(page, 1900, 1200);
  await page
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('button', { name: 'Which part' })
    .click();
  await page.getByRole('button', { name: 'Fill', exact: true }).click();
  await layer('Clay hills').click();
  await page.keyboard.press('3');
  await page.getByRole('button', { name: '+ Tone' }).click();
  await page.getByRole('radio', { name: 'only the layer beneath' }).click();
  await type(page, 'Brightness, figure', '110');
  await layer('Wash').click();
  await page.getByRole('button', { name: '+ Texture' }).click();
  await page.getByRole('button', { name: '+ Add' }).click();
  await page.getByRole('menuitem', { name: 'Text' }).click();
  await layer('Wash').click();
  await page.waitForTimeout(4000);
}

export const browserRows = (): Promise<Row[]> =>
  withServer(async () => {
    const browser = await chromium.launch({
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    });
    try {
      const page = await (
        await browser.newContext({ viewport: { width: 1280, height: 800 } })
      ).newPage();
      await page.goto(`${address}/?sample`);
      const link = page.getByRole('link', { name: /^Header, .* open its bench/ });
      await link.waitFor();
      await page.waitForTimeout(4000);
      const plan = page.url();
      const drawn = page.locator('canvas[data-ready=true]');

      /**
       * From an action until the kept drawing of this very state, or the live picture, is there,
       * whichever is first.
       */
      const firstPicture = async (act: () => Promise<unknown>): Promise<number> => {
        const start = Date.now();
        await act();
        await page.waitForFunction(() => {
          const c = document.querySelector<HTMLElement>('canvas[data-ready]');
          return c && (c.dataset.ready === 'true' || c.style.backgroundImage !== '');
        });
        const took = Date.now() - start;
        await drawn.waitFor();
        await page.waitForTimeout(1500);
        return took;
      };
      const opening: number[] = [];
      const reopening: number[] = [];
      for (let i = 0; i < 5; i++) {
        await page.goto(plan);
        await link.waitFor();
        opening.push(await firstPicture(() => link.click()));
        reopening.push(await firstPicture(() => page.reload()));
      }
      const small = await searchRow(page, '1080×220');
      await page.keyboard.press('4');
      const frames = await dragRepaints(page, 540, 95);
      await page
        .getByRole('region', { name: 'Layers, back to front' })
        .getByRole('button', { name: 'Veldrin Clayworks' })
        .click();
      await dressText(page);
      const dressed = await dragRepaints(page, ...(await selectedMiddle(page)));
      await page.goto(plan);
      await largeBackground(page);
      const large = await strengthRepaints(page);
      await page
        .getByRole('region', { name: 'Layers, back to front' })
        .getByRole('button', { name: 'Your words' })
        .click();
      await page.keyboard.press('4');
      await dressText(page);
      const dressedLarge = await dragRepaints(page, ...(await selectedMiddle(page)));
      const largeSearch = await searchRow(page, '1900×1200');
      const framing = await framingRow(page);
      await resize(page, 1400, 900);
      const middleSearch = await searchRow(page, '1400×900');
      const set = await setInBrowser(page, plan);
      const ownPage = [
        ...(await ownPageInBrowser(page, plan)),
        ...(await ownBenchInBrowser(page, plan)),
      ];
      for (const list of [frames, dressed, dressedLarge]) {
        if (list.length < 20) {
          throw new Error(
            `Expected at least 20 repaints while dragging, found ${frames.length}, ${dressed.length} and ${dressedLarge.length}.`,
          );
        }
      }
      if (large.length < 10) {
        throw new Error(
          `Expected at least 10 repaints while dragging a strength, found ${large.length}.`,
        );
      }
      return [
        row('first picture of a bench, from its plan', median(opening), 'wanted at most', 1500),
        row(
          'first picture of a bench, page loaded anew',
          median(reopening),
          'wanted at most',
          1500,
        ),
        small,
        middleSearch,
        largeSearch,
        framing,
        row(
          `repaint while dragging text, 1080×220 (${frames.length} frames)`,
          median(frames),
          'wanted at most',
          16,
        ),
        row(
          `repaint while dragging text with shadow, outline, relief, 1080×220 (${dressed.length} frames)`,
          median(dressed),
          'wanted at most',
          16,
        ),
        row(
          `repaint while dragging text with shadow, outline, relief, 1900×1200, six layers (${dressedLarge.length} frames)`,
          median(dressedLarge),
          'wanted at most',
          50,
        ),
        row(
          `repaint while dragging a wash strength, 1900×1200, five layers (${large.length} frames)`,
          median(large),
          'wanted at most',
          50,
        ),
        set,
        ...ownPage,
        await foregroundRow(browser, address),
        ...(await waitRows(browser, address)),
      ];
    } finally {
      await browser.close();
    }
  });
