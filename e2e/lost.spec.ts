/** What is done is never lost: several tabs, a store that fails, fills up or is cleared, a kill. */
import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, errors, type Page } from '@playwright/test';
import { BenchPage, expect, inNewTab as test } from './bench.fixture';

interface Stored {
  readonly sites: number;
  readonly labels: readonly string[];
  readonly hidden: readonly string[];
}

/** What the browser's own database holds, past the program. */
const stored = (page: Page): Promise<Stored> =>
  page.evaluate(async () => {
    const open = indexedDB.open('soyez');
    // Only looks: a database that is not there is not made.
    open.onupgradeneeded = () => open.transaction!.abort();
    const db = await new Promise<IDBDatabase | undefined>((resolve, reject) => {
      open.onsuccess = () => resolve(open.result);
      open.onerror = () =>
        open.error?.name === 'AbortError' ? resolve(undefined) : reject(open.error);
    });
    if (!db) {
      return { sites: 0, labels: [], hidden: [] };
    }
    const all = <T>(store: string) =>
      new Promise<T[]>((resolve, reject) => {
        const asked = db.transaction(store).objectStore(store).getAll();
        asked.onsuccess = () => resolve(asked.result as T[]);
        asked.onerror = () => reject(asked.error);
      });
    type Row = {
      site: { pictures: Record<string, { layers: { kind: string; hidden: boolean }[] }> };
    };
    const sites = await all<Row>('sites');
    const steps = await all<{ seq: number; label: string }>('history');
    db.close();
    const layers = sites.flatMap((s) => Object.values(s.site.pictures).flatMap((p) => p.layers));
    return {
      sites: sites.length,
      labels: steps.sort((a, b) => a.seq - b.seq).map((s) => s.label),
      hidden: layers.filter((l) => l.hidden).map((l) => l.kind),
    };
  });

const mark = (page: Page) => page.getByRole('status', { name: 'What is kept' });
const kept = (page: Page) => expect(mark(page)).toHaveAttribute('data-kept', 'kept');

test('two tabs on one site: strokes at once in both are all kept, and each shows the other’s @landing', async ({
  bench,
  page,
  context,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('Veldrin').click();
  const other = await context.newPage();
  await other.goto(page.url());
  const there = new BenchPage(other);
  await there.drawn();
  await there.layer('Wash').click();
  const rounds = 30;
  for (let i = 0; i < rounds; i++) {
    // A nudge and the next command are two steps in one task.
    await Promise.all([
      page.keyboard.press('ArrowRight').then(() => page.keyboard.press('h')),
      other.waitForTimeout((i * 7) % 51).then(() => other.keyboard.press('h')),
    ]);
  }
  await kept(page);
  await kept(other);
  const { labels } = await stored(page);
  const count = (label: RegExp) => labels.filter((l) => label.test(l)).length;
  expect(count(/^(Hide|Show) Wash/)).toBe(rounds);
  expect(count(/^(Hide|Show) Veldrin/)).toBe(rounds);
  expect(labels.length).toBe(3 * rounds);
  // What one does, the other shows without being touched.
  await other.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Undo: Hide Wash' })).toBeEnabled();
  expect(await bench.pixels()).toBe(await bench.pixels(other));
});

/** Lets writes of sites fail with an error of the browser's, while the page's own storage says so. */
const failing = (page: Page) =>
  page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...given) {
      const name = localStorage.getItem('fail');
      if (this.name === 'sites' && name) {
        throw new DOMException('The disk is asleep.', name);
      }
      return put.apply(this, given);
    };
  });
const failWith = (page: Page, name: string | undefined) =>
  page.evaluate(
    (error) => (error ? localStorage.setItem('fail', error) : localStorage.removeItem('fail')),
    name,
  );

test('a write that fails is said with its way out on every screen, and is written again', async ({
  bench,
  page,
}) => {
  await failing(page);
  await bench.start();
  await bench.open('Header');
  await bench.layer('Wash').click();
  await failWith(page, 'UnknownError');
  await page.keyboard.press('h');
  const said = page.getByRole('alert').filter({ hasText: 'not kept' });
  await expect(said).toContainText(
    'The last step is not kept: the browser could not write. The disk may be full',
  );
  await expect(mark(page)).toHaveText(/Not kept/);
  await page.getByRole('link', { name: 'Veldrin Clayworks' }).click();
  await expect(said).toBeVisible();
  await page.getByRole('link', { name: 'Sites', exact: true }).click();
  await expect(said).toBeVisible();
  const file = page.waitForEvent('download');
  await said.getByRole('button', { name: 'Save the site file now' }).click();
  expect((await file).suggestedFilename()).toBe('veldrin-clayworks.soyez');
  // Leaving now would lose it: the browser asks.
  const asked = page.waitForEvent('dialog');
  const leaving = page.reload({ timeout: 4000 }).catch(() => undefined);
  const dialog = await asked;
  expect(dialog.type()).toBe('beforeunload');
  await dialog.dismiss();
  await leaving;
  expect((await stored(page)).labels).toEqual([]);
  await failWith(page, undefined);
  // It is tried again by itself too, which may come first.
  await said
    .getByRole('button', { name: 'Try again' })
    .click({ timeout: 2000 })
    .catch(() => undefined);
  await kept(page);
  await expect(said).toBeHidden();
  expect((await stored(page)).labels).toEqual(['Hide Wash']);
});

