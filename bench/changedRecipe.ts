/**
 * A theme of 5,000 rules and 300 pieces on its page: from a key on a slider of the recipe until the
 * page shows it, against Chromium by itself taking the whole sheet anew on the same page.
 */
import type { Page } from '@playwright/test';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import type { OnPlan } from './onPlan';
import { median, row, type Rows } from './rows';

const hex = (n: number) => `#${((n * 7919 * 2053) % 0xffffff).toString(16).padStart(6, '0')}`;

/** One rule in eight is of the page, as where a theme has many pages. */
const css = [
  'body{margin:0;background:#2a6f77;color:#fff}:root{--brand:#2a6f77}',
  ...Array.from({ length: 5000 }, (_, i) => {
    const selector = i % 8 ? `.other-${i} .part` : `.c${i / 8} .x`;
    const picture = i % 64 ? 'none' : `url(i/p${(i / 64) % 300}.png)`;
    return `${selector}{color:${hex(i % 400)};background:${i % 3 ? hex((i * 7) % 400) : 'var(--brand)'} ${picture};border:1px solid rgba(42,111,119,.5)}`;
  }),
].join('\n');

const body = Array.from(
  { length: 600 },
  (_, i) => `<div class="c${i}"><span class="x">Words ${i}</span></div>`,
).join('');
const html = (style: string) => `<!doctype html><title>Large</title>${style}<body>${body}`;

async function theme(): Promise<Buffer> {
  const pieces = await Promise.all(
    Array.from({ length: 300 }, async (_, i): Promise<[string, Uint8Array]> => {
      const [width, height] = [8 + ((i * 7) % 113), 8 + ((i * 5) % 41)];
      const background = { r: 42 + (i % 9), g: 111 - (i % 11), b: 119 };
      const png = sharp({ create: { width, height, channels: 3, background } }).png();
      return [`i/p${i}.png`, new Uint8Array(await png.toBuffer())];
    }),
  );
  return Buffer.from(
    zipSync({
      ...Object.fromEntries(pieces),
      'a.css': strToU8(css),
      'index.html': strToU8(html('<link rel="stylesheet" href="a.css">')),
    }),
  );
}

/** Opens the theme on its page, and waits until a first recipe is on all of it. */
async function opened(page: Page, plan: string): Promise<void> {
  await page.goto(`${plan}/recolour`);
  await page.setInputFiles('input[data-picks="Pieces"]', {
    name: 'large.zip',
    mimeType: 'application/zip',
    buffer: await theme(),
  });
  const ways = page.locator('[aria-label="Ways there"][aria-busy=false]');
  await ways.waitFor({ timeout: 60_000 });
  await page.getByRole('button', { name: 'New colour: celadon' }).click();
  await page.waitForTimeout(1000);
  await ways.waitFor({ timeout: 60_000 });
  await page.getByRole('group', { name: 'Ways there' }).getByRole('button').first().click();
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  await page.getByRole('button', { name: /^Archive, / }).waitFor({ timeout: 120_000 });
  const contrast = page.getByRole('region', { name: 'Contrast on the page' });
  await contrast.getByText(/^✓|lost contrast/).waitFor({ timeout: 120_000 });
}

/** Tells how long after a key its colours are seen, ms: of the newest frame that is shown. */
const watch = `(() => {
  function colour() {
    const frames = document.querySelectorAll('[data-testid=set-page-after] iframe');
    const seen = [...frames].filter(({ style }) => style.visibility === 'visible').at(-1);
    const body = seen?.contentDocument?.body;
    return body && seen.contentWindow.getComputedStyle(body).backgroundColor;
  }
  addEventListener('keydown', ({ timeStamp }) => {
    const before = colour();
    requestAnimationFrame(function look() {
      if (colour() === before) {
        requestAnimationFrame(look);
      } else {
        globalThis.took = performance.now() - timeStamp;
      }
    });
  }, true);
})()`;

async function timedKey(page: Page, key: string): Promise<number> {
  await page.evaluate(() => Object.assign(globalThis, { took: undefined }));
  await page.keyboard.press(key);
  const took = await page.waitForFunction(() => (globalThis as { took?: number }).took);
  return (await took.jsonValue())!;
}

/** The whole sheet anew, styled and laid out, ms. */
const anew = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const old = document.querySelector('style')!;
    const fresh = document.createElement('style');
    fresh.textContent = old.textContent.replace(/#(.)/g, (_, c: string) =>
      c === '3' ? '#4' : '#3',
    );
    const start = performance.now();
    old.after(fresh);
    old.remove();
    void document.body.offsetHeight;
    return performance.now() - start;
  });

export async function* changedRecipe({ browser, page, plan }: OnPlan): Rows {
  const alone = await browser.newPage();
  await alone.setContent(html(`<style>${css.replace(/url\([^)]*\)/g, 'none')}</style>`));
  await page.bringToFront();
  await opened(page, plan);
  await page.evaluate(watch);
  await page.getByRole('slider', { name: /^Strength/ }).focus();
  const [first, moving, theirs]: number[][] = [[], [], []];
  for (let turn = 0; turn < 5; turn++) {
    for (let key = 0; key < 6; key++) {
      const took = await timedKey(page, key % 2 ? 'ArrowLeft' : 'ArrowRight');
      (key === 0 ? first : moving).push(took);
      // A hand that tries: files are not written in between.
      await page.waitForTimeout(300);
    }
    theirs.push(await anew(alone));
    const contrast = page.getByRole('region', { name: 'Contrast on the page' });
    await contrast.getByText(/^Measuring/).waitFor({ timeout: 60_000 });
    await contrast.getByText(/^✓|lost contrast/).waitFor({ timeout: 120_000 });
  }
  const reference = 'Chromium takes the whole sheet anew';
  yield row(
    '5,000 rules show a recipe that is being changed',
    median(moving),
    reference,
    median(theirs),
  );
  yield row('5,000 rules show a recipe that was at rest', median(first), reference, median(theirs));
}
