/**
 * How heavy: the search for the lightest file, its chart, and what its files look like on the page.
 */
import type { Page } from '@playwright/test';
import { expect, inNewTab as test, type BenchPage } from './bench.fixture';

const points = (page: Page) => page.locator('[data-point]');
const shown = (page: Page) => page.getByRole('img', { name: 'The written file in Header' });

/** Colours of the file that is on the page, as text. */
const onPage = (page: Page): Promise<string> =>
  shown(page).evaluate((c) => {
    const canvas = c as HTMLCanvasElement;
    const data = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height).data;
    let sum = 0;
    for (let i = 0; i < data.length; i++) {
      sum = (sum * 31 + data[i]) >>> 0;
    }
    return `${canvas.width}×${canvas.height} ${sum}`;
  });

/** A quarter of its px: what a search does is the same, and each file takes a quarter of the time. */
async function openSmallHeader(bench: BenchPage): Promise<void> {
  await bench.start();
  await bench.open('Header');
  await bench.page.keyboard.press('1');
  await bench.type('Width', '540');
  await bench.type('Height', '110');
  await bench.drawn();
}

test('the lightest file is found and taken as one step; less care is lighter; a number of KB is kept @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('6');
  const answer = page.locator('[data-answer="6"]');
  const weight = async () => {
    await expect(answer).toContainText(' of 60 KB');
    return Number((await answer.innerText()).match(/([\d.]+) of/)![1]);
  };
  await expect(answer).toContainText('13.3 of 60 KB');
  for (const care of ['close', 'careful', 'light']) {
    await expect
      .poll(() =>
        page.locator(`[data-patch=${care}]`).evaluate((c) => {
          const k = c as HTMLCanvasElement;
          return k
            .getContext('2d')!
            .getImageData(0, 0, k.width, k.height)
            .data.some((v) => v > 0);
        }),
      )
      .toBe(true);
  }
  const search = async () => {
    await page.getByRole('button', { name: 'Find the lightest file' }).click();
    await expect(page.getByRole('button', { name: 'Search again' })).toBeVisible();
  };
  await search();
  const careful = await weight();
  expect(careful).toBeLessThan(13.3);
  await expect(page.getByTestId('search-status')).toContainText(/^holds: ✓|✓/);
  await expect(points(page).and(page.locator('[aria-pressed=true]'))).toHaveCount(1);
  await page.getByRole('radio', { name: /^Light:/ }).click();
  await search();
  expect(await weight()).toBeLessThan(careful);
  await bench.type('At most so many KB', '20');
  await search();
  expect(await weight()).toBeLessThanOrEqual(20);
  expect(await weight()).toBeGreaterThan(careful);
  // No format was written more than four times a search.
  const all = await points(page).evaluateAll((list) =>
    list.map((p) => (p as HTMLElement).dataset.point!.split(/[ ,]/)[0]),
  );
  for (const format of ['AVIF', 'WebP', 'JPEG']) {
    expect(all.filter((f) => f === format).length).toBeLessThanOrEqual(12);
  }
  // Nothing comes near: what comes nearest is shown, and that it is not what was asked for.
  await bench.type('At most so many KB', '0.3');
  await search();
  await expect(page.getByTestId('search-status')).toContainText('not as asked');
  expect(await weight()).toBeLessThan(careful);
  const taken = await answer.innerText();
  await page.keyboard.press('Control+z');
  await expect(answer).not.toHaveText(taken);
});

