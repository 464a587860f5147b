/** Whether what somebody does waits for what nobody waits for, in Chromium. */
import type { Page } from '@playwright/test';
import { repaint } from './drag';
import type { OnPlan } from './onPlan';
import { median, row, type Rows } from './rows';

const times = 50;

/** Changes the strength of the header's wash by a key, again and again; time of each repaint, ms. */
async function strengthsByKey(page: Page): Promise<number[]> {
  const slider = page.getByRole('slider', { name: 'Strength' });
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    await page.evaluate((name) => performance.clearMeasures(name), repaint);
    await slider.press(i % 20 < 10 ? 'ArrowRight' : 'ArrowLeft');
    const measured = await page.waitForFunction(
      (name) => performance.getEntriesByName(name)[0]?.duration,
      repaint,
      { polling: 10 },
    );
    took.push((await measured.jsonValue())!);
    await page.waitForTimeout(150 + ((i * 37) % 90));
  }
  return took;
}

async function toPlan(page: Page, plan: string): Promise<void> {
  await page.getByRole('link', { name: 'Veldrin Clayworks' }).click();
  await page.waitForURL(plan);
}

async function toHeader(page: Page, plan: string): Promise<void> {
  await toPlan(page, plan);
  await page.getByRole('link', { name: /^Header, .* open its bench/ }).click();
  await page.locator('canvas[data-settled=true]').waitFor();
  await page
    .getByRole('region', { name: 'Layers, back to front' })
    .getByRole('button', { name: 'Wash' })
    .click();
}

export async function* foregroundRow({ page, plan }: OnPlan): Rows {
  const handOver = async () => {
    await page.getByRole('button', { name: 'Hand over', exact: true }).click();
    await page.getByRole('button', { name: /^Archive, / }).waitFor();
  };
  await handOver();
  await toHeader(page, plan);
  await page.waitForTimeout(15_000);
  const alone = median(await strengthsByKey(page));
  await toPlan(page, plan);
  await handOver();
  await page.getByRole('button', { name: 'Search all files' }).click();
  await page.waitForTimeout(1000);
  await toHeader(page, plan);
  const beside = await strengthsByKey(page);
  yield row(
    `a change on a bench while all files are searched, the longest of ${times}, beyond what it takes alone`,
    Math.max(...beside) - alone,
    'wanted at most',
    50,
  );
}
