/** A large saved page, from its drop on the plan to its places. */
import type { Page } from '@playwright/test';
import { zipSync, type Zippable } from 'fflate';
import sharp from 'sharp';
import { dragRepaints, selectedMiddle } from './drag';
import type { OnPlan } from './onPlan';
import { median, row, type Rows } from './rows';

/** What the app measures by itself. */
const pageOpened = 'soyez page opened';
const pageSurveyed = 'soyez page surveyed';

const pictures = 59;

/** Different bytes of a real picture's kind: hard to pack, no two alike. */
async function picture(n: number): Promise<Uint8Array> {
  const [width, height] = [300 + n * 10, 100 + n * 5];
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < data.length; i++) {
    data[i] = (i * 7 + n * 31 + (i >> 8)) & 255;
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .png()
    .toBuffer();
}

const repeated = (count: number, text: (i: number) => string): string =>
  Array.from({ length: count }, (_, i) => text(i)).join('');

const styles = (): string => `
  body { margin: 0; font: 16px/1.5 sans-serif; background: #fff }
  .wrap { max-width: 1100px; margin: auto; display: grid; grid-template-columns: 1fr 280px; gap: 20px }
  a { color: #0b5a8a }
  ${repeated(44, (i) => `.b${i} { background: url(p${i}.png) ${i % 2 ? 'center/cover no-repeat' : '0 0'}; min-height: ${60 + i}px }\n`)}
  ${repeated(600, (i) => `.rule${i} .x, .rule${i}:hover { color: #123; padding: ${i % 9}px }\n`)}
  .ico::before { content: ""; display: inline-block; width: 16px; height: 16px; background: url(p3.png) }
  @media (max-width: 900px) { .wrap { display: block } .b7 { background: url(p8.png) } }
  @media (max-width: 500px) { body { font-size: 14px } }`;

const section = (i: number): string =>
  `<section class="b${i}"><h2>Section ${i}</h2>${repeated(
    10,
    (k) =>
      `<p>Words about clay <a href=#>and <em>glazes</em></a> number ${k} <strong>here</strong></p>`,
  )}</section>`;

const pageText = (): string => `<!doctype html><html><head><meta charset=utf-8>
  <title>Two thousand</title><link rel=stylesheet href="saved_files/style.css"></head>
  <body><header class="b0"><nav>${'<a href=#>Link</a>'.repeat(6)}</nav></header>
  <div class=wrap><main>${repeated(43, (i) => section(i + 1))}</main>
  <aside><ul>${repeated(30, (k) => `<li${k < 10 ? ' class=ico' : ''}><a href=#>Class ${k}</a></li>`)}</ul>
  ${repeated(14, (i) => `<img src="saved_files/p${44 + i}.png" alt="">`)}
  <img srcset="saved_files/p5.png 400w, saved_files/p6.png 800w" sizes="(max-width: 600px) 100vw, 280px" src="saved_files/p5.png">
  </aside></div></body></html>`;

/** A page of some 2,000 elements and 60 files, as it is saved with its folder. */
async function largePage(): Promise<Uint8Array> {
  const files: Zippable = {
    'saved.html': Buffer.from(pageText()),
    'saved_files/style.css': Buffer.from(styles()),
  };
  for (let n = 0; n < pictures; n++) {
    files[`saved_files/p${n}.png`] = await picture(n);
  }
  return zipSync(files, { level: 0 });
}

/** Drops the page on the plan that is shown, and gives ms until it was opened, and of its survey. */
async function dropped(page: Page, base64: string): Promise<[opened: number, surveyed: number]> {
  const start = await page.evaluate((data) => {
    const transfer = new DataTransfer();
    const bytes = Uint8Array.from(atob(data), (c) => c.charCodeAt(0));
    transfer.items.add(new File([bytes], 'saved.zip', { type: 'application/zip' }));
    const at = performance.now();
    document
      .querySelector('main')!
      .dispatchEvent(new DragEvent('drop', { dataTransfer: transfer, bubbles: true }));
    return at;
  }, base64);
  await page.locator('[data-found]').first().waitFor();
  const [opening, surveying] = await page.evaluate(
    (names) =>
      names.map((name) => {
        const { startTime, duration } = performance.getEntriesByName(name).at(-1)!;
        return { startTime, duration };
      }),
    [pageOpened, pageSurveyed],
  );
  return [opening.startTime + opening.duration - start, surveying.duration];
}

/** A large page dropped on a plan. */
export async function* ownPageInBrowser({ page, plan }: OnPlan): Rows {
  const base64 = Buffer.from(await largePage()).toString('base64');
  const opened: number[] = [];
  const surveyed: number[] = [];
  for (let i = 0; i < 6; i++) {
    await page.goto(plan);
    await page.getByRole('button', { name: 'My own page' }).waitFor();
    await page.waitForTimeout(1500);
    const [opening, surveying] = await dropped(page, base64);
    // The first starts the worker.
    if (i > 0) {
      opened.push(opening);
      surveyed.push(surveying);
    }
  }
  const what = 'own page of 2,000 elements and 60 files';
  yield row(`${what}, from its drop until it is opened`, median(opened), 'wanted at most', 1500);
  yield row(`${what}, survey at 24 widths`, median(surveyed), 'wanted at most', 500);
}

/** A page with a header of 1080×220 px in a column as wide. */
async function headerPage(): Promise<string> {
  const head = await sharp({
    create: { width: 1080, height: 220, channels: 3, background: '#3b4a45' },
  })
    .jpeg()
    .toBuffer();
  const html = `<!doctype html><title>One header</title><style>body{margin:0;background:#efe9dc}.head{width:1080px;height:220px;margin:0 auto;background:url(head.jpg)}</style>
    <div class=head></div><main>${repeated(40, (i) => `<p>Words ${i}, about clay and <a href=#>glazes</a></p>`)}</main>`;
  const zip = zipSync({ 'page.html': Buffer.from(html), 'head.jpg': head }, { level: 0 });
  return Buffer.from(zip).toString('base64');
}

/** Milliseconds from each frame of the browser's to the next, for as long as something goes on. */
async function framesDuring(page: Page, work: () => Promise<unknown>): Promise<number[]> {
  // As text: what compiles this file gives functions names that are not there in the page.
  await page.evaluate(`
    globalThis.frames = [];
    requestAnimationFrame(function next(at) {
      globalThis.frames.push(at);
      requestAnimationFrame(next);
    });
  `);
  await work();
  const at = await page.evaluate(() => (globalThis as never as { frames: number[] }).frames);
  return at.slice(1).map((time, i) => time - at[i]);
}

/** A text dragged over a picture that lies in a page of the owner's own. */
export async function* ownBenchInBrowser({ page, plan }: OnPlan): Rows {
  await page.goto(plan);
  await page.getByRole('button', { name: 'My own page' }).waitFor();
  await dropped(page, await headerPage());
  await page.getByRole('button', { name: 'Take it over' }).click();
  await page.getByRole('dialog').waitFor({ state: 'hidden' });
  await page
    .getByRole('link', { name: /1080 by 220 px: open its bench/ })
    .last()
    .click();
  await page.locator('canvas[data-ready=true]').waitFor({ state: 'attached' });
  await page.getByTestId('own-page').waitFor();
  await page.waitForTimeout(2000);
  await page.getByRole('button', { name: '+ Add' }).click();
  await page.getByRole('menuitem', { name: 'Text' }).click();
  await page.waitForTimeout(1500);
  let repaints: number[] = [];
  const frames = await framesDuring(page, async () => {
    repaints = await dragRepaints(page, ...(await selectedMiddle(page)));
  });
  if (repaints.length < 20) {
    throw new Error(`Expected at least 20 repaints in an own page, found ${repaints.length}.`);
  }
  const what = 'dragging text on 1080×220 in an own page';
  yield row(
    `${what}, from frame to frame (${frames.length})`,
    median(frames),
    'wanted at most',
    16,
  );
  yield row(`${what}, repaint (${repaints.length})`, median(repaints), 'wanted at most', 16);
}
