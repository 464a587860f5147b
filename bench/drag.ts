import type { Page } from '@playwright/test';

/** Name under which the app measures each repaint. */
export const repaint = 'soyez repaint';

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
