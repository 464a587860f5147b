/**
 * The whole hand-over: archive, pages, rehearsal, site file and rendering without a browser, with
 * Chromium as the judge.
 */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { shelfItem } from '../src/core/shelf/item';
import { writeSiteFile } from '../src/core/handover/siteFile';
import { inspectPicture } from '../src/core/measure/inspect';
import { encodeSettings } from '../src/core/encode/settings';
import { sampleFiles, sampleSite } from '../src/demo/sample';
import { expect, inNewTab, test } from './bench.fixture';
import { check } from './accessible.fixture';
import { rawPixels as raw, serve } from './served.fixture';

/**
 * The sample as a site file, with every picture written without loss, so that what is handed over
 * is what is drawn, px for px.
 */
function sampleWithoutLoss(): Buffer {
  const assets = new Map<string, Uint8Array<ArrayBuffer>>();
  const shelf = Object.fromEntries(
    sampleFiles.map((file) => {
      const bytes = new Uint8Array(readFileSync(`public${file.url}`));
      const { format, width, height } = inspectPicture(file.name, bytes);
      const assetId = createHash('sha256').update(bytes).digest('hex');
      assets.set(assetId, bytes);
      return [
        file.key,
        shelfItem({
          assetId,
          name: file.name,
          width,
          height,
          format,
          bytes: bytes.length,
          licence: 'own',
          rightsChecked: true,
        }),
      ];
    }),
  );
  const site = sampleSite('without-loss', shelf);
  return Buffer.from(
    writeSiteFile({
      site: {
        ...site,
        name: 'Veldrin without loss',
        // Of a quarter of its px: without loss it takes most of the time, and lies as it did.
        slots: site.slots.map((slot) =>
          slot.width === 1600 ? { ...slot, width: 800, height: 500 } : slot,
        ),
        pictures: Object.fromEntries(
          Object.entries(site.pictures).map(([id, p]) => [
            id,
            { ...p, press: encodeSettings('png') },
          ]),
        ),
      },
      assets,
    }),
  );
}

/** Opens the hand-over of the site and waits until everything is made. */
async function handOver(page: Page, plan: string): Promise<void> {
  await page.goto(`${plan}/hand-over`);
  await expect(page.getByRole('button', { name: /^Archive, / })).toBeEnabled({ timeout: 120_000 });
}

async function saved(page: Page, button: RegExp): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button }).click(),
  ]);
  return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) };
}

/** The page's drawing on the plan, at true pixels. */
async function planShot(
  page: Page,
  plan: string,
  width: number,
  name: string,
): Promise<{ shot: Buffer; height: number }> {
  await page.setViewportSize({ width: 1800, height: 1300 });
  await page.goto(plan);
  if (name !== 'Home') {
    await page.getByRole('radio', { name }).click();
  }
  await page.getByRole('textbox', { name: 'Screen', exact: true }).fill(String(width));
  await page.getByRole('textbox', { name: 'Screen', exact: true }).press('Enter');
  await page.addStyleTag({
    content:
      '[data-slot], [data-grip], [data-board] > svg, [data-board] > [aria-hidden] { visibility: hidden }',
  });
  const drawing = page.getByTestId('page').locator('> div');
  const box = (await drawing.boundingBox())!;
  expect(box.width).toBe(width);
  // Header, background, strip and divider; each drawing is put in place a moment after the one
  // before.
  await expect(drawing.locator('[style*="blob:"]')).toHaveCount(4);
  await page.waitForTimeout(800);
  const height = Math.min(Math.round(box.height), 1300 - Math.ceil(box.y));
  return { shot: await page.screenshot({ clip: { x: box.x, y: box.y, width, height } }), height };
}

/** Px of two screenshots that are not the same in every channel. */
async function unlike(a: Buffer, b: Buffer): Promise<number> {
  const [x, y] = await Promise.all([raw(a), raw(b)]);
  expect([x.width, x.height]).toEqual([y.width, y.height]);
  let count = 0;
  for (let i = 0; i < x.data.length; i += 3) {
    if (
      x.data[i] !== y.data[i] ||
      x.data[i + 1] !== y.data[i + 1] ||
      x.data[i + 2] !== y.data[i + 2]
    ) {
      count++;
    }
  }
  return count;
}

/** The pages as they are served: the host lets no script run, so the checker comes past its policy. */
async function checkServed(browser: Browser, home: string): Promise<void> {
  const visitor = await browser.newContext({
    bypassCSP: true,
    viewport: { width: 1280, height: 800 },
  });
  const served = await visitor.newPage();
  for (const name of ['home', 'kiln-diary']) {
    await served.goto(home.replace('home.html', `${name}.html`));
    await expect(served.getByRole('heading').first()).toBeVisible();
    await check(served, `${name} as it is served`);
  }
  await visitor.close();
}

