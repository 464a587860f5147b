/** Without a connection, and from one build to the next. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { BenchPage, expect, test as base } from './bench.fixture';
import { Relay } from './relay.fixture';

const pots = 'public/library/before-the-firing.jpg';

const test = base.extend<{ relay: Relay; tab: Page }>({
  relay: async ({ baseURL }, use) => {
    const relay = new Relay(baseURL!);
    await relay.start();
    await use(relay);
    await relay.stop();
  },
  tab: async ({ browser }, use) => {
    const context = await browser.newContext({ serviceWorkers: 'allow' });
    await use(await context.newPage());
    await context.close();
  },
});

/** The application is kept, and answers for this page. */
const isKept = (page: Page) =>
  expect
    .poll(() =>
      page.evaluate(async () => {
        const registration = await navigator.serviceWorker.getRegistration();
        return registration?.active?.state === 'activated' && !!navigator.serviceWorker.controller;
      }),
    )
    .toBe(true);

const description = (page: Page) =>
  page.locator('meta[name=description]').first().getAttribute('content');

test('loaded once, the main job is done without a server, from the numbers to the file @landing', async ({
  relay,
  tab,
}) => {
  const bench = new BenchPage(tab);
  await tab.goto(relay.address);
  await isKept(tab);
  await relay.stop();
  await tab.reload();
  await bench.begin(980, 210, pots);
  await expect(bench.answer(1)).toContainText('980 × 210 exact');
  await bench.kept();
  // The bench by its own address, as after a restart of the machine.
  await tab.reload();
  await bench.drawn();
  await bench.ask('Hand over');
  const saved = tab.waitForEvent('download');
  await tab.getByRole('button', { name: /^Download / }).click();
  const file = await sharp(readFileSync(await (await saved).path())).metadata();
  expect([file.format, file.width, file.height]).toEqual(['webp', 980, 210]);

  // All files of the site; what needs others says so and spoils nothing.
  await tab.goto(`${relay.address}/?sample`);
  await bench.planned();
  await tab.getByRole('button', { name: 'Hand over' }).click();
  await expect(tab.getByRole('button', { name: /^Archive, / })).toBeEnabled({
    timeout: 200_000,
  });
  await tab.getByRole('link', { name: 'Veldrin Clayworks' }).click();
  await bench.planned();
  await tab.getByRole('button', { name: 'Shelf', exact: true }).click();
  await tab.getByRole('radio', { name: 'Picture library' }).click();
  await expect(tab.getByText('The library did not answer.')).toBeVisible();
  await relay.start();
});

test('without a server every screen opens by its address @landing', async ({ relay, tab }) => {
  const bench = new BenchPage(tab);
  await tab.goto(`${relay.address}/?sample`);
  await bench.planned();
  await bench.kept();
  await isKept(tab);
  const plan = tab.url();
  await relay.stop();
  for (const [path, shown] of [
    ['', 'Page plan of Veldrin Clayworks'],
    ['/hand-over', 'Hand over of Veldrin Clayworks'],
    ['/recolour', 'Recolour a set for Veldrin Clayworks'],
    ['/shelf?in=library', 'Shelf of Veldrin Clayworks'],
    ['/slots/header', 'Bench of Header'],
  ]) {
    const opened = (await tab.goto(`${plan}${path}`))!;
    expect(opened.fromServiceWorker()).toBe(true);
    await expect(tab.getByRole('heading', { level: 1, name: shown })).toBeAttached();
  }
  await bench.drawn();
  await tab.goto(`${plan}/shelf?in=library`);
  await expect(tab.getByRole('radio', { name: 'Picture library' })).toBeChecked();
  await tab.goto(`${plan}/before-after`);
  await expect(tab.getByText('No page of your own stands in this site.')).toBeVisible();
  await relay.start();
});

test('a newer build waits until it is taken, then every tab starts anew with it @landing', async ({
  relay,
  tab,
}) => {
  await tab.goto(`${relay.address}/?sample`);
  const bench = new BenchPage(tab);
  await bench.planned();
  await isKept(tab);
  const first = await description(tab);
  const other = await tab.context().newPage();
  await other.goto(relay.address);
  expect(await description(other)).toBe(first);

  relay.changed = (text, path) =>
    path === '/offline.js'
      ? text.replaceAll(/"revision":"(?=[^"])/g, '"revision":"later-')
      : text.replaceAll(first!, 'The later build.');
  await tab.reload();
  await bench.planned();
  // Its pages and what they load stay of one build until then.
  await expect(tab.getByText('A newer Soyez is ready.')).toBeVisible();
  expect(await description(tab)).toBe(first);
  await tab.getByRole('button', { name: 'Start it' }).click();
  await expect.poll(() => description(tab)).toBe('The later build.');
  await expect.poll(() => description(other)).toBe('The later build.');
  await bench.planned();
  await expect(tab.getByText('A newer Soyez is ready.')).toBeHidden();
});
