import { createHash } from 'node:crypto';
import type { Page } from '@playwright/test';
import { corpus } from '@/app/corpus.fixture';
import { inspectPicture } from '@/core/measure/inspect';
import { openPages } from '@/core/ownPage/openPages';
import { nodeCodecs } from '@/engine/nodeCodecs';
import { expect, inNewTab as test } from './bench.fixture';
import { application, closed, showIn, surveyIn } from './frozenPage.fixture';

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

test('every picture of the corpus is dropped on the shelf at once: each is there or named, and nothing else happens', async ({
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

test('every page of the corpus is shown and surveyed: nothing runs, and nothing is asked for', async ({
  browser,
}) => {
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
