/** Help that is there when it is needed: the tour, the question marks, and both among all commands. */
import { check } from './accessible.fixture';
import { expect, inNewTab, test } from './bench.fixture';

inNewTab(
  'the tour goes through the sample in five steps, is left at any point and asked for again @landing',
  async ({ bench, page }) => {
    await page.goto('/');
    await page.getByRole('button', { name: 'Show me round' }).click();
    const card = (step: number) =>
      page.getByRole('dialog', { name: new RegExp(`^Tour, step ${step} of 5`) });
    await expect(card(1)).toBeVisible();
    await bench.planned();
    await check(page, 'the tour');
    const next = async (step: number) => {
      await card(step - 1)
        .getByRole('button', { name: 'Next' })
        .click();
      await expect(card(step)).toBeVisible();
      // It stands in the window, and what it shows is there beside it.
      const box = (await card(step).boundingBox())!;
      expect(box.x).toBeGreaterThanOrEqual(0);
      expect(box.y).toBeGreaterThanOrEqual(0);
      expect(box.x + box.width).toBeLessThanOrEqual(1280);
      expect(box.y + box.height).toBeLessThanOrEqual(800);
    };
    await next(2);
    await next(3);
    await page.waitForURL(/\/slots\/header$/);
    await bench.drawn();
    await next(4);
    await card(4).getByRole('button', { name: 'Back' }).click();
    await expect(card(3)).toBeVisible();
    await next(4);
    await next(5);
    await page.waitForURL(/\/hand-over$/);
    await card(5).getByRole('button', { name: 'Close' }).click();
    await expect(card(5)).toBeHidden();

    // Asked for again from all commands, with the same sample, and left by key.
    await page.getByRole('link', { name: 'Veldrin Clayworks' }).click();
    await bench.planned();
    const plan = page.url();
    await bench.command('Show me round');
    await expect(card(1)).toBeVisible();
    expect(page.url()).toBe(plan);
    await page.keyboard.press('Escape');
    await expect(card(1)).toBeHidden();
    await expect(page.getByRole('button', { name: 'Hand over' })).toBeEnabled();
  },
);

test('every panel says what it is for, with a picture; and gives the focus back @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const asked = async (title: string) => {
    const mark = page.getByRole('button', { name: `What is this? ${title}`, exact: true });
    await mark.focus();
    await page.keyboard.press('Enter');
    const card = page.getByRole('dialog', { name: `Help: ${title}` });
    await expect(card.getByRole('heading', { name: title })).toBeVisible();
    const width = () => card.locator('img').evaluate((img: HTMLImageElement) => img.naturalWidth);
    await expect.poll(width).toBe(548);
    // Two sentences.
    expect((await card.locator('p').textContent())!.match(/[.?!](\s|$)/g)).toHaveLength(2);
    if (title === 'Findings') {
      await check(page, 'help on a panel');
    }
    await page.keyboard.press('Escape');
    await expect(card).toBeHidden();
    await expect(mark).toBeFocused();
  };
  for (const title of ['Theme colours', 'Slots on the page', 'Findings']) {
    await asked(title);
  }
  await page.getByRole('button', { name: 'Page layout' }).click();
  await asked('Page layout');
  await page
    .getByRole('navigation', { name: 'Panel' })
    .getByRole('button', { name: 'Visitors' })
    .click();
  await asked('Visitors');
  const plan = page.url();
  await page.getByRole('button', { name: 'Slots', exact: true }).click();
  await bench.open('Header');
  await asked('Layers');
  await asked('Readings');
  for (const question of [
    'How big',
    'Which part',
    'What colour',
    'What on top',
    'Does it blend',
    'How heavy',
    'Hand over',
  ]) {
    await bench.ask(question);
    await asked(question);
  }
  // By its words, from all commands.
  await bench.command('Help: does it blend');
  await expect(page.getByRole('dialog', { name: 'Help: Does it blend' })).toBeVisible();
  await page.keyboard.press('Escape');
  await bench.kept();
  for (const [path, title] of [
    ['shelf', 'Shelf'],
    ['recolour', 'Recolour a set'],
    ['hand-over', 'Hand over the site'],
  ]) {
    await page.goto(`${plan}/${path}`);
    await asked(title);
  }
});