inNewTab(
  'the archive unpacked, and its rehearsal, are the pages of the plan, px for px; a colour that is changed shows when rehearsed again @landing',
  async ({ bench, page, browser }) => {
    test.setTimeout(300_000);
    await bench.start();
    await page.goto('/');
    await page.setInputFiles('input[data-picks="Open a site file"]', {
      name: 'sample.soyez',
      mimeType: 'application/zip',
      buffer: sampleWithoutLoss(),
    });
    await page.waitForURL(/\/sites\/without-loss$/);
    const plan = page.url();
    const width = 1280;
    const pages = [
      ['Home', 'home.html'],
      ['Kiln diary', 'kiln-diary.html'],
    ] as const;
    const drawn = new Map<string, { shot: Buffer; height: number }>();
    for (const [name] of pages) {
      drawn.set(name, await planShot(page, plan, width, name));
    }
    await page.setViewportSize({ width: 1280, height: 800 });
    await handOver(page, plan);
    const archive = await saved(page, /^Archive, /);
    const files = unzipSync(archive.bytes);
    expect(archive.name).toBe('veldrin-without-loss-hand-over.zip');
    expect(Object.keys(files)).toEqual(
      expect.arrayContaining([
        'style.css',
        'markup.html',
        'home.html',
        'kiln-diary.html',
        'pictures/header.png',
        'pictures/header-2x.png',
        'pictures/header-half.png',
        'veldrin-without-loss.soyez',
      ]),
    );

    const { server, address } = await serve(files);
    const judge = await browser.newPage();
    try {
      for (const [name, file] of pages) {
        const { shot, height } = drawn.get(name)!;
        await judge.setViewportSize({ width, height });
        await judge.goto(`${address}/${file}`);
        await judge.evaluate(() => document.fonts.ready);
        expect([name, await unlike(await judge.screenshot(), shot)]).toEqual([name, 0]);
      }

      const [tab] = await Promise.all([
        page.waitForEvent('popup'),
        page.getByRole('button', { name: 'Rehearse', exact: true }).click(),
      ]);
      await tab.waitForURL(/\/rehearsal\/[^/]+\/home\.html$/);
      await expect(page.getByTestId('changed')).toContainText('As you rehearsed it');
      const rehearsed = await judge.goto(tab.url());
      expect(rehearsed!.headers()['content-security-policy']).toContain("script-src 'none'");
      expect(rehearsed!.headers()['cache-control']).toBe('no-cache');
      await judge.setViewportSize({ width, height: drawn.get('Home')!.height });
      await judge.evaluate(() => document.fonts.ready);
      expect(await unlike(await judge.screenshot(), drawn.get('Home')!.shot)).toBe(0);
      await check(page, 'hand over');
      await checkServed(browser, tab.url());

      // The header is washed with clay; everything else stays.
      await page.goto(plan);
      await bench.open('Header');
      await bench.layer('Wash').click();
      await page
        .getByRole('button', { name: /: clay$/ })
        .first()
        .click();
      await bench.kept();
      await page.goto(`${plan}/hand-over`);
      await expect(page.getByTestId('changed')).toContainText('Changed since your last rehearsal');
      await expect(page.getByTestId('changed')).toContainText(': Header.');
      const again = page.getByRole('button', { name: 'Rehearse again' });
      await expect(again).toBeEnabled({ timeout: 120_000 });
      // The tab that was open asks the host again, and is not shown what it has kept.
      await Promise.all([
        page.waitForResponse(
          (r) => r.url().includes('/api/host?') && r.request().method() === 'POST',
        ),
        again.click(),
      ]);
      await expect(page.getByTestId('changed')).toContainText('As you rehearsed it');
      await judge.reload();
      const part = { x: 110, y: 90, width: 60, height: 60 };
      const reddish = async (shot: Buffer) => {
        const { data } = await raw(
          await sharp(shot)
            .extract({ left: part.x, top: part.y, width: part.width, height: part.height })
            .png()
            .toBuffer(),
        );
        let n = 0;
        for (let i = 0; i < data.length; i += 3) {
          if (data[i] > data[i + 2] + 50) {
            n++;
          }
        }
        return n / (part.width * part.height);
      };
      expect(await reddish(drawn.get('Home')!.shot)).toBe(0);
      expect(await reddish(await judge.screenshot())).toBeGreaterThan(0.9);
      await page.locator('summary').click();
      await expect(
        page
          .getByRole('list', { name: 'Uploads' })
          .getByRole('listitem')
          .filter({ hasText: 'pictures/header.png' }),
      ).toContainText('replaced');
      await expect(
        page
          .getByRole('list', { name: 'Uploads' })
          .getByRole('listitem')
          .filter({ hasText: 'pictures/background-tile.png' }),
      ).toContainText('as it was');

      // Emptied, the address has nothing any more.
      await page.getByRole('button', { name: 'Empty the host' }).click();
      await expect(page.getByRole('button', { name: 'Rehearse', exact: true })).toBeVisible();
      expect((await judge.request.get(tab.url())).status()).toBe(404);
    } finally {
      server.close();
      await judge.close();
    }
  },
);

