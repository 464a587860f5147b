/** Files that no site names any more leave the browser; no other does. */
import type { Page } from '@playwright/test';
import { expect, inNewTab as test } from './bench.fixture';

const pots = 'public/library/before-the-firing.jpg';
const kiln = 'public/library/kiln-smoke.jpg';

/** Ids of the files that the browser holds, read beside the application. */
const filesIn = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const opening = indexedDB.open('soyez');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const db = opening.result;
          const keys = db.transaction('assets').objectStore('assets').getAllKeys();
          keys.onsuccess = () => {
            db.close();
            resolve(keys.result as string[]);
          };
        };
      }),
  );

test('with a site its files go, but those that another site or an open tab may need @landing', async ({
  bench,
  context,
  page,
}) => {
  const more = page.getByRole('button', { name: /^More for / });
  const removeNewest = async () => {
    const before = await more.count();
    await bench.removeSite(more.first());
    await expect(more).toHaveCount(before - 1);
  };
  const lookedThrough = () =>
    page.evaluate(() => localStorage.getItem('soyez files looked through') !== null);
  const site = async (photo: string) => {
    await page.goto('/');
    await bench.begin(600, 200, photo);
    await bench.kept();
  };

  await site(pots);
  const ofPots = await filesIn(page);
  expect(ofPots).toHaveLength(1);
  await site(pots);
  await site(kiln);
  expect(await filesIn(page)).toHaveLength(2);
  await page.goto('/');
  await more.first().waitFor();

  // The site of the kiln: nothing else needs its photo.
  await removeNewest();
  await expect(async () => expect(await filesIn(page)).toEqual(ofPots)).toPass();

  // Of two sites with one photo one goes.
  await page.evaluate(() => localStorage.removeItem('soyez files looked through'));
  await removeNewest();
  await expect.poll(lookedThrough).toBe(true);
  expect(await filesIn(page)).toEqual(ofPots);

  // Another tab is open when the other goes: it may be put back there.
  const other = await context.newPage();
  await other.goto('/');
  await expect(other.getByRole('button', { name: /^More for / })).toHaveCount(1);
  await removeNewest();
  await expect.poll(lookedThrough).toBe(false);
  // Whoever looks through them is done by then.
  await page.evaluate(() => navigator.locks.request('soyez files', () => {}));
  expect(await filesIn(page)).toEqual(ofPots);

  // Once that is closed it goes at the next start, by itself.
  await other.close();
  await page.clock.install();
  await page.reload();
  await page.getByRole('heading', { name: 'Start' }).waitFor({ state: 'attached' });
  await expect(async () => {
    await page.clock.runFor(10_000);
    expect(await filesIn(page)).toEqual([]);
  }).toPass();
});
