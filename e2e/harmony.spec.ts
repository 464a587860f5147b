import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { harmoniesOf, type Harmony, type HarmonySeed } from '../src/core/harmony/harmony';
import { check } from './accessible.fixture';
import { expect, test } from './bench.fixture';
import { rawPixels } from './served.fixture';

/** Colours all around the wheel, dark, light, loud and grey; and some that come in twos. */
const seeds: readonly HarmonySeed[] = [
  ...[
    '#3b4a45',
    '#a4553a',
    '#ffff00',
    '#0000ff',
    '#00ff66',
    '#ff00aa',
    '#123',
    '#777777',
    '#fdfdf0',
  ]
    .map((lead) => (lead === '#123' ? '#112233' : lead))
    .map((lead) => ({ lead })),
  { lead: '#2b5876', second: '#f2c14e' },
  { lead: '#8a1c3b', second: '#1c8a4b' },
  { lead: '#e8d5b7', second: '#0e2431' },
];

/** A page as owners have them: words on the page itself, a bar, a text with a link, a button. */
const pageOf = ({ colours: c, onPage, onBar, onAccent }: Harmony): string => `
  <section style="background:${c.page};color:${onPage};padding:12px">
    <p style="margin:4px">Words beside the content</p>
    <nav style="background:${c.bar};color:${onBar};padding:8px">Studio, classes, shop</nav>
    <div style="background:${c.content};color:${c.text};padding:12px">
      <p><span class="text">Open studio this Saturday, with a</span> <a href="#x" style="color:${c.link};text-decoration:none">look into the kiln</a> and tea.</p>
      <button style="background:${c.accent};color:${onAccent};border:0;padding:8px">Come along</button>
    </div>
  </section>`;

const found = async (page: Page, rules: string[], include: string): Promise<string[]> => {
  const { violations, passes, incomplete } = await new AxeBuilder({ page })
    .include(include)
    .withRules(rules)
    .setLegacyMode()
    .analyze();
  // Nothing may hold because nothing was looked at.
  expect(passes.flatMap((p) => p.nodes).length).toBeGreaterThan(40);
  return [...violations, ...incomplete].flatMap((v) =>
    v.nodes.map((n) => `${v.id}: ${n.html} ${n.any[0]?.message}`),
  );
};

test('pages in every set of twelve seeds hold their contrasts by axe-core, links in text too', async ({
  browser,
}) => {
  const page = await browser.newPage();
  const sets = seeds.flatMap((seed) => [...harmoniesOf(seed), ...harmoniesOf(seed, 'dark')]);
  await page.setContent(
    `<!doctype html><html lang="en"><title>Sets</title><main>${sets.map(pageOf).join('')}</main>`,
  );
  expect(await found(page, ['color-contrast', 'link-in-text-block'], 'main')).toEqual([]);
  expect(await found(page, ['color-contrast-enhanced'], '.text')).toEqual([]);
  await page.close();
});

/** The colour of a px of the plan's page, by its place as shares of what is seen of it. */
async function pagePixel(page: Page, x: number, y: number): Promise<string> {
  const { data, width, height } = await rawPixels(await page.getByRole('main').screenshot());
  const at = (Math.round(y * height) * width + Math.round(x * width)) * 3;
  return `#${[0, 1, 2].map((c) => data[at + c].toString(16).padStart(2, '0')).join('')}`;
}

/** Below the drawn lines of text; in the section below. */
const onContent = [0.35, 0.58] as const;
const onSection = [0.35, 0.85] as const;

