/** Workers that die in the middle of their work: it goes on, and nothing is lost. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { BenchPage, expect, test } from './bench.fixture';
import { numbers } from '@/app/numbers.fixture';

type Faulty = typeof globalThis & { killOne(which: number): boolean };

/** Keeps count of the workers of a page, so that one can die as a crash makes it die. */
async function watchWorkers(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const alive: Worker[] = [];
    const Plain = Worker;
    globalThis.Worker = class extends Plain {
      constructor(address: string | URL, options?: WorkerOptions) {
        super(address, options);
        alive.push(this);
      }
      terminate() {
        alive.splice(alive.indexOf(this), 1);
        super.terminate();
      }
    };
    (globalThis as Faulty).killOne = (which) => {
      const victim = alive[Math.floor(which * alive.length)];
      if (!victim) {
        return false;
      }
      victim.terminate();
      victim.dispatchEvent(new ErrorEvent('error', { message: 'out of memory' }));
      return true;
    };
  });
}

/** Everything that workers do for a person, each with what tells that it was done. */
class Jobs {
  private pictures = 0;

  constructor(
    private readonly bench: BenchPage,
    private readonly page: Page,
    private readonly plan: string,
  ) {}

  readonly all: readonly (() => Promise<void>)[] = [
    () => this.drag(),
    () => this.importPhoto(),
    () => this.download(),
    () => this.search(),
    () => this.recolour(),
    () => this.archive(),
  ];

  private async openBench(): Promise<void> {
    await this.page.goto(this.plan);
    await this.bench.planned();
    await this.bench.open('Header');
  }

  private async drag(): Promise<void> {
    await this.openBench();
    await this.bench.layer('Wash').click();
    const before = await this.bench.pixels();
    for (let i = 0; i < 5; i++) {
      await this.page.keyboard.press('h');
    }
    await this.bench.kept();
    expect(await this.bench.pixels()).not.toBe(before);
    for (let i = 0; i < 5; i++) {
      await this.page.keyboard.press('Control+z');
    }
    expect(await this.bench.pixels()).toBe(before);
  }

  private async importPhoto(): Promise<void> {
    await this.page.goto(`${this.plan}/shelf`);
    const items = this.page.getByRole('main').getByRole('listitem');
    await this.bench.type('Least width', '0');
    await expect(items).toHaveCount(7 + this.pictures);
    const bytes = await sharp({
      create: { width: 1600 + this.pictures, height: 900, channels: 3, background: '#a4553a' },
    })
      .jpeg()
      .toBuffer();
    await this.bench.drop(this.page.getByRole('group', { name: 'Pictures for the shelf' }), [
      { name: 'clay.jpg', type: 'image/jpeg', bytes },
    ]);
    this.pictures++;
    await expect(items).toHaveCount(7 + this.pictures);
  }

  private async download(): Promise<void> {
    await this.openBench();
    await this.bench.layer('Wash').click();
    await this.page.keyboard.press('h');
    const { path } = await this.bench.download();
    const { width, height } = await sharp(path).metadata();
    expect([width, height]).toEqual([1080, 220]);
  }

  private async search(): Promise<void> {
    await this.openBench();
    await this.bench.ask('How heavy');
    await this.page
      .getByRole('button', { name: /^(Find the lightest file|Search again)$/ })
      .click();
    await expect(this.page.getByTestId('search-status')).toContainText('✓', { timeout: 120_000 });
  }

  private async recolour(): Promise<void> {
    await this.page.goto(`${this.plan}/recolour`);
    const door = this.page.getByRole('group', { name: 'Drop a theme' });
    const table = this.page.getByRole('table', { name: 'Pieces' });
    await expect(door.or(table)).toBeVisible();
    if (await door.isVisible()) {
      await this.bench.drop(door, [
        {
          name: 'slate-theme.zip',
          type: 'application/zip',
          bytes: readFileSync('public/sample/slate-theme.zip'),
        },
      ]);
    }
    await expect(table).toBeVisible();
    await expect(this.page.getByText('30 pieces, 1 style sheet')).toBeVisible();
  }

  private async archive(): Promise<void> {
    await this.page.goto(`${this.plan}/hand-over`);
    await expect(this.page.getByRole('button', { name: /^Archive, / })).toBeEnabled({
      timeout: 150_000,
    });
  }
}

test('a page that ended the tab is not laid out by itself again, and is where that is asked for @landing', async ({
  browser,
}) => {
  const { baseURL, viewport } = test.info().project.use;
  const context = await browser.newContext({ baseURL, viewport });
  const first = await context.newPage();
  const bench = new BenchPage(first);
  await bench.start();
  const bytes = readFileSync('public/sample/kiln-weekend.mhtml');
  await bench.drop(first.getByRole('main'), [{ name: 'kiln-weekend.mhtml', type: '', bytes }]);
  await first.getByRole('button', { name: 'Take it over' }).click();
  const choose = (page: Page) => page.getByRole('radio', { name: /^Open kiln weekend/ }).click();
  const isSeen = (page: Page) =>
    expect(page.getByTestId('page').locator('div[inert]')).toHaveCSS('visibility', 'visible');
  const isBeingOpened = async (page: Page) => {
    await choose(page);
    await page.waitForSelector('iframe', { state: 'attached' });
  };
  const refused = (page: Page) => page.getByText(/ended or stood still while it was laid out/);
  await isSeen(first);
  await bench.kept();
  const address = first.url();

  // Loaded anew while it is laid out is in good order.
  await first.reload();
  await isBeingOpened(first);
  await first.reload();
  await choose(first);
  await isSeen(first);
  await expect(refused(first)).toHaveCount(0);

  const second = await context.newPage();
  await second.goto(address);
  await isBeingOpened(second);
  const gone = second.waitForEvent('crash');
  // What the browser does with a tab whose program ended is up to it: it does not answer any more.
  void (await context.newCDPSession(second)).send('Page.crash').catch(() => {});
  await gone;

  const third = await context.newPage();
  await third.goto(address);
  await choose(third);
  await expect(refused(third).first()).toBeVisible();
  await expect(third.locator('iframe')).toHaveCount(0);
  await third.getByRole('button', { name: 'Lay it out all the same' }).click();
  await isSeen(third);
  await expect(refused(third)).toHaveCount(0);
  await context.close();
});

test('workers are killed at any moment of any job: each is done all the same @landing', async ({
  page,
}) => {
  // More than every run has time for: FAULTS=100.
  const faults = Number(process.env.FAULTS ?? 3);
  test.setTimeout(240_000 + faults * 60_000);
  const wrong: string[] = [];
  page.on('pageerror', (error) => wrong.push(error.message));
  await watchWorkers(page);
  const bench = new BenchPage(page);
  await bench.start();
  const jobs = new Jobs(bench, page, page.url());
  const random = numbers(20261130);
  let killed = 0;
  for (let i = 0; i < faults; i++) {
    const job = jobs.all[i % jobs.all.length];
    const [when, which] = [random(), random()];
    let going = true;
    const killing = (async () => {
      await page.waitForTimeout(when * 3000);
      // A page that is just left has none.
      while (
        going &&
        !(await page.evaluate((w) => (globalThis as Faulty).killOne?.(w), which).catch(() => false))
      ) {
        await page.waitForTimeout(50);
      }
      killed += going ? 1 : 0;
    })();
    await job().catch((error: Error) => {
      wrong.push(`${i} at ${Math.round(when * 3000)} ms: ${error.message}`);
    });
    going = false;
    await killing;
  }
  expect(wrong).toEqual([]);
  expect(killed).toBeGreaterThan(faults / 2);
});
