import { readBackground } from '../src/core/theme/backgrounds';
import { screenWidths } from '../src/core/theme/media';
import type { Length } from '../src/core/site/model/slot';
import { expect, inNewTab, test } from './bench.fixture';
import { slateTheme, textBytes, zipOf } from './theme.fixture';

const css = (l: Length | 'auto') => (l === 'auto' ? l : `${l.value}${l.unit}`);

/** Chromium as the judge: what it makes of a declaration is what Soyez reads from it. */
inNewTab('background declarations mean to Soyez what they mean to Chromium', async ({ page }) => {
  const values = [
    'url(a.png)',
    'red url(a.png)',
    'url(a.png) no-repeat',
    'url(a.png) repeat-x fixed',
    'url(a.png) left',
    'url(a.png) top',
    'url(a.png) bottom right',
    'url(a.png) right 20px',
    'url(a.png) 20px bottom',
    'url(a.png) 10% 70%',
    'url(a.png) center / cover',
    'url(a.png) 0 0 / 50% auto no-repeat',
    '#369 url(a.png) repeat-y scroll 3em -4px',
    'url(a.png) no-repeat repeat',
    'url(a.png) repeat no-repeat',
    'rgb(1 2 3) url("a.png") right 10% bottom 20% / 30px 40px',
    'url(a.png) top left/contain',
    'hsl(120 50% 40%) no-repeat url(a.png) padding-box',
    'url(a.png) center top 10px',
    'none',
    '#a4553a',
  ];
  await page.setContent('<div id="d"></div>');
  for (const value of values) {
    const theirs = await page.evaluate((v) => {
      const d = document.getElementById('d')!;
      d.style.cssText = '';
      d.style.background = v;
      const s = getComputedStyle(d);
      return {
        image: s.backgroundImage,
        repeat: s.backgroundRepeat,
        x: s.backgroundPositionX,
        y: s.backgroundPositionY,
        size: s.backgroundSize,
        attachment: s.backgroundAttachment,
        colour: s.backgroundColor,
      };
    }, value);
    const [ours] = readBackground('background', value)!;
    expect([value, ours.url !== undefined]).toEqual([value, theirs.image !== 'none']);
    expect([value, css(ours.x!), css(ours.y!)]).toEqual([value, theirs.x, theirs.y]);
    const repeat =
      { 'repeat no-repeat': 'repeat-x', 'no-repeat repeat': 'repeat-y' }[theirs.repeat] ??
      theirs.repeat;
    expect([value, ours.repeat]).toEqual([value, repeat]);
    const both = ({ x, y }: Exclude<NonNullable<typeof ours.size>, string>) =>
      y === 'auto' ? css(x) : `${css(x)} ${css(y)}`;
    const size = typeof ours.size === 'string' ? ours.size : both(ours.size!);
    expect([value, size, ours.attachment]).toEqual([
      value,
      theirs.size.replace(/ auto$/, ''),
      theirs.attachment,
    ]);
    const [r, g, b, a = 1] = theirs.colour.match(/[\d.]+/g)!.map(Number);
    expect([value, ours.colour]).toEqual([
      value,
      a === 0 ? undefined : `#${[r, g, b].map((c) => c.toString(16).padStart(2, '0')).join('')}`,
    ]);
  }
});

inNewTab('media queries hold at the widths where they hold in Chromium', async ({ page }) => {
  const queries = [
    '(min-width: 600px)',
    '(max-width: 50em)',
    'screen and (min-width: 30em) and (max-width: 900px)',
    '(width >= 700px)',
    '(400px <= width <= 800px)',
    '(max-width: 400px), (min-width: 900px)',
    'print',
    'not all',
    '(width < 700.5px)',
  ];
  for (const width of [320, 400, 480, 600, 700, 800, 899, 901, 1200]) {
    await page.setViewportSize({ width, height: 500 });
    const theirs = await page.evaluate((list) => list.map((q) => matchMedia(q).matches), queries);
    const ours = queries.map((q) =>
      screenWidths(q).some(({ min = 0, max = Infinity }) => width >= min && width <= max),
    );
    expect(ours, `at ${width}`).toEqual(theirs);
  }
});

