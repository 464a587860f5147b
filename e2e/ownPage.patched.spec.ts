/**
 * What is handed over into the owner's page, against the page itself: both served as they are, with
 * their scripts, and asked by Chromium.
 */
import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { check } from './accessible.fixture';
import { expect, test, type BenchPage } from './bench.fixture';
import { serve } from './served.fixture';

const screens = [360, 600, 768, 1024, 1280, 1920] as const;

const speckled = (width: number, height: number, [r, g, b]: readonly number[]) => {
  const data = Buffer.alloc(width * height * 3);
  for (let i = 0; i < data.length; i += 3) {
    const light = (i * 7919) % 29;
    data.set([r + light, g + ((i >> 4) % 17), b + ((i >> 6) % 11)], i);
  }
  return sharp(data, { raw: { width, height, channels: 3 } });
};

/** In windows-1252, with line ends of its time. */
const sheet = [
  '@charset "windows-1252";',
  '/* caf\u00e9 colours */',
  'body{margin:0;background:#223 url(../img/back.png) repeat;color:#fff;font:18px/1.5 serif}',
  '.hero{',
  '\theight:220px;max-width:900px;margin:0 auto;',
  '\tbackground:url(../img/hero.jpg) 50% 20%/cover',
  '}',
  '@media (max-width:700px){ .hero{background-position:0 0 !important} }',
  '.hero h2{margin:0;padding:80px 20px;color:#fff;font:16px serif}',
  'main{max-width:720px;margin:0 auto;padding:20px}',
  'main img{max-width:100%;height:auto}',
  '.room{height:200px;background:#444}',
  '',
].join('\r\n');

const html = `<!DOCTYPE html>
<html lang=en><head><meta charset=utf-8><title>Firing days</title>
<script>document.documentElement.classList.add("js")</script>
<link rel=stylesheet href='css/a.css'></head>
<body onload="document.body.dataset.loaded = 'yes'"><div class=hero><h2>The small kiln</h2></div><main><h1>Firing days — Öfen</h1>
<p>${'Words about the kiln and its days. '.repeat(30)}</p>
<img alt="A bowl" src="img/half.jpg" srcset="img/half.jpg 1x, img/full.jpg 2x" width=600 height=240>
<p>${'More words. '.repeat(90)}</p></main><section class="room"></section></body></html>
`;

async function pageFiles(): Promise<Record<string, Uint8Array>> {
  return {
    'index.html': new Uint8Array(Buffer.from(html, 'utf8')),
    'css/a.css': new Uint8Array(Buffer.from(sheet, 'latin1')),
    'img/back.png': await speckled(64, 48, [40, 60, 80]).png().toBuffer(),
    'img/hero.jpg': await speckled(900, 300, [90, 140, 90]).jpeg().toBuffer(),
    'img/half.jpg': await speckled(600, 240, [160, 90, 60]).jpeg().toBuffer(),
    'img/full.jpg': await speckled(1200, 480, [160, 90, 60]).jpeg().toBuffer(),
  };
}

async function takenOver(bench: BenchPage, page: Page, zip: Uint8Array): Promise<string> {
  await bench.start();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  // Until then what is dropped falls on the plan.
  await page.getByRole('heading', { name: 'Start' }).waitFor({ state: 'attached' });
  await bench.drop(page.getByRole('main'), [
    { name: 'firing.zip', type: 'application/zip', bytes: Buffer.from(zip) },
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Put this message away' }).click();
  await page.waitForURL(/\/sites\/[^/]+$/);
  // The page and what was measured of it are much to write; what follows loads the plan anew.
  await bench.kept();
  return page.url();
}

/** The bench of a slot with another photograph in it. */
async function laidAnew(bench: BenchPage, page: Page, plan: string, slot: RegExp): Promise<void> {
  await page.goto(plan);
  await page.getByRole('link', { name: slot }).focus();
  await page.keyboard.press('Enter');
  await bench.drawn();
  const before = await bench.pixels();
  const bytes = await speckled(900, 1600, [200, 120, 40]).jpeg().toBuffer();
  await bench.drop(page.getByRole('main'), [{ name: 'new.jpg', type: 'image/jpeg', bytes }]);
  await expect.poll(() => bench.pixels()).not.toBe(before);
  await bench.kept();
}

async function saved(page: Page, button: string | RegExp): Promise<string> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: button }).click(),
  ]);
  return download.path();
}

