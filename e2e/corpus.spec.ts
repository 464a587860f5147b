import { createHash } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Page } from '@playwright/test';
import { corpus, type Door } from '@/app/corpus.fixture';
import { inspectPicture } from '@/core/measure/inspect';
import { openPages } from '@/core/ownPage/openPages';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { expect, inNewTab as test, type BenchPage } from './bench.fixture';
import { application, closed, showIn, surveyIn } from './frozenPage.fixture';
import { longestHold } from './holds.fixture';

/** Where all files that would ask for something ask for it. */
const elsewhere = /example\.invalid/;

/** Everything that no file may bring about: what was asked for elsewhere, dialogs, and errors. */
function watched(page: Page): readonly string[] {
  const told: string[] = [];
  page.on('request', (request) => {
    if (elsewhere.test(request.url())) {
      told.push(request.url());
    }
  });
  page.on('dialog', (dialog) => {
    told.push(dialog.message());
    void dialog.dismiss();
  });
  page.on('pageerror', (error) => told.push(error.message));
  return told;
}

/** What Node makes of pictures with the same codecs; equal files lie on a shelf once. */
async function foreseen(
  files: readonly { readonly name: string; readonly bytes: Buffer }[],
): Promise<{ taken: number; refused: number }> {
  const { codecs, close } = await nodeCodecs();
  const taken = new Set<string>();
  let refused = 0;
  for (const { name, bytes } of files) {
    try {
      inspectPicture(name, bytes);
      await codecs.decode(bytes);
      taken.add(createHash('sha256').update(bytes).digest('hex'));
    } catch {
      refused++;
    }
  }
  close();
  return { taken: taken.size, refused };
}

test('every picture of the corpus is dropped on the shelf at once: each is there or named, and nothing else happens @landing', async ({
  bench,
  page,
}) => {
  const told = watched(page);
  await bench.start();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  const switched = page.getByRole('radio', { name: /^On the shelf/ });
  await expect(switched).toHaveAccessibleName('On the shelf (7)');
  const files = (await corpus())
    .filter(({ door }) => door === 'picture')
    .map(({ name, bytes }) => ({ name, type: '', bytes: Buffer.from(bytes) }));
  await bench.drop(page.getByRole('group', { name: 'Pictures for the shelf' }), files);
  const messages = page.getByRole('region', { name: 'Messages' });
  const more = messages.getByText(/^\d+ more files were not taken: /);
  await expect(more).toBeVisible({ timeout: 150_000 });
  const { taken, refused } = await foreseen(files);
  await expect(more).toHaveText(new RegExp(`^${refused - 3} more files`));
  await expect(switched).toHaveAccessibleName(`On the shelf (${taken + 7})`);
  for (const words of await messages.getByRole('listitem').allTextContents()) {
    expect(words).not.toMatch(/undefined|TypeError|RuntimeError|Vips|memory access/);
  }
  // All of them go on being pictures of the shelf.
  await page.reload();
  await expect(switched).toHaveAccessibleName(`On the shelf (${taken + 7})`);
  await expect(page.getByRole('main').getByRole('listitem').locator('img').first()).toBeVisible();
  expect(told).toEqual([]);
});

test('every page of the corpus is shown and surveyed: nothing runs, nothing is asked for, and the tab stands @landing', async ({
  browser,
}) => {
  // A hundred pages, each laid out and surveyed.
  test.setTimeout(480_000);
  const app = await application(browser);
  const told = watched(app);
  let shown = 0;
  for (const { door, name, bytes } of await corpus()) {
    if (door !== 'page') {
      continue;
    }
    let opened;
    try {
      opened = openPages([{ path: name, bytes }]);
    } catch {
      // Refused with a sentence, as other tests have it.
      continue;
    }
    await showIn(app, opened[0].page);
    const survey = await surveyIn(app, [400, 1280]);
    expect([name, survey.at.length]).toEqual([name, 2]);
    await closed(app);
    shown++;
  }
  expect(shown).toBeGreaterThan(25);
  expect(told).toEqual([]);
  await app.close();
});

interface Screen {
  readonly door: Door;
  /** Goes where files of the kind are taken. */
  open(bench: BenchPage, page: Page): Promise<void>;
  readonly input: string;
}

const recolouring = (_: BenchPage, page: Page) =>
  page.getByRole('button', { name: 'Recolour a set' }).click();
const pieces = 'input[data-picks="Pieces"]';

