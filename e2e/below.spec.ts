/** A build that is served below a path of another site's: `npm run test:below`. */
import { expect, test } from '@playwright/test';

const below = process.env.SOYEZ_PATH!;

test.use({ serviceWorkers: 'allow' });

test('served below a path, all of it is found there: screens, library, rehearsal, and without a server', async ({
  baseURL,
  context,
  page,
}) => {
  const home = `${baseURL}${below}`;
  const elsewhere: string[] = [];
  context.on('request', (asked) => {
    if (asked.url().startsWith('http') && !asked.url().startsWith(home)) {
      elsewhere.push(asked.url());
    }
  });
  context.on('response', (answer) => {
    if (answer.status() >= 400) {
      elsewhere.push(`${answer.status()} ${answer.url()}`);
    }
  });
  await page.goto(home);
  await page
    .getByRole('button', { name: /sample/i })
    .first()
    .click();
  await page.waitForURL(`${home}/sites/*`);
  const plan = page.url();
  await expect(page.getByText('Findings of the site')).toBeVisible();
  await page.goto(`${plan}/shelf?in=library`);
  await expect(page.getByText('41 pictures')).toBeVisible();
  await page.goto(`${plan}/hand-over`);
  const opened = context.waitForEvent('page');
  await page.getByRole('button', { name: /^Rehearse/ }).click({ timeout: 120_000 });
  const rehearsed = await opened;
  await expect(rehearsed.getByRole('heading').first()).toBeVisible({ timeout: 120_000 });
  expect(rehearsed.url()).toBe(`${plan.replace('/sites/', '/rehearsal/')}/home.html`);
  expect(elsewhere).toEqual([]);

  await expect
    .poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null))
    .toBe(true);
  await context.setOffline(true);
  for (const address of [home, plan, `${plan}/shelf`]) {
    await page.goto(address);
    await expect(page.getByRole('link', { name: 'Soyez' })).toBeVisible();
  }
});
