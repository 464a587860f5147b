import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { median, row, type Row } from './rows';

/** Name under which the app measures each repaint. */
export const repaint = 'soyez repaint';

/** Middle of the selected layer's frame, px of the picture at 1:1. */
export async function selectedMiddle(page: Page): Promise<[number, number]> {
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

/** Drags what lies at a point of the picture in a slow wave, and gives the time of each repaint. */
export async function dragRepaints(page: Page, x: number, y: number): Promise<number[]> {
  const box = await page.getByTestId('picture-area').boundingBox();
  if (!box) {
    throw new Error('There is no picture to drag on.');
  }
  await page.mouse.move(box.x + x, box.y + y);
  await page.mouse.down();
  await page.evaluate((name) => performance.clearMeasures(name), repaint);
  for (let i = 1; i <= 120; i++) {
    await page.mouse.move(box.x + x + 200 * Math.sin(i / 12), box.y + y + 30 * Math.cos(i / 9));
  }
  await page.mouse.up();
  return page.evaluate(
    (name) => performance.getEntriesByName(name).map((e) => e.duration),
    repaint,
  );
}

const far = { width: 9000, height: 6000 };

/** Drags a photograph of 54 megapixels in its frame, on the background that is open. */
export async function framingRow(page: Page): Promise<Row> {
  const buffer = await sharp('public/sample/kiln-glow.jpg')
    .resize(far.width, far.height, { kernel: 'cubic' })
    .jpeg({ quality: 88 })
    .toBuffer();
  await page.getByRole('navigation', { name: 'Questions' }).getByText('Which part').click();
  const chosen = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a file' }).click();
  await (await chosen).setFiles({ name: 'far.jpg', mimeType: 'image/jpeg', buffer });
  await page.getByText(`${far.width} × ${far.height}`).first().waitFor({ timeout: 60_000 });
  const zoom = page.getByRole('textbox', { name: /^Zoom/ });
  await zoom.fill('1.4');
  await zoom.press('Enter');
  await page.locator('canvas[data-settled=true]').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(4000);
  const box = (await page.getByTestId('picture-area').boundingBox())!;
  const frames = await dragRepaints(page, 640 - box.x, 320 - box.y);
  if (frames.length < 20) {
    throw new Error(`Expected at least 20 repaints while framing, found ${frames.length}.`);
  }
  return row(
    `repaint while framing ${far.width}×${far.height} on 1900×1200 (${frames.length} frames)`,
    median(frames),
    'wanted at most',
    16,
  );
}