test('pointing at a file, or going to it with the arrows, puts it on the page; held keys show the picture and what was lost @landing', async ({
  bench,
  page,
}) => {
  await openSmallHeader(bench);
  await bench.ask('How heavy');
  await page.getByRole('button', { name: 'Find the lightest file' }).click();
  await expect(page.getByRole('button', { name: 'Search again' })).toBeVisible();
  const count = await points(page).count();
  expect(count).toBeGreaterThan(4);
  await expect(shown(page)).toBeVisible();
  const own = await onPage(page);
  await points(page).first().focus();
  await expect.poll(() => onPage(page)).not.toBe(own);
  const first = await onPage(page);
  await page.keyboard.press('ArrowRight');
  await expect(points(page).nth(1)).toBeFocused();
  await expect.poll(() => onPage(page)).not.toBe(first);
  const status = await page.getByTestId('search-status').innerText();
  await page.keyboard.down('b');
  await expect(shown(page)).toHaveCount(0);
  await page.keyboard.up('b');
  await expect(shown(page)).toHaveCount(1);
  await page.keyboard.down('x');
  await expect(page.getByRole('img', { name: 'What the file of Header has lost' })).toBeVisible();
  await page.keyboard.up('x');
  await page.keyboard.press('Enter');
  await expect(points(page).nth(1)).toHaveAttribute('aria-pressed', 'true');
  await expect(page.locator('[data-answer="6"]')).toContainText(status.match(/([\d.]+) KB/)![1]);
  // What was found is there again after the tab was closed, and puts its files on the page.
  await bench.kept();
  await page.reload();
  await bench.drawn();
  await page.keyboard.press('6');
  await expect(points(page)).toHaveCount(count);
  await expect(page.getByRole('button', { name: 'Search again' })).toBeVisible();
  await expect.poll(() => onPage(page)).not.toBe(first);
  await points(page).first().focus();
  await expect.poll(() => onPage(page)).toBe(first);
});

test('a search is stopped, what it tried stays, and it can be begun again; formats the host does not take are left out @landing', async ({
  bench,
  page,
}) => {
  await openSmallHeader(bench);
  await bench.byHand();
  for (const format of ['AVIF', 'WebP']) {
    await page.getByRole('checkbox', { name: format }).uncheck();
  }
  await page.getByRole('radio', { name: 'Lightest file' }).click();
  await page.getByRole('button', { name: 'Find the lightest file' }).click();
  await page.getByRole('button', { name: /^Stop at/ }).click();
  await expect(page.getByRole('button', { name: 'Find the lightest file' })).toBeVisible();
  await page.getByRole('button', { name: 'Find the lightest file' }).click();
  await expect(page.getByRole('button', { name: 'Search again' })).toBeVisible();
  const formats = new Set(
    await points(page).evaluateAll((list) =>
      list.map((p) => (p as HTMLElement).dataset.point!.split(/[ ,]/)[0]),
    ),
  );
  expect([...formats].filter((f) => f === 'AVIF' || f === 'WebP')).toEqual([]);
  expect(formats.has('JPEG')).toBe(true);
  await page.getByRole('radio', { name: 'Loading' }).click();
  await expect(page.locator('[data-connection]')).toHaveCount(3);
  await expect(page.locator('[data-page-weight="Home"]')).toContainText('KB');
  await expect(page.getByText('Time = one round trip + 8 × bytes ÷ speed.')).toBeVisible();
});

test('over its budget, ways down are written before one is chosen, seen on the page, and taken as one step @landing', async ({
  bench,
  page,
}) => {
  await openSmallHeader(bench);
  await bench.byHand();
  const answer = page.locator('[data-answer="6"]');
  await expect(answer).toContainText(/[\d.]+ of 60 KB/);
  const asItWas = (await answer.innerText()).match(/([\d.]+) of/)![1];
  // What has to be given up for it is not much.
  const budget = Math.round(Number(asItWas) * 0.68 * 10) / 10;
  await bench.type('Budget', String(budget));
  await page.getByRole('radio', { name: 'Ways down' }).click();
  const ways = page.getByRole('list', { name: 'Ways to a lighter file' }).getByRole('listitem');
  await expect(ways.and(page.locator('[data-tried=true]'))).toHaveCount(4);
  await expect(ways.nth(0)).toContainText(/Nothing given up.*look at this: \d/);
  const live = ways.filter({ hasText: 'live text' });
  await expect(live).toContainText('✓holds');
  const kb = Number(/([\d.]+) KB/.exec(await live.innerText())![1]);
  expect(kb).toBeLessThanOrEqual(budget);
  const before = await onPage(page);
  await live.hover();
  await expect.poll(() => onPage(page)).not.toBe(before);
  await page.getByRole('button', { name: /^Take: Words as live text/ }).click();
  await expect(answer).toContainText(`${kb.toFixed(1)} of ${budget} KB`);
  await page.getByRole('button', { name: /^Undo: Words as live text/ }).click();
  await expect(answer).toContainText(`${asItWas} of ${budget} KB`);
});