test('the site file opens beside the site with the same pixels, and renders without a browser to the same files @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  await bench.open('Header');
  const before = await bench.pixels();
  // Without loss, so that a letter's edge changes its own px alone.
  await bench.byHand();
  await page.getByRole('radio', { name: 'PNG' }).click();
  await bench.kept();
  await handOver(page, plan);
  const siteFile = await saved(page, /^Site file$/);
  const archive = unzipSync((await saved(page, /^Archive, /)).bytes);
  expect(siteFile.name).toBe('veldrin-clayworks.soyez');
  const folder = test.info().outputDir;
  mkdirSync(folder, { recursive: true });
  const path = join(folder, siteFile.name);
  const out = join(folder, 'out');
  writeFileSync(path, siteFile.bytes);

  const rendered = spawnSync('npx', ['tsx', 'scripts/render.ts', path, '--out', out], {
    encoding: 'utf8',
  });
  expect([rendered.status, rendered.stdout.trim().split('\n').at(-1)]).toEqual([
    0,
    `${Object.keys(archive).length} files in ${out}`,
  ]);
  for (const [name, bytes] of Object.entries(archive)) {
    const own = readFileSync(join(out, name));
    // Letters are drawn by another build of the same library: their edges may differ, and nothing
    // else does.
    if (!name.startsWith('pictures/header')) {
      expect([name, Buffer.compare(own, Buffer.from(bytes))]).toEqual([name, 0]);
      continue;
    }
    const [a, b] = [await raw(own), await raw(bytes)];
    expect([name, a.width, a.height]).toEqual([name, b.width, b.height]);
    let most = 0;
    let elsewhere = 0;
    for (let y = 0, i = 0; y < a.height; y++) {
      for (let x = 0; x < a.width; x++) {
        for (let c = 0; c < 3; c++, i++) {
          const d = Math.abs(a.data[i] - b.data[i]);
          const inWords =
            x > 0.29 * a.width && x < 0.8 * a.width && y > 0.3 * a.height && y < 0.75 * a.height;
          if (inWords) {
            most += d > 40 ? 1 : 0;
          } else {
            elsewhere = Math.max(elsewhere, d);
          }
        }
      }
    }
    expect([name, elsewhere, most < 0.002 * a.data.length]).toEqual([name, 0, true]);
  }
  writeFileSync(path, siteFile.bytes.subarray(0, 500));
  const refused = spawnSync('npx', ['tsx', 'scripts/render.ts', path, '--out', out], {
    encoding: 'utf8',
  });
  expect(refused.status).toBe(1);
  expect(refused.stderr).toContain('veldrin-clayworks.soyez: expected a whole zip archive');

  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Veldrin Clayworks' })).toHaveCount(1);
  await page.setInputFiles('input[data-picks="Open a site file"]', {
    name: 'broken.soyez',
    mimeType: 'application/zip',
    buffer: Buffer.from('nothing'),
  });
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText(
    'broken.soyez: expected a whole zip archive',
  );
  await page.setInputFiles('input[data-picks="Open a site file"]', {
    name: siteFile.name,
    mimeType: 'application/zip',
    buffer: siteFile.bytes,
  });
  await expect(page.getByRole('heading', { name: /Page plan/ })).toBeAttached();
  expect(page.url()).not.toBe(plan);
  await bench.open('Header');
  await expect.poll(() => bench.pixels()).toBe(before);
});

test('a picture goes out as OpenRaster and comes back into its slot as layers, px for px, as one step @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  const before = await bench.pixels();
  await bench.ask('Hand over');
  const ora = await saved(page, /^Save as OpenRaster$/);
  expect(ora.name).toBe('header.ora');
  await page.setInputFiles('input[data-picks="Open OpenRaster in this slot"]', {
    name: 'no.ora',
    mimeType: 'image/openraster',
    buffer: Buffer.from('PK'),
  });
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('no.ora');
  expect(await bench.pixels()).toBe(before);
  await page.setInputFiles('input[data-picks="Open OpenRaster in this slot"]', {
    name: ora.name,
    mimeType: 'image/openraster',
    buffer: ora.bytes,
  });
  await expect(page.getByText('header.ora: 5 layers')).toBeVisible();
  await expect(
    page
      .getByRole('region', { name: 'Layers, back to front' })
      .getByRole('button', { name: /thrown, glazed/ }),
  ).toBeVisible();
  await expect.poll(() => bench.pixels()).toBe(before);
  await page.keyboard.press('Control+z');
  await expect(
    page
      .getByRole('region', { name: 'Layers, back to front' })
      .getByRole('button', { name: /Wash/ }),
  ).toContainText('70%');
  await expect.poll(() => bench.pixels()).toBe(before);
});

test('alternative text is asked for, and an empty one is a decision @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  const answer = page.locator('[data-answer="7"]');
  await expect(answer).toContainText('no alternative text');
  await page.keyboard.press('7');
  await page.getByRole('checkbox', { name: 'It only decorates' }).check();
  await expect(answer).toContainText('WebP ready');
  await expect(page.locator('[data-snippet=HTML]')).toContainText('alt=""');
  await bench.type('Alternative text', 'Five pots on a shelf');
  await expect(page.getByRole('checkbox', { name: 'It only decorates' })).not.toBeChecked();
  await expect(page.locator('[data-snippet=HTML]')).toContainText('alt="Five pots on a shelf"');
});
