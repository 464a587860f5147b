import { expect, inNewTab as test } from './bench.fixture';

test('undo and redo take one gesture at a time, over everything, with the same pixels @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  const states = [await bench.pixels()];
  const area = page.getByTestId('picture-area');
  const box = (await area.boundingBox())!;
  // A step is over once it is kept.
  const settle = async () => {
    await bench.kept();
    states.push(await bench.pixels());
  };

  await bench.ask('What on top');
  await page.mouse.move(box.x + 540, box.y + 95);
  await page.mouse.down();
  await page.mouse.move(box.x + 300, box.y + 60, { steps: 12 });
  await page.mouse.up();
  await settle();
  // Sent together, so that they are one burst however slow the machine is.
  await Promise.all(Array.from({ length: 4 }, () => page.keyboard.press('ArrowRight')));
  await settle();
  await bench.layer('Wash').click();
  await page.getByRole('slider', { name: 'Strength' }).press('ArrowLeft');
  await settle();
  await page.getByRole('combobox', { name: 'Blend mode' }).click();
  await page.getByRole('option', { name: 'screen' }).click();
  await settle();
  for (let i = 1; i < states.length; i++) {
    expect(states[i]).not.toBe(states[i - 1]);
  }

  const undo = page.getByRole('button', { name: /^Undo/ });
  const redo = page.getByRole('button', { name: /^Redo/ });
  for (let i = states.length - 2; i >= 0; i--) {
    await undo.click();
    await expect.poll(() => bench.pixels()).toBe(states[i]);
  }
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  for (let i = 1; i < states.length; i++) {
    await redo.click();
    await expect.poll(() => bench.pixels()).toBe(states[i]);
  }
});

test('a killed tab comes back to the last edit, with its history', async ({
  bench,
  page,
  context,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('Wash').click();
  await page.getByRole('button', { name: 'Wash colour: clay' }).click();
  await bench.type('Strength, figure', '12');
  await bench.kept();
  const before = await bench.pixels();
  const url = page.url();
  const session = await context.newCDPSession(page);
  const crashed = page.waitForEvent('crash');
  session.send('Page.crash').catch(() => {
    /* The page cannot answer any more. */
  });
  await crashed;

  const again = await context.newPage();
  await again.goto(url);
  await again.locator('canvas[data-ready=true]').waitFor();
  expect(await bench.pixels(again)).toBe(before);
  await expect(again.getByRole('button', { name: 'Undo: Wash at 12%' })).toBeEnabled();
});

test('the sample can always be put back, and a site removed @landing', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('link', { name: 'Sites' }).click();
  await page.getByRole('button', { name: 'The sample as it was' }).click();
  await expect(
    page.getByRole('heading', { name: 'Page plan of Veldrin Clayworks' }),
  ).toBeAttached();
  await page.getByRole('link', { name: 'Sites' }).click();
  const cards = page.getByRole('link', { name: 'Open Veldrin Clayworks' });
  await expect(cards).toHaveCount(2);
  for (const left of [1, 0]) {
    await bench.removeSite(
      page.getByRole('button', { name: 'More for Veldrin Clayworks' }).first(),
    );
    await expect(cards).toHaveCount(left);
  }
  await expect(page.getByRole('heading', { name: 'Your sites' })).toHaveCount(0);
  await page.goto('/sites/none-such');
  await expect(
    page.getByRole('heading', { name: 'There is no such site in this browser.' }),
  ).toBeVisible();
});