async function handed(page: Page, button: RegExp): Promise<Record<string, Uint8Array>> {
  return unzipSync(readFileSync(await saved(page, button)));
}

const boxes = (page: Page) =>
  page.evaluate(() =>
    [...document.querySelectorAll('body, body *')].map((element) => {
      const { x, y, width, height } = element.getBoundingClientRect();
      return [element.localName, x, y, width, height].join(' ');
    }),
  );

test('a page’s files take new pictures: lines change and nothing else, and what a page’s own rules undo is seen and mended @landing', async ({
  bench,
  page,
  context,
}) => {
  const files = await pageFiles();
  const plan = await takenOver(bench, page, zipSync(files));
  await laidAnew(bench, page, plan, /^Page background, /);
  await laidAnew(bench, page, plan, /, 600 by 240 px/);
  await laidAnew(bench, page, plan, /, 900 by 300 px/);
  await bench.byHand();
  await page.getByRole('radio', { name: 'WebP' }).click();
  await bench.ask('How big');
  await page.getByRole('radio', { name: 'On the page' }).click();
  const hero = page.frameLocator('[data-testid=own-page] iframe').locator('.hero');
  await expect(hero).toHaveCSS('background-size', 'cover');
  await page.getByRole('combobox', { name: 'Size on the page' }).click();
  await page.getByRole('option', { name: 'contain' }).click();
  await expect(hero).toHaveCSS('background-size', 'contain');
  await page.getByRole('radio', { name: 'middle right' }).click();
  await expect(hero).toHaveCSS('background-position', '100% 50%');
  await bench.ask('Does it blend');
  await page.getByRole('radio', { name: 'Page’s words' }).click();
  await expect(page.locator('[data-reading=page-words]')).toHaveAttribute('data-verdict', 'fails');
  await expect(page.getByTestId('page-word-spots')).toContainText(/^2\.\d:1$/);
  await check(page, 'the words of the page over a picture');
  await page.getByRole('button', { name: 'The page’s words in black' }).click();
  await expect(hero.locator('h2')).toHaveCSS('color', 'rgb(0, 0, 0)');
  await expect(page.locator('[data-reading=page-words]')).toHaveAttribute('data-verdict', 'holds');
  await bench.kept();

  await page.goto(`${plan}/hand-over`);
  const panel = page.getByRole('region', { name: 'Your page Firing days' });
  const look = /lays .* otherwise on screens from 320 to 680 px/;
  await expect(panel.getByText(look)).toBeVisible({ timeout: 90_000 });
  await check(page, 'the hand-over of an own page');
  // A rule of its own is not enough against one that is important.
  await panel.getByRole('button', { name: 'Give it a rule of its own' }).click();
  await panel.getByRole('button', { name: 'Let its rule outdo all others' }).click();
  await expect(panel.getByRole('status')).toContainText('Checked at 24 widths', {
    timeout: 90_000,
  });

  const whole = await handed(page, /^The whole folder/);
  const changed = await handed(page, /^The \d files that changed/);
  expect(Object.keys(changed).sort()).toEqual([
    'css/a.css',
    'img/back.png',
    'img/half.jpg',
    'img/hero.webp',
    'index.html',
  ]);
  const text = Buffer.from(whole['css/a.css']).toString('latin1');
  const renamed = sheet.replace('url(../img/hero.jpg)', 'url("../img/hero.webp")');
  expect(text.startsWith(renamed)).toBe(true);
  expect(text.slice(renamed.length)).toMatch(
    /^div:not\(#_#_#_\) \{\n {2}background-image: url\("\.\.\/img\/hero\.webp"\) !important;\n {2}background-position: 100% 50% !important;\n {2}background-size: contain !important;\n\}\nh2:not\(#_#_#_\) \{\n {2}color: #000000;\n\}\n$/,
  );
  expect(Buffer.from(whole['index.html']).toString('utf8')).toBe(
    html.replace('srcset="img/half.jpg 1x, img/full.jpg 2x"', 'srcset="img/half.jpg 1x"'),
  );
  for (const path of ['img/full.jpg', 'img/hero.jpg']) {
    expect(Buffer.compare(Buffer.from(whole[path]), Buffer.from(files[path]))).toBe(0);
  }

  const [before, after] = [await serve(files), await serve(whole)];
  const tab = await context.newPage();
  try {
    for (const width of screens) {
      await tab.setViewportSize({ width, height: 800 });
      await tab.goto(`${before.address}/index.html`);
      await expect(tab.locator('body')).toHaveAttribute('data-loaded', 'yes');
      const there = await boxes(tab);
      const asked = new Set<string>();
      tab.on('request', (request) => asked.add(new URL(request.url()).pathname));
      await tab.goto(`${after.address}/index.html`);
      await expect(tab.locator('body')).toHaveAttribute('data-loaded', 'yes');
      expect(await boxes(tab)).toEqual(there);
      expect([...asked]).toEqual(
        expect.arrayContaining(['/img/hero.webp', '/img/back.png', '/img/half.jpg']),
      );
      expect([...asked]).not.toContain('/img/hero.jpg');
      await expect(tab.locator('.hero')).toHaveCSS('background-size', 'contain');
      await expect(tab.locator('.hero')).toHaveCSS('background-position', '100% 50%');
      await expect(tab.locator('h2')).toHaveCSS('color', 'rgb(0, 0, 0)');
      tab.removeAllListeners('request');
    }
    const sizes = await tab.evaluate(async () => {
      const sizeOf = async (path: string) => {
        const image = new Image();
        image.src = path;
        await image.decode();
        return [image.naturalWidth, image.naturalHeight];
      };
      return [await sizeOf('img/hero.webp'), await sizeOf('img/half.jpg')];
    });
    expect(sizes).toEqual([
      [900, 300],
      [600, 240],
    ]);
  } finally {
    await tab.close();
    before.server.close();
    after.server.close();
  }

  // The site file renders to the same without a browser, in the page too.
  const kept = await saved(page, 'Site file');
  const archived = unzipSync(readFileSync(await saved(page, /^Archive, /)));
  const out = test.info().outputPath('rendered');
  const rendered = spawnSync('npx', ['tsx', 'scripts/render.ts', kept, '--out', out]);
  expect([rendered.status, rendered.stderr.toString().replace(/^npm .*\n/gm, '')]).toEqual([0, '']);
  const binary = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1');
  for (const path of ['css/a.css', 'index.html']) {
    expect(binary(readFileSync(join(out, 'your-page', path)))).toBe(binary(whole[path]));
  }
  const own = Object.keys(archived).find((path) => binary(archived[path]).includes('Firing days'))!;
  const ofNode: Record<string, Uint8Array> = {};
  for (const path of Object.keys(archived)) {
    ofNode[path] = readFileSync(join(out, path));
  }
  expect(binary(ofNode[own])).toBe(binary(archived[own]));
  const [byNode, byBrowser] = [await serve(ofNode), await serve(archived)];
  const judge = await context.newPage();
  try {
    for (const width of [360, 1280]) {
      await judge.setViewportSize({ width, height: 800 });
      const shots: Buffer[] = [];
      for (const { address } of [byNode, byBrowser]) {
        await judge.goto(`${address}/${own}`, { waitUntil: 'networkidle' });
        shots.push(await judge.screenshot());
      }
      expect(Buffer.compare(shots[0], shots[1])).toBe(0);
    }
  } finally {
    await judge.close();
    byNode.server.close();
    byBrowser.server.close();
  }

  // Pictures alone: in their own formats, and what is to be set is said.
  await page.getByRole('checkbox', { name: 'Its style sheets and tags may change too' }).uncheck();
  const steps = page.getByRole('list', { name: 'What to do for Firing days' });
  await expect(steps.getByText('Upload hero.jpg over img/hero.jpg.')).toContainText(
    'Set position: 100% 50%, size: contain.',
    { timeout: 90_000 },
  );
  await expect(panel.getByRole('button', { name: /^The 3 files that changed/ })).toBeVisible();
});