test('a zip of a theme becomes slots in one drop, and one undo takes it back', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.goto('/');
  await bench.drop(page.getByRole('main'), [
    { name: 'Slate and paper.zip', type: 'application/zip', bytes: zipOf(await slateTheme()) },
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.getByText(/built from what the style sheets select/)).toBeVisible();
  await expect(dialog.locator('[data-found="header.jpg"]')).toContainText('Header');
  await expect(dialog.locator('[data-found="strip.png"]')).toContainText('Page background');
  await expect(dialog.locator('[data-found="sidebar.png"]')).toContainText('Sidebar strip');
  for (const small of ['menu-left.png', 'menu-right.png']) {
    await dialog.getByRole('checkbox', { name: `Take ${small}` }).check();
  }
  await dialog.getByRole('radio', { name: 'Colours and fonts' }).click();
  // The body's colour, the wrapper's, the headings' and the links', as the browser has them.
  for (const [hex, role] of [
    ['#3f5161', /the page.*headings|headings.*the page/],
    ['#f7f5f0', /the content/],
    ['#7a4a2f', /links/],
  ] as const) {
    const row = dialog.getByRole('listitem').filter({ hasText: hex });
    await expect(row).toContainText(role);
    await expect(row.getByRole('checkbox')).toBeChecked();
  }
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  // The site is called as the file that was dropped.
  await expect(page.getByRole('heading', { name: 'Page plan of Slate and paper' })).toBeAttached();

  const slots = page.getByRole('region', { name: 'Slots on this page' });
  await expect(slots.getByRole('listitem')).toHaveCount(6);
  await expect(slots).toContainText('940 × 198');
  await expect(slots).toContainText('1 × 675');
  await expect(slots).toContainText('240 × 44');
  await expect(slots).toContainText('in place of slate/images/menu-left.png');
  await expect(page.getByRole('region', { name: 'Theme colours' })).toContainText('#3f5161');
  await page.getByRole('button', { name: /^Undo: Take style.css with 6 places/ }).click();
  await expect(page.getByText('No slot on this page yet.')).toBeVisible();
  await page.getByRole('button', { name: /^Redo: Take style.css/ }).click();

  // The strip's bench: the exact size, the file's own name and format.
  await page.getByRole('link', { name: /^Page background, 1 by 675 px/ }).click();
  await bench.drawn();
  await expect(bench.answer(1)).toContainText('1 × 675');
  const file = await bench.download();
  expect(file.name).toBe('strip.png');
});

test('what is no theme is refused in words, and changes nothing @landing', async ({
  bench,
  page,
}) => {
  const cases: [string, string, () => Promise<Buffer> | Buffer, string][] = [
    [
      'a style sheet of 5 MB',
      'big.css',
      () => Buffer.alloc(5_000_000, 'a{color:red}'),
      'big.css: expected a style sheet of at most 4.0 MB, found 4.8 MB.',
    ],
    [
      'a zip that leads out',
      'out.zip',
      () => zipOf({ '../style.css': textBytes('a{}') }),
      'out.zip: expected paths inside the archive, found “../style.css”.',
    ],
    [
      'a zip bomb',
      'bomb.zip',
      () => zipOf({ 'style.css': Buffer.alloc(60_000_000) }),
      'bomb.zip: expected files packed at most 200 to 1, found “style.css” at',
    ],
    [
      'a zip that breaks off',
      'cut.zip',
      async () => zipOf(await slateTheme()).subarray(0, 3000),
      'cut.zip: expected a whole zip archive',
    ],
    [
      'no style sheet at all',
      'photo.zip',
      () => zipOf({ 'a.txt': textBytes('x'), 'b.txt': textBytes('y') }),
      'a.txt: expected a saved page (.html with its folder, or .mhtml), the style sheets of a theme or one picture of the page, found none of them.',
    ],
  ];
  await bench.start();
  for (const [what, name, bytes, message] of cases) {
    await test.step(what, async () => {
      const slots = page.getByRole('region', { name: 'Slots on this page' });
      const before = await slots.innerText();
      await bench.drop(page.getByRole('main'), [{ name, type: '', bytes: await bytes() }]);
      await expect(page.getByRole('region', { name: 'Messages' })).toContainText(message);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
      expect((await slots.innerText()).split('\n').filter((l) => / × /.test(l))).toEqual(
        before.split('\n').filter((l) => / × /.test(l)),
      );
      await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
    });
  }
});
