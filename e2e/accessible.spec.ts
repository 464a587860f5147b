/** Every screen against the rules of accessibility; the hand-over's is looked at in archive.spec.ts. */
import { check, tray } from './accessible.fixture';
import { expect, test } from './bench.fixture';
import { slateTheme, zipOf } from './theme.fixture';

test('the sites and the page plan with all its panels @landing', async ({ bench, page }) => {
  await bench.start();
  await check(page, 'plan');
  await page.getByRole('button', { name: 'Change Header' }).click();
  await check(page, 'plan with a slot open');
  await page.getByRole('button', { name: '+ Measure a slot' }).click();
  for (const way of ['Numbers', 'Picture', 'Columns', 'Section', 'Known sizes', 'Style sheet']) {
    await page.getByRole('radio', { name: way, exact: true }).click();
    await check(page, `measuring by ${way}`);
  }
  const panel = page.getByRole('navigation', { name: 'Panel' });
  for (const name of ['Page layout', 'Visitors']) {
    await panel.getByRole('button', { name }).click();
    await check(page, name);
  }
  await bench.drop(page.getByRole('main'), [
    { name: 'slate.zip', type: 'application/zip', bytes: zipOf(await slateTheme()) },
  ]);
  await expect(page.getByRole('button', { name: 'Take it over' })).toBeEnabled();
  await check(page, 'theme');
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'Open Veldrin Clayworks' })).toBeVisible();
  await check(page, 'sites');
});

test('the bench with its seven questions, and the shelf @landing', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  for (let digit = 1; digit <= 7; digit++) {
    await page.keyboard.press(String(digit));
    await expect(page.locator('[aria-current=step]')).toHaveAttribute(
      'aria-keyshortcuts',
      String(digit),
    );
    await check(page, `question ${digit}`);
  }
  await page.keyboard.press('3');
  for (const kind of ['Two-tone', 'Hue', 'Tone', 'Texture']) {
    await page.getByRole('button', { name: `+ ${kind}` }).click();
    await check(page, kind, tray);
  }
  await bench.layer('Veldrin').click();
  await check(page, 'a text');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Shelf and library' }).click();
  await expect(page.getByRole('heading', { name: /^Shelf of/ })).toBeAttached();
  await page
    .getByRole('main')
    .getByRole('button', { name: /Clay hills/ })
    .click();
  await check(page, 'shelf');
  await page.getByRole('radio', { name: 'Picture library' }).click();
  await expect(page.getByText(/^\d+ pictures$/)).toBeVisible();
  await check(page, 'library');
});

test('the panels of what lies on top, and the steps @landing', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('Veldrin').click();
  for (const facet of ['Letters', 'Place', 'Effects']) {
    await page.getByRole('radio', { name: facet, exact: true }).click();
    await check(page, `a text: ${facet}`, tray);
  }
  for (const effect of ['Shadow', 'Glow', 'Outline', 'Relief']) {
    await page.getByRole('button', { name: `+ ${effect}` }).click();
    await check(page, effect, tray);
  }
  await bench.command('Add a shape: rectangle');
  await page.getByRole('radio', { name: 'Shape', exact: true }).click();
  await check(page, 'a shape');
  await bench.command('Put on top: Kiln glow');
  for (const facet of ['Place', 'Cut-out', 'Crop']) {
    await page.getByRole('radio', { name: facet, exact: true }).click();
    await check(page, `a photo: ${facet}`, tray);
  }
  await page.getByRole('button', { name: 'All steps so far' }).click();
  await check(page, 'the steps');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+a');
  await expect(page.getByRole('heading', { name: '4 layers' })).toBeVisible();
  await check(page, 'several layers');
});

test('the panels of the file’s weight @landing', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('6');
  await page.getByRole('button', { name: 'Find the lightest file' }).click();
  await expect(page.getByRole('button', { name: 'Search again' })).toBeVisible();
  await check(page, 'the chart');
  for (const name of ['By hand', 'Loading']) {
    await page.getByRole('radio', { name }).click();
    await check(page, name, tray);
  }
});

test('the panels of what blends @landing', async ({ bench, page }) => {
  await bench.start();
  const plan = page.url();
  const facet = (name: string) =>
    page
      .getByRole('radiogroup', { name: 'What is looked at' })
      .getByRole('radio', { name, exact: true })
      .click();
  const at: readonly (readonly [string, readonly string[]])[] = [
    ['Header', ['Overlap', 'Words', 'Widths']],
    ['Page background', ['Repeat', 'Strip', 'Calm']],
    ['Section divider', ['Divider']],
  ];
  for (const [slot, names] of at) {
    await page.goto(plan);
    await bench.open(slot);
    await page.keyboard.press('5');
    for (const name of names) {
      await facet(name);
      await check(page, `${slot}: ${name}`, tray);
    }
    if (slot === 'Header') {
      await facet('Fade');
      await page.getByRole('button', { name: 'Fade into see-through', exact: true }).click();
      await check(page, 'a fade');
    }
  }
  await page.getByRole('button', { name: 'torn', exact: true }).click();
  await page.getByRole('checkbox', { name: 'Smaller on narrow screens' }).check();
  await check(page, 'a profile');
});

test('recolouring a set: nothing dropped yet, each view, and a recipe on the bench @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  await page.goto(`${plan}/recolour`);
  await page.getByRole('group', { name: 'Drop a theme' }).waitFor();
  await check(page, 'no set yet');
  await page.getByRole('button', { name: 'Try the sample theme' }).click();
  await expect(page.getByRole('group', { name: 'Ways there' })).toHaveAttribute(
    'aria-busy',
    'false',
  );
  await page.getByRole('group', { name: 'Ways there' }).getByRole('button').first().click();
  await expect(page.getByRole('button', { name: /^Archive, / })).toBeEnabled();
  await check(page, 'a set with a recipe');
  for (const name of [/^All$/, /^Page$/, /^Style sheet/]) {
    await page.getByRole('radio', { name }).click();
    await check(page, `the set: ${name.source}`, 'section[aria-label="What it becomes"]');
  }
  for (const step of ['Two-tone', 'Hue', 'Tone', 'Texture']) {
    await page.getByRole('button', { name: `+ ${step}` }).click();
    await check(page, `a step: ${step}`, 'section[aria-label="Step"]');
  }
  await page.goto(plan);
  await bench.open('Page background');
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Recipe…' }).click();
  await page.getByRole('menuitem', { name: /^Lay / }).first().click();
  await check(page, 'a recipe on the bench', tray);
});