const coloursIn = async (label: string | null): Promise<Record<string, string>> =>
  Object.fromEntries(
    [...label!.matchAll(/(page|content|text|link|bar|accent) (#[0-9a-f]{6})/g)].map((m) => [
      m[1],
      m[2],
    ]),
  );

test('sets of a colour are seen on the page while they are tried, set in one step, and taken back @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const before = [await pagePixel(page, ...onContent), await pagePixel(page, ...onSection)];
  expect(before).toEqual(['#efe9dc', '#a4553a']);
  await page.getByRole('button', { name: 'Go together…' }).click();
  const sets = page.getByRole('radiogroup', { name: 'Sets of colours' });
  await expect(sets.getByRole('radio')).toHaveCount(5);
  const set = page.getByRole('button', { name: 'Set these colours' });
  await expect(set).toBeDisabled();
  await check(page, 'colours that go together');

  // By keys: the first one, then the next.
  await sets.getByRole('radio').first().focus();
  await page.keyboard.press('ArrowDown');
  const second = sets.getByRole('radio').nth(1);
  await expect(second).toBeFocused();
  await expect(second).toBeChecked();
  const tried = await coloursIn(await second.getAttribute('aria-label'));
  await expect.poll(() => pagePixel(page, ...onContent)).toBe(tried.content);
  await expect.poll(() => pagePixel(page, ...onSection)).toBe(tried.accent);
  const figures = page.getByRole('table', { name: 'Contrasts of this set' });
  await expect(figures.getByRole('row')).toHaveCount(7);
  await expect(figures).toContainText('text on the content');
  await check(page, 'a set that is tried');

  // Leaving without setting it leaves everything as it was.
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect.poll(() => pagePixel(page, ...onContent)).toBe(before[0]);
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();

  await page.getByRole('button', { name: 'Go together…' }).click();
  await page
    .getByRole('textbox', { name: 'Colour that others go with', exact: true })
    .fill('#2b5876');
  await page.keyboard.press('Enter');
  const opposite = sets.getByRole('radio', { name: /With its opposite/ });
  await opposite.click();
  const chosen = await coloursIn(await opposite.getAttribute('aria-label'));
  expect(chosen.bar).toBe('#2b5876');
  await set.click();
  await expect(set).toBeDisabled();
  await expect.poll(() => pagePixel(page, ...onContent)).toBe(chosen.content);
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Theme colours' })).toContainText(chosen.accent);
  // The tile, the strip and the divider came along, each by a recipe.
  await bench.kept();
  await page.reload();
  await bench.planned();
  await expect.poll(() => pagePixel(page, ...onSection)).toBe(chosen.accent);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect.poll(() => pagePixel(page, ...onContent)).toBe(before[0]);
  await expect(page.getByRole('region', { name: 'Theme colours' })).toContainText('#a9b79a');
});

test('a photograph gives its colours, and a font its partners, each in figures', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.getByRole('button', { name: 'Go together…' }).click();
  await page
    .getByRole('button', { name: /^Colours of .*kiln/i })
    .first()
    .click();
  const sets = page.getByRole('radiogroup', { name: 'Sets of colours' });
  await expect(
    page.getByRole('textbox', { name: 'Colour that others go with', exact: true }),
  ).not.toHaveValue('#3b4a45');
  await expect(sets.getByRole('radio').first()).toBeVisible();
  const fonts = page.getByRole('radiogroup', { name: 'Fonts that go with it' });
  await page.getByRole('radio', { name: 'Keep Archivo for text' }).click();
  await expect(fonts.getByRole('radio')).toHaveCount(4);
  const first = fonts.getByRole('radio').first();
  await expect(first).toHaveAccessibleName(/x-height \d+%, weight \d+%, width \d+%/);
  await first.click();
  const name = (await first.getAttribute('aria-label'))!.split(',')[0];
  // The page's headings are set in it while it is tried.
  const heading = page.getByTestId('page').getByText('Open studio this Saturday');
  await expect.poll(() => heading.evaluate((e) => getComputedStyle(e).fontFamily)).toContain(name);
  await page.getByRole('button', { name: 'Set this font' }).click();
  await expect(page.getByRole('radio', { name: `Keep ${name}`, exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('radio', { name: 'Keep Fraunces', exact: true })).toBeVisible();
});
