/** Two benches: opened, dragged on, searched. */
import type { Page } from '@playwright/test';
import { dragRepaints, framingRow, repaint, selectedMiddle } from './drag';
import type { OnPlan } from './onPlan';
import { median, row, type Row, type Rows } from './rows';
import { searchRow } from './search';

/** Gives the selected text a shadow, an outline and a relief. */
async function dressText(page: Page): Promise<void> {
  await page.getByRole('radio', { name: 'Effects' }).click();
  for (const effect of ['Shadow', 'Outline', 'Relief']) {
    await page.getByRole('button', { name: `+ ${effect}` }).click();
  }
  await page.waitForTimeout(1500);
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

/** @param least repaints without which nothing was measured */
function repaintRow(what: string, repaints: readonly number[], least = 20): Row {
  if (repaints.length < least) {
    throw new Error(
      `Expected at least ${least} repaints while dragging ${what}, found ${repaints.length}.`,
    );
  }
  const name = `repaint while dragging ${what} (${repaints.length} frames)`;
  return row(name, median(repaints), 'wanted at most', 16);
}

const opensHeader = (page: Page) => page.getByRole('link', { name: /^Header, .* open its bench/ });

/**
 * From an action until the kept drawing of this very state, or the live picture, is there, whichever
 * is first, ms.
 */
async function firstPicture(page: Page, act: () => Promise<unknown>): Promise<number> {
  const start = Date.now();
  await act();
  await page.waitForFunction(() => {
    const c = document.querySelector<HTMLElement>('canvas[data-ready]');
    return c && (c.dataset.ready === 'true' || c.style.backgroundImage !== '');
  });
  const took = Date.now() - start;
  await page.locator('canvas[data-ready=true]').waitFor();
  await page.waitForTimeout(1500);
  return took;
}

/** The bench of a header of 1080×220. */
export async function* headerRows({ page, plan }: OnPlan): Rows {
  await page.waitForTimeout(4000);
  const opening: number[] = [];
  const reopening: number[] = [];
  for (let i = 0; i < 5; i++) {
    await page.goto(plan);
    await opensHeader(page).waitFor();
    opening.push(await firstPicture(page, () => opensHeader(page).click()));
    reopening.push(await firstPicture(page, () => page.reload()));
  }
  yield row('first picture of a bench, from its plan', median(opening), 'wanted at most', 1500);
  yield row(
    'first picture of a bench, page loaded anew',
    median(reopening),
    'wanted at most',
    1500,
  );
  yield await searchRow(page, '1080×220');
  await page.keyboard.press('4');
  const frames = await dragRepaints(page, 540, 95);
  yield repaintRow('text, 1080×220', frames);
  await page
    .getByRole('region', { name: 'Layers, back to front' })
    .getByRole('button', { name: 'Veldrin Clayworks' })
    .click();
  await dressText(page);
  const dressed = await dragRepaints(page, ...(await selectedMiddle(page)));
  yield repaintRow('text with shadow, outline, relief, 1080×220', dressed);
}

/** The bench of a background, at 1900×1200 and at 1400×900. */
export async function* backgroundRows({ page }: OnPlan): Rows {
  await largeBackground(page);
  const washed = await strengthRepaints(page);
  yield repaintRow('a wash strength, 1900×1200, five layers', washed, 10);
  await page
    .getByRole('region', { name: 'Layers, back to front' })
    .getByRole('button', { name: 'Your words' })
    .click();
  await page.keyboard.press('4');
  await dressText(page);
  const dressed = await dragRepaints(page, ...(await selectedMiddle(page)));
  yield repaintRow('text with shadow, outline, relief, 1900×1200, six layers', dressed);
  yield await searchRow(page, '1900×1200');
  yield await framingRow(page);
  await resize(page, 1400, 900);
  yield await searchRow(page, '1400×900');
}
