/** Windows with little room, a system's own colours, and no motion. */
import type { Locator, Page } from '@playwright/test';
import { check } from './accessible.fixture';
import { BenchPage, expect, test as base } from './bench.fixture';

const test = base.extend<{ tab: Page }>({
  tab: async ({ browser }, use) => {
    // A usual window of 1280 × 800 at 200 percent.
    const context = await browser.newContext({ viewport: { width: 640, height: 400 } });
    await use(await context.newPage());
    await context.close();
  },
});

/** It can be brought into the window and clicked there. */
async function canBeReached(what: Locator): Promise<void> {
  await expect(what).toBeEnabled();
  await what.scrollIntoViewIfNeeded();
  await what.click({ trial: true, timeout: 10_000 });
}

test('at 200 percent every control of the bench is reached: the tray over the picture, the readings beside it @landing', async ({
  tab,
}) => {
  const bench = new BenchPage(tab);
  await bench.start();
  await bench.open('Header');
  // The picture has more than half of the window.
  const stage = (await tab.getByRole('main').boundingBox())!;
  expect(stage.height).toBeGreaterThan(200);
  for (const name of ['Hand over', 'Before / after', 'The page alone']) {
    await canBeReached(tab.getByRole('banner').getByRole('button', { name, exact: true }));
  }
  const open = (name: string) => tab.getByRole('button', { name, exact: true });
  await open('Layers').click();
  await canBeReached(bench.layer('Wash'));
  await canBeReached(tab.getByRole('button', { name: '+ Add' }));
  await check(tab, 'layers over the picture');
  await open('Readings').click();
  await canBeReached(tab.locator('[data-reading]').last());
  await check(tab, 'readings beside the picture');
  await open('Readings').click();
  // Whoever asks a question wants its controls.
  for (const [question, control] of [
    ['How big', tab.getByRole('textbox', { name: 'Width', exact: true })],
    ['What colour', tab.getByRole('button', { name: '+ Tone' })],
    ['What on top', tab.getByRole('button', { name: 'Text', exact: true })],
    ['Does it blend', tab.getByRole('radio', { name: 'Widths' })],
    ['How heavy', tab.getByRole('radio', { name: 'Loading' })],
    ['Hand over', tab.getByRole('button', { name: /^Download / })],
  ] as const) {
    await bench.ask(question);
    await expect(control).toBeEnabled();
    await canBeReached(control);
    await check(tab, `${question}, low`);
  }
  await open('Controls').click();
  await expect(tab.getByRole('region', { name: 'Controls' })).toBeHidden();
});

test('at 200 percent, and in 320 px, the other screens stack and nothing is out of reach @landing', async ({
  tab,
}) => {
  const bench = new BenchPage(tab);
  await bench.start();
  await bench.kept();
  const plan = tab.url();
  for (const size of [
    { width: 640, height: 400 },
    { width: 320, height: 640 },
  ]) {
    await tab.setViewportSize(size);
    const what = (screen: string) => `${screen} at ${size.width}`;
    await tab.goto(plan);
    await bench.planned();
    await canBeReached(tab.getByRole('button', { name: '+ Measure a slot' }));
    await canBeReached(tab.getByRole('button', { name: 'Hand over' }));
    await check(tab, what('plan'));
    await tab.getByRole('button', { name: 'My own page' }).click();
    await canBeReached(tab.getByRole('button', { name: 'Choose a folder' }));
    await tab.getByRole('button', { name: 'Try the sample page' }).click();
    await canBeReached(tab.getByRole('button', { name: 'Take it over' }));
    await canBeReached(tab.getByRole('radio', { name: 'Colours and fonts' }));
    await canBeReached(tab.getByRole('radio', { name: 'dark' }));
    await canBeReached(tab.getByRole('checkbox', { name: /^Take / }).last());
    await check(tab, what('own page'));
    await tab.getByRole('button', { name: 'Close' }).click();
    await tab.goto(`${plan}/hand-over`);
    await canBeReached(tab.getByRole('button', { name: 'Site file' }));
    await canBeReached(tab.getByRole('button', { name: /^Rehearse/ }).first());
    await check(tab, what('hand over'));
    await tab.goto(`${plan}/shelf`);
    await canBeReached(tab.getByRole('button', { name: /Clay hills/ }).first());
    await check(tab, what('shelf'));
    await tab.goto(`${plan}/recolour`);
    await canBeReached(tab.getByRole('button', { name: 'Try the sample theme' }));
    await check(tab, what('recolour'));
    await tab.goto('/');
    await canBeReached(tab.getByRole('button', { name: 'Choose a photo' }));
    await canBeReached(tab.getByRole('button', { name: 'Show me round' }));
    await check(tab, what('start'));
  }
});

test('in the system’s own colours the owner’s stay, and what is chosen is told; nothing moves where less is asked for @landing', async ({
  browser,
}) => {
  const context = await browser.newContext({
    forcedColors: 'active',
    reducedMotion: 'reduce',
    viewport: { width: 1280, height: 800 },
  });
  const tab = await context.newPage();
  const bench = new BenchPage(tab);
  await bench.start();
  const colourOf = (what: Locator) =>
    what.evaluate((element) => getComputedStyle(element).backgroundColor);
  // The theme's colours are the theme's.
  const swatches = tab
    .getByRole('region', { name: 'Theme colours' })
    .locator('[style*="background"]');
  expect(await colourOf(swatches.first())).toBe('rgb(59, 74, 69)');
  await check(tab, 'plan in the system’s colours');
  await bench.open('Header');
  const [chosen, other] = ['1:1', 'Fit'].map((name) =>
    tab.getByRole('radio', { name, exact: true }),
  );
  expect(await colourOf(chosen)).not.toBe(await colourOf(other));
  await check(tab, 'bench in the system’s colours');
  const motion = await tab.evaluate(
    () =>
      [...document.querySelectorAll('button, a, div')].filter((element) => {
        const { transitionDuration, animationDuration } = getComputedStyle(element);
        return [transitionDuration, animationDuration].some((d) =>
          d.split(', ').some((v) => parseFloat(v) > 0),
        );
      }).length,
  );
  expect(motion).toBe(0);
  await context.close();
});
