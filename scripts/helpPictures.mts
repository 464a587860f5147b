/**
 * Takes the pictures of the help anew, from the sample, and lays them in `public/help`. Soyez is to
 * run: `BASE=http://localhost:3210 npm run helppictures`.
 */
import { chromium, type Locator, type Page } from '@playwright/test';
import { mkdirSync } from 'node:fs';
import sharp from 'sharp';
import type { TopicName } from '../src/ui/help/topics';

const base = process.env.BASE ?? 'http://localhost:3210';
const size = { width: 548, height: 260 };

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu'],
});
const context = await browser.newContext({
  viewport: { width: 1280, height: 800 },
  deviceScaleFactor: 2,
  serviceWorkers: 'block',
});
const page = await context.newPage();
mkdirSync('public/help', { recursive: true });

/** A part of the screen of the help's shape, from the upper left corner of what is shown. */
async function take(topic: TopicName, shown: Locator, off = { x: 0, y: 0 }): Promise<void> {
  const box = (await shown.first().boundingBox())!;
  const clip = {
    x: Math.max(0, box.x + off.x),
    y: Math.max(0, box.y + off.y),
    width: size.width * 0.7,
    height: size.height * 0.7,
  };
  clip.x = Math.min(clip.x, 1280 - clip.width);
  clip.y = Math.min(clip.y, 800 - clip.height);
  const png = await page.screenshot({ clip });
  await sharp(png)
    .resize(size.width, size.height)
    .webp({ quality: 80 })
    .toFile(`public/help/${topic}.webp`);
}

const rest = (tab: Page) => tab.waitForTimeout(1500);
const panel = (name: string) => page.getByRole('region', { name, exact: true });

await page.goto(`${base}/?sample`);
await page.getByRole('heading', { name: /^Page plan of/ }).waitFor({ state: 'attached' });
await page.getByText(/^measuring/).waitFor({ state: 'detached', timeout: 120_000 });
await rest(page);
const plan = page.url();
await take('slots', panel('Slots on this page'));
await take('colours', panel('Theme colours'));
await take('findings', panel('Findings'), { x: 0, y: 0 });
await page.getByRole('button', { name: 'Page layout' }).click();
await rest(page);
await take('page', page.getByRole('region', { name: 'From top to bottom' }));
await page
  .getByRole('navigation', { name: 'Panel' })
  .getByRole('button', { name: 'Visitors' })
  .click();
await rest(page);
await take('visitors', page.getByRole('heading', { name: /^Background showing/ }), {
  x: -8,
  y: -6,
});

await page.goto(`${plan}/slots/header`);
await page.locator('canvas[data-ready=true]').waitFor();
await rest(page);
await take('layers', panel('Layers, back to front'));
await take('readings', panel('Readings'), { x: -60, y: 0 });
const tray = page.locator('[data-tray]');
const ask = (question: string) =>
  page
    .getByRole('navigation', { name: 'Questions' })
    .getByRole('button', { name: question })
    .click();
await ask('How big');
await rest(page);
await take('size', page.getByTestId('picture-area'), { x: -40, y: 60 });
await ask('Which part');
await rest(page);
await take('part', page.getByTestId('picture-area'), { x: 300, y: 30 });
for (const [question, topic] of [
  ['What colour', 'colour'],
  ['What on top', 'top'],
  ['Does it blend', 'blend'],
  ['How heavy', 'heavy'],
  ['Hand over', 'file'],
] as const) {
  await ask(question);
  await rest(page);
  if (question === 'How heavy') {
    await page.waitForTimeout(6000);
  }
  await take(topic, tray, { x: 396, y: 0 });
}
await page.goto(`${plan}/shelf`);
await rest(page);
await take('shelf', page.getByRole('main'), { x: 0, y: 0 });
await page.goto(`${plan}/recolour`);
await rest(page);
await page
  .getByRole('button', { name: /the sample theme|Slate|sample/i })
  .first()
  .click();
await page.waitForTimeout(6000);
await take('recolour', page.getByRole('region', { name: 'Pieces of the set' }), { x: 0, y: 30 });
await page.goto(`${plan}/hand-over`);
await page.getByRole('button', { name: /^Archive, / }).waitFor({ timeout: 200_000 });
await rest(page);
await take('archive', page.getByRole('main'), { x: 0, y: 0 });
await browser.close();
