/**
 * The search for the lightest file, in Chromium, against one AVIF of the same picture, written with
 * the effort that the search wrote its best AVIF with, by the same encoder in one thread of Node.
 */
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { pressAs } from '../src/core/press/settings';
import type { PressSettings } from '../src/core/site/model/picture';
import { nodeCodecs } from '../src/engine/nodeCodecs';
import { median, row, type Row } from './rows';

/** Searches, and gives the time until the search says that it is done. */
async function searchTime(page: Page): Promise<number> {
  await page
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('button', { name: 'How heavy' })
    .click();
  await page.waitForTimeout(8000);
  const start = Date.now();
  await page.getByRole('button', { name: 'Find the lightest file' }).click();
  // Looked at with every frame; a locator would look twice a second.
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll('button')].some((b) => b.textContent.includes('Search again')),
    undefined,
    { timeout: 120_000 },
  );
  return Date.now() - start;
}

/** Whether the newest search wrote an AVIF with most effort. */
const thorough = (page: Page): Promise<boolean> =>
  page.evaluate(
    () =>
      new Promise<boolean>((resolve, reject) => {
        const asked = indexedDB.open('soyez');
        asked.onerror = () => reject(asked.error!);
        asked.onsuccess = () => {
          const all = asked.result.transaction('searches').objectStore('searches').getAll();
          all.onerror = () => reject(all.error!);
          all.onsuccess = () => {
            asked.result.close();
            type Kept = { at: number; tried: { judgement: { settings: PressSettings } }[] };
            const newest = (all.result as Kept[]).reduce((a, b) => (b.at > a.at ? b : a));
            resolve(
              newest.tried.some(
                ({ judgement: { settings } }) =>
                  settings.format === 'avif' && settings.effort === 'most',
              ),
            );
          };
        };
      }),
  );

/** One AVIF of the picture on the bench, ms. */
async function oneAvif(page: Page, effort: PressSettings['effort']): Promise<number> {
  const png = await page
    .locator('canvas[data-settled=true]')
    .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  const { data, info } = await sharp(Buffer.from(png.split(',')[1], 'base64'))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const raster = { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
  const { codecs, close } = await nodeCodecs();
  const times: number[] = [];
  for (let i = 0; i < 4; i++) {
    const start = performance.now();
    await codecs.encode(raster, { ...pressAs('avif', 60), effort }, []);
    times.push(performance.now() - start);
  }
  close();
  return median(times.slice(1));
}

/** The open bench's picture, searched. */
export async function searchRow(page: Page, size: string): Promise<Row> {
  const took = await searchTime(page);
  const effort = (await thorough(page)) ? 'most' : 'usual';
  return row(
    `search for the lightest file, ${size}, all formats`,
    took,
    `one AVIF with ${effort} effort`,
    await oneAvif(page, effort),
  );
}