/** The screens that take what is no picture and no page. */
const screens: readonly Screen[] = [
  { door: 'tokens', open: async () => {}, input: '[aria-label="Theme colours, file"]' },
  {
    door: 'font',
    open: async () => {},
    input: '[aria-label="A font file for the headings, file"]',
  },
  {
    door: 'visitors',
    open: (_, page) =>
      page.getByRole('complementary').getByRole('button', { name: 'Visitors' }).click(),
    input: '[aria-label="List of visitors, file"]',
  },
  { door: 'set', open: recolouring, input: pieces },
  { door: 'sheet', open: recolouring, input: pieces },
  { door: 'archive', open: recolouring, input: pieces },
  {
    door: 'recipe',
    async open(bench, page) {
      await recolouring(bench, page);
      await page.setInputFiles(pieces, 'public/sample/slate-theme.zip');
      await expect(page.getByRole('table', { name: 'Pieces' })).toBeVisible();
    },
    input: 'input[data-picks="Import a recipe"]',
  },
  {
    door: 'openRaster',
    async open(bench) {
      await bench.open('Header');
      await bench.ask('Hand over');
    },
    input: 'input[data-picks="Open OpenRaster in this slot"]',
  },
  {
    door: 'site',
    open: (_, page) => page.getByRole('link', { name: 'Soyez', exact: true }).click(),
    input: 'input[data-picks="Open a site file"]',
  },
];

/** What of a page tells that something was made of a file, or why not. */
const outcome = (page: Page) =>
  page.evaluate(() => ({
    said: document.getElementById('messages')?.innerText ?? '',
    undo:
      document.querySelector('[aria-label^="Undo: "], [aria-label="Nothing to undo"]')?.ariaLabel ??
      '',
    at: location.pathname,
  }));

/** Whatever a file is, nobody feels the screen stand still over it, ms. */
const mostHeld = 200;

const programs =
  /undefined|TypeError|RangeError|RuntimeError|\bNaN\b|call stack|Unexpected token|is not a/;

test.describe('what is no picture and no page, on the screens that take it', () => {
  // Jest sends every file through the core behind its door; here it is shown that a screen says what
  // comes of it, with three files a door. All of them: CORPUS=all.
  const isWhole = process.env.CORPUS === 'all';
  const someOf = <T>(all: readonly T[]): readonly T[] =>
    isWhole ? all : [0, 0.4, 0.8].map((share) => all[Math.floor(share * all.length)]);
  for (const { door, open, input } of screens) {
    test(`through the door of a ${door}: something is made of it, or it is said why not and nothing changes @landing`, async ({
      bench,
      browser,
      page,
    }) => {
      if (isWhole) {
        test.setTimeout(900_000);
      }
      const told = watched(page);
      const wrong: string[] = [];
      const slow: string[] = [];
      await bench.start();
      await open(bench, page);
      const files = (await corpus()).filter((one) => one.door === door);
      for (const { name, bytes } of someOf(files)) {
        await page.locator(input).first().waitFor({ state: 'attached' });
        const before = await outcome(page);
        const settled = async () => {
          const { said, undo, at } = await outcome(page);
          return said !== before.said || undo !== before.undo || at !== before.at;
        };
        // From the disk, since the page would be held by unpacking it otherwise.
        const path = test.info().outputPath(name);
        mkdirSync(dirname(path), { recursive: true });
        writeFileSync(path, bytes);
        const held = await longestHold(browser, page, async () => {
          await page.locator(input).first().setInputFiles(path);
          await expect.poll(settled, { message: name }).toBe(true);
        });
        if (held > mostHeld) {
          slow.push(`${name}: ${Math.round(held)} ms`);
        }
        const after = await outcome(page);
        if (programs.test(after.said.replace(/“[^”]*”/g, ''))) {
          wrong.push(`${name}: ${after.said}`);
        }
        // What was made of it is taken back, so that the next comes to the same.
        if (after.at !== before.at) {
          await page.goto(before.at);
        } else if (after.undo !== before.undo) {
          await page.getByRole('button', { name: /^Undo: / }).click();
          await expect.poll(async () => (await outcome(page)).undo).toBe(before.undo);
        }
        for (const away = page.getByRole('button', { name: 'Put this message away' }); ;) {
          if ((await away.count()) === 0) {
            break;
          }
          await away
            .first()
            .click({ timeout: 2000 })
            .catch(() => {});
        }
      }
      expect(wrong).toEqual([]);
      expect(slow).toEqual([]);
      expect(told).toEqual([]);
    });
  }
});