test('a full disk and a cleared store are said in words, and nothing that was done goes @landing', async ({
  bench,
  page,
  context,
}) => {
  await failing(page);
  await bench.start();
  await bench.open('Header');
  await bench.layer('Wash').click();
  await page.keyboard.press('h');
  await kept(page);
  const cdp = await context.newCDPSession(page);
  const origin = new URL(page.url()).origin;
  await failWith(page, 'QuotaExceededError');
  await page.keyboard.press('h');
  const said = page.getByRole('alert').filter({ hasText: 'not kept' });
  await expect(said).toContainText('this browser gives Soyez no more room');
  await page.keyboard.press('l');
  await failWith(page, undefined);
  await kept(page);
  expect((await stored(page)).labels).toEqual(['Hide Wash', 'Show Wash', 'Lock Wash']);

  const clear = () => cdp.send('Storage.clearDataForOrigin', { origin, storageTypes: 'indexeddb' });
  await clear();
  await page.keyboard.press('h');
  await expect(page.getByRole('button', { name: 'Undo: Hide Wash' })).toBeEnabled();
  await kept(page);
  expect(await stored(page)).toMatchObject({ sites: 1, hidden: ['fill'] });
  expect((await stored(page)).labels).toHaveLength(4);
  // Nothing needs to be done for a cleared store to be noticed.
  await clear();
  await expect.poll(async () => (await stored(page)).sites).toBe(1);
  // While it is cleared the browser refuses to open it, too.
  const rounds = 12;
  for (let i = 0; i < rounds; i++) {
    const clearing = clear();
    await page.waitForTimeout((i * 7) % 40);
    await page.keyboard.press('h');
    await clearing;
  }
  await expect.poll(async () => (await stored(page)).labels.length).toBe(4 + rounds);
  await kept(page);
  await page.reload();
  await bench.drawn();
});

/** A browser of its own on a folder of its own, to be killed. */
interface Own {
  readonly page: Page;
  kill(): Promise<void>;
}

/**
 * Chromium, begun on the folder of one that was killed, at times takes a connection and never answers
 * it; such a one is killed too, before it was shown anything.
 */
const answersWithin = 20_000;

/** @param tries browsers that are begun, at most */
async function start(folder: string, tries = 4): Promise<Own> {
  const { executablePath, args } = test.info().project.use.launchOptions!;
  const process: ChildProcess = spawn(
    executablePath!,
    [
      ...args!,
      '--headless=new',
      '--window-size=1280,900',
      '--remote-debugging-port=0',
      `--user-data-dir=${folder}`,
    ],
    { detached: true, stdio: ['ignore', 'ignore', 'pipe'] },
  );
  const kill = async () => {
    const ended = new Promise((resolve) => process.once('exit', resolve));
    // All of its processes, at once, as when the power goes.
    globalThis.process.kill(-process.pid!, 'SIGKILL');
    await ended;
  };
  const address = await new Promise<string>((resolve) => {
    process.stderr!.on('data', (text: Buffer) => {
      const found = /DevTools listening on (\S+)/.exec(text.toString());
      if (found) {
        resolve(found[1]);
      }
    });
  });
  try {
    const browser = await chromium.connectOverCDP(address, { timeout: answersWithin });
    return { page: await browser.contexts()[0].newPage(), kill };
  } catch (error) {
    await kill();
    if (tries > 1 && error instanceof errors.TimeoutError) {
      return start(folder, tries - 1);
    }
    throw error;
  }
}

/**
 * Waits until the browser has noted on its disk that the origin has storage. It does so a while after
 * the first of it; killed before, Chromium begins with empty storage, whatever was written there.
 */
async function originNoted(folder: string, origin: string): Promise<void> {
  const noted = () => {
    const path = join(folder, 'Default', 'WebStorage', 'QuotaManager');
    const journal = `${path}-journal`;
    return (
      existsSync(path) &&
      readFileSync(path).includes(origin) &&
      (!existsSync(journal) || statSync(journal).size === 0)
    );
  };
  await expect.poll(noted).toBe(true);
}

test('a browser that is killed at any moment comes back with everything that was said to be kept @landing', async ({
  baseURL,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'soyez-killed-'));
  // More rounds than every run of the tests has time for: ROUNDS=20.
  const rounds = Number(process.env.ROUNDS ?? 3);
  let url = '';
  let keptSteps = 0;
  for (let round = 0; round < rounds; round++) {
    const { page, kill } = await start(folder);
    const bench = new BenchPage(page);
    if (url) {
      await page.goto(url);
      await bench.drawn();
      expect((await stored(page)).labels.length).toBeGreaterThanOrEqual(keptSteps);
      keptSteps = (await stored(page)).labels.length;
    } else {
      await page.goto(`${baseURL}/?sample`);
      await bench.planned();
      await bench.open('Header');
      url = page.url();
      await originNoted(folder, new URL(url).origin);
    }
    await bench.layer('Wash').click();
    const before = keptSteps;
    const presses = 3 + ((round * 5) % 9);
    for (let i = 1; i <= presses; i++) {
      await page.keyboard.press('h');
      await page.waitForTimeout((round * 13 + i * 7) % 30);
      if ((await mark(page).getAttribute('data-kept')) === 'kept') {
        keptSteps = before + i;
      }
    }
    await kill();
  }
  const { page, kill } = await start(folder);
  await page.goto(url);
  await new BenchPage(page).drawn();
  expect((await stored(page)).labels.length).toBeGreaterThanOrEqual(keptSteps);
  expect(keptSteps).toBeGreaterThan(0);
  await kill();
  rmSync(folder, { recursive: true, force: true });
});
