/**
 * The search for the lightest file, in Chromium, against one AVIF of the same picture, written as the
 * best AVIF of the search is, by the same encoder in one thread of Node.
 */
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { bestOf } from '../src/core/lightest/best';
import type { Judgement } from '../src/core/lightest/trial';
import type { EncodeSettings } from '../src/core/site/model/picture';
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

/** What the newest search found out. */
const newestSearch = (page: Page): Promise<Judgement[]> =>
  page.evaluate(
    () =>
      new Promise<Judgement[]>((resolve, reject) => {
        const asked = indexedDB.open('soyez');
        asked.onerror = () => reject(asked.error!);
        asked.onsuccess = () => {
          const all = asked.result.transaction('searches').objectStore('searches').getAll();
          all.onerror = () => reject(all.error!);
          all.onsuccess = () => {
            asked.result.close();
            type Kept = { at: number; tried: { judgement: Judgement }[] };
            const newest = (all.result as Kept[]).reduce((a, b) => (b.at > a.at ? b : a));
            resolve(newest.tried.map(({ judgement }) => judgement));
          };
        };
      }),
  );

/** The settings of the best AVIF it wrote. */
async function bestAvif(page: Page): Promise<EncodeSettings> {
  const avifs = (await newestSearch(page)).filter((j) => j.settings.format === 'avif');
  const best = bestOf({ by: 'care', care: 'careful' }, avifs);
  if (!best) {
    throw new Error('The search wrote no AVIF.');
  }
  return best.settings;
}

/** One AVIF of the picture on the bench, ms. */
async function oneAvif(page: Page, settings: EncodeSettings): Promise<number> {
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
    await codecs.encode(raster, settings, []);
    times.push(performance.now() - start);
  }
  close();
  return median(times.slice(1));
}

/** The open bench's picture, searched. */
export async function searchRow(page: Page, size: string): Promise<Row> {
  const took = await searchTime(page);
  const settings = await bestAvif(page);
  return row(
    `search for the lightest file, ${size}, all formats`,
    took,
    `one AVIF as the best of them, with ${settings.effort} effort`,
    await oneAvif(page, settings),
  );
}
