/** The three ways in, counted in what a person does, and files dropped on every screen. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';
import { expect, inNewTab, test, type BenchPage } from './bench.fixture';
import { holdWorkers } from './workers.fixture';

const pots = 'public/library/before-the-firing.jpg';
const potsFile = () => ({ name: 'pots.jpg', type: 'image/jpeg', bytes: readFileSync(pots) });

/** Counts what a person does: a click, a field that is filled, a file that is chosen or dropped. */
class Actions {
  done = 0;

  async do(work: Promise<unknown>): Promise<void> {
    this.done++;
    await work;
  }

  /** Clicks what asks for a file, and gives it. */
  async choose(page: Page, button: string, path: string): Promise<void> {
    const asked = page.waitForEvent('filechooser');
    await this.do(page.getByRole('button', { name: button }).click());
    await this.do((await asked).setFiles(path));
  }

  async download(page: Page, button: RegExp): Promise<{ name: string; bytes: Buffer }> {
    const saved = page.waitForEvent('download', { timeout: 200_000 });
    await expect(page.getByRole('button', { name: button })).toBeEnabled();
    await this.do(page.getByRole('button', { name: button }).click());
    const file = await saved;
    return { name: file.suggestedFilename(), bytes: readFileSync(await file.path()) };
  }
}

const pixelsOf = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes).removeAlpha().toColourspace('srgb').raw().toBuffer();

/** How far the px of two pictures of one size are apart in the middle, levels. */
function apart(left: Buffer, right: Buffer): number {
  expect(left.length).toBe(right.length);
  let sum = 0;
  for (let i = 0; i < left.length; i++) {
    sum += Math.abs(left[i] - right[i]);
  }
  return sum / left.length;
}

inNewTab(
  'a size and a photo become an exact header in eight actions at most, a title with a shadow in six more',
  async ({ bench, page }) => {
    const actions = new Actions();
    await page.goto('/');
    await actions.do(page.getByRole('textbox', { name: 'Width' }).fill('980'));
    await actions.do(page.getByRole('textbox', { name: 'Height' }).fill('210'));
    await actions.choose(page, 'Choose a photo', pots);
    await bench.drawn();
    await expect(bench.answer(1)).toContainText('980 × 210 exact');
    await actions.do(page.getByRole('button', { name: 'Hand over', exact: true }).click());
    const plain = await actions.download(page, /^Download /);
    expect(actions.done).toBeLessThanOrEqual(8);
    expect(plain.name).toBe('header.webp');
    // Sharp lays the same part of the photo: all of its width, somewhere along its height.
    const shown = await sharp(pots).resize(980).removeAlpha().raw().toBuffer();
    const made = await pixelsOf(plain.bytes);
    const row = 980 * 3;
    const tops = Array.from({ length: (shown.length - made.length) / row + 1 }, (_, top) => top);
    const off = tops.map((top) => apart(made, shown.subarray(top * row, top * row + made.length)));
    expect(Math.min(...off)).toBeLessThan(6);

    const more = new Actions();
    await more.do(bench.ask('What on top'));
    await more.do(page.getByRole('button', { name: 'Text', exact: true }).click());
    await more.do(page.getByRole('textbox', { name: 'Words' }).fill('Out of the kiln'));
    await more.do(page.getByRole('radio', { name: 'Effects' }).click());
    await more.do(page.getByRole('button', { name: '+ Shadow' }).click());
    expect(more.done).toBeLessThanOrEqual(6);
    await expect(page.getByRole('list', { name: 'Effects of this layer' })).toContainText('Shadow');
    await expect(bench.answer(4)).toContainText('1 text');
    await bench.ask('Hand over');
    const titled = await new Actions().download(page, /^Download /);
    expect(apart(await pixelsOf(titled.bytes), made)).toBeGreaterThan(1);
    // The site was made without being asked for, and is named later.
    await bench.kept();
    await page.getByRole('link', { name: 'Soyez', exact: true }).click();
    await page.getByRole('button', { name: 'More for My site' }).click();
    await page.getByRole('menuitem', { name: 'Rename…' }).click();
    await page.getByRole('textbox', { name: 'Name of the site' }).fill('The kiln diary');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('link', { name: 'Open The kiln diary' })).toBeVisible();
    await page.getByRole('button', { name: 'More for The kiln diary' }).click();
    await page.getByRole('menuitem', { name: 'Duplicate' }).click();
    await expect(page.getByRole('link', { name: 'Open The kiln diary, copy' })).toBeVisible();
    // All of the card opens it, its words too.
    await page.getByText('1 picture on 1 page').first().click({ force: true });
    await page.waitForURL(/\/sites\/[^/]+$/);
  },
);

inNewTab(
  'a background out of a photo, with its CSS, in eight actions at most',
  async ({ page, bench }) => {
    const actions = new Actions();
    await page.goto('/');
    await actions.do(page.getByRole('combobox', { name: 'What it is' }).click());
    await actions.do(page.getByRole('option', { name: 'Page background' }).click());
    await expect(page.getByRole('textbox', { name: 'Width' })).toHaveValue('1920');
    await actions.choose(page, 'Choose a photo', pots);
    await bench.drawn();
    await actions.do(page.getByRole('button', { name: 'Hand over', exact: true }).click());
    const file = await actions.download(page, /^Download /);
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await actions.do(page.getByRole('button', { name: 'Copy CSS' }).click());
    expect(actions.done).toBeLessThanOrEqual(8);
    const { width, height } = await sharp(file.bytes).metadata();
    expect([width, height]).toEqual([1920, 1200]);
    const css = await page.evaluate(() => navigator.clipboard.readText());
    expect(css).toMatch(/background-image: (?:image-set\()?url\(/);
    expect(css).toContain(file.name.replace(/\.[a-z]+$/, ''));
  },
);

inNewTab('an own page to a replaced header in ten actions at most', async ({ page, bench }) => {
  test.setTimeout(300_000);
  const actions = new Actions();
  await page.goto('/');
  const zip = readFileSync('public/sample/kiln-weekend.zip');
  await actions.do(
    bench.drop(page.getByRole('group', { name: 'Drop your page' }), [
      { name: 'kiln-weekend.zip', type: 'application/zip', bytes: zip },
    ]),
  );
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await actions.do(dialog.getByRole('button', { name: 'Take it over' }).click());
  const banner = page.getByRole('link', { name: /^Title band, .* open its bench/ });
  await actions.do(bench.drop(banner, [potsFile()]));
  await page.waitForURL(/slots/);
  await bench.drawn();
  await actions.do(page.getByRole('button', { name: 'Hand over', exact: true }).click());
  await actions.do(page.getByRole('button', { name: 'All files and rehearsal' }).click());
  const saved = await actions.download(page, /^Archive/);
  expect(actions.done).toBeLessThanOrEqual(10);
  const files = unzipSync(new Uint8Array(saved.bytes));
  const before = unzipSync(new Uint8Array(zip));
  const path = Object.keys(before).find((name) => name.endsWith('banner.jpg'))!;
  const handed = Object.keys(files).find((name) => name.endsWith(path));
  expect(handed).toBeDefined();
  const [was, is] = await Promise.all([
    sharp(before[path]).metadata(),
    sharp(files[handed!]).metadata(),
  ]);
  expect([is.format, is.width, is.height]).toEqual([was.format, was.width, was.height]);
  expect(Buffer.compare(Buffer.from(files[handed!]), Buffer.from(before[path]))).not.toBe(0);
});

/** Presses keys one by one, and sees that focus is never on the body in between. */
async function typed(page: Page, keys: readonly string[]): Promise<number> {
  for (const key of keys) {
    await page.keyboard.press(key);
    await expect
      .poll(() => page.evaluate(() => document.activeElement === document.body))
      .toBe(false);
  }
  return keys.length;
}

/** Tabs to what has that name. @returns how many strokes that took */
async function tabTo(page: Page, name: RegExp): Promise<number> {
  for (let strokes = 1; strokes <= 60; strokes++) {
    await typed(page, ['Tab']);
    const found = await page.evaluate(() => {
      const at = document.activeElement;
      const label = at?.getAttribute('aria-label') ?? at?.textContent ?? '';
      return label;
    });
    if (name.test(found)) {
      return strokes;
    }
  }
  throw new Error(`No stroke of Tab came to ${String(name)}.`);
}

inNewTab(
  'the same by keys in 45 strokes at most, focus never on the body',
  async ({ page, bench }) => {
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Open the sample' })).toBeEnabled();
    // Listened for from here on: the browser takes a moment to hand file choosers over.
    const asked = page.waitForEvent('filechooser');
    let strokes = await tabTo(page, /^Width$/);
    strokes += await typed(page, ['9', '8', '0', 'Tab', '2', '1', '0']);
    // From a field, Enter asks for the photo.
    strokes += await typed(page, ['Enter']);
    await (await asked).setFiles(pots);
    strokes++;
    await bench.drawn();
    await expect(bench.answer(1)).toContainText('980 × 210 exact');
    strokes += await typed(page, ['7']);
    await expect(page.getByRole('button', { name: /^Download / })).toBeEnabled();
    strokes += await tabTo(page, /^Download /);
    const saved = page.waitForEvent('download');
    strokes += await typed(page, ['Enter']);
    expect((await saved).suggestedFilename()).toBe('header.webp');
    expect(strokes).toBeLessThanOrEqual(45);
  },
);

/** Goes to what asks for a file, and gives it. */
async function fileAt(page: Page, name: RegExp, path: string): Promise<number> {
  // Listened for from here on: the browser takes a moment to hand file choosers over.
  const asked = page.waitForEvent('filechooser');
  const strokes = (await tabTo(page, name)) + (await typed(page, ['Enter']));
  await (await asked).setFiles(path);
  return strokes + 1;
}

inNewTab(
  'a background with its CSS by keys in 45 strokes at most @landing',
  async ({ page, bench }) => {
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Open the sample' })).toBeEnabled();
    let strokes = await tabTo(page, /^What it is$/);
    strokes += await typed(page, ['Enter']);
    await expect(page.getByRole('option', { name: 'Header' })).toBeFocused();
    strokes += await typed(page, ['p', 'Enter']);
    await expect(page.getByRole('textbox', { name: 'Width' })).toHaveValue('1920');
    strokes += await fileAt(page, /^Choose a photo$/, pots);
    await bench.drawn();
    strokes += await typed(page, ['7']);
    await expect(page.getByRole('button', { name: /^Download / })).toBeEnabled();
    strokes += await tabTo(page, /^Download /);
    const saved = page.waitForEvent('download');
    strokes += await typed(page, ['Enter']);
    expect((await saved).suggestedFilename()).toBe('page-background.webp');
    strokes += await tabTo(page, /^Copy CSS$/);
    strokes += await typed(page, ['Enter']);
    expect(strokes).toBeLessThanOrEqual(45);
    await expect
      .poll(() => page.evaluate(() => navigator.clipboard.readText()))
      .toContain('page-background');
  },
);

inNewTab(
  'an own page to a replaced header by keys in 45 strokes at most @landing',
  async ({ page, bench }) => {
    await page.goto('/');
    await expect(page.getByRole('button', { name: 'Open the sample' })).toBeEnabled();
    let strokes = await fileAt(page, /^Choose files$/, 'public/sample/kiln-weekend.zip');
    await expect(page.getByRole('button', { name: 'Take it over' })).toBeEnabled();
    await expect(page.getByRole('button', { name: 'Take it over' })).toBeFocused();
    strokes += await typed(page, ['Enter']);
    const banner = page.getByRole('link', { name: /^Title band, .* open its bench/ });
    // Its number on the page opens it.
    strokes += await typed(page, [(await banner.getAttribute('aria-keyshortcuts'))!]);
    await bench.drawn();
    strokes += await typed(page, ['2']);
    strokes += await fileAt(page, /^Choose a file$/, pots);
    await expect(bench.answer(2)).toContainText('% of it');
    strokes += await typed(page, ['7']);
    // Its controls come when they are asked for; one looks before one goes on.
    await expect(page.getByRole('button', { name: 'All files and rehearsal' })).toBeVisible();
    strokes += await tabTo(page, /^All files and rehearsal$/);
    strokes += await typed(page, ['Enter']);
    await expect(page.getByRole('button', { name: /^Archive/ })).toBeEnabled();
    strokes += await tabTo(page, /^Archive/);
    const saved = page.waitForEvent('download', { timeout: 200_000 });
    strokes += await typed(page, ['Enter']);
    expect((await saved).suggestedFilename()).toMatch(/[.]zip$/);
    expect(strokes).toBeLessThanOrEqual(45);
  },
);

inNewTab(
  'a title with a shadow by keys, in 45 strokes at most @landing',
  async ({ page, bench }) => {
    await bench.start();
    await bench.open('Corner mark');
    let strokes = await typed(page, ['4']);
    strokes += await tabTo(page, /^Text$/);
    strokes += await typed(page, ['Enter']);
    await expect(bench.answer(4)).toContainText('1 text');
    strokes += await typed(page, ['K', 'i', 'l', 'n', 'Escape']);
    await expect(bench.layer('Kiln')).toBeVisible();
    // All that can be done is found by its words, and focus is then where it was.
    strokes += await typed(page, ['Control+k']);
    await expect(page.getByRole('combobox', { name: 'All commands' })).toBeFocused();
    strokes += await typed(page, [...'shadow', 'Enter']);
    await expect(page.getByRole('button', { name: /^Undo: Add a shadow to/ })).toBeEnabled();
    strokes += await typed(page, ['Tab']);
    expect(strokes).toBeLessThanOrEqual(45);
  },
);

const isOn = (bench: BenchPage, heading: RegExp) =>
  expect(bench.page.getByRole('heading', { name: heading })).toBeAttached();

test('a site file, a page, a photo: each does what one expects on every screen @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  const plan = page.url();
  const main = page.getByRole('main').first();
  // A photo beside the places of the plan waits on the shelf.
  await bench.drop(main, [potsFile()]);
  await expect(page.getByText(/pots is on the shelf/)).toBeVisible();
  await bench.kept();
  // On the hand-over it goes to the shelf too.
  await page.goto(`${plan}/hand-over`);
  await isOn(bench, /^Hand over/);
  const another = await sharp(pots).resize(700).png().toBuffer();
  await bench.drop(page.getByRole('complementary').first(), [
    { name: 'smaller.png', type: 'image/png', bytes: another },
  ]);
  await isOn(bench, /^Shelf of/);
  await expect(page.getByRole('button', { name: /smaller/ })).toBeVisible();
  // A page on the bench is shown on the plan.
  await bench.kept();
  await page.goto(`${plan}/slots/header`);
  await bench.drawn();
  await bench.drop(page.getByTestId('picture-area'), [
    {
      name: 'kiln-weekend.mhtml',
      type: 'multipart/related',
      bytes: readFileSync('public/sample/kiln-weekend.mhtml'),
    },
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.getByRole('button', { name: 'Take it over' })).toBeEnabled();
  await page.keyboard.press('Escape');
  // What is nothing of the kind is refused with what it is, and nothing changes.
  await bench.drop(page.getByRole('main').first(), [
    { name: 'notes.txt', type: 'text/plain', bytes: Buffer.from('Dear kiln') },
  ]);
  await expect(page.getByText(/^notes\.txt: expected a .* picture, found text\./)).toBeVisible();
});

test('the sample as it was comes beside the one that was changed @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('Wash').click();
  await page.keyboard.press('Delete');
  await bench.kept();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await page.getByRole('button', { name: 'The sample as it was' }).click();
  await bench.planned();
  await bench.open('Header');
  await expect(bench.layer('Wash')).toBeVisible();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Open Veldrin Clayworks' })).toHaveCount(2);
});

test('what is typed wrongly is said beside it, and no site is made', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  const ways = page.getByRole('region', { name: 'A size and a photo' });
  await ways.getByRole('textbox', { name: 'Width' }).fill('wide');
  await page.setInputFiles('input[data-picks="Photo"]', pots);
  await expect(ways.getByRole('alert')).toHaveText('Expected a number of pixels, found “wide”.');
  await ways.getByRole('textbox', { name: 'Width' }).fill('640 x 120');
  await expect(ways.getByRole('textbox', { name: 'Height' })).toHaveValue('120');
  await page.setInputFiles('input[data-picks="Photo"]', {
    name: 'broken.jpg',
    mimeType: 'image/jpeg',
    buffer: readFileSync(pots).subarray(0, 2000),
  });
  await expect(ways.getByRole('alert')).toContainText('broken.jpg: expected a whole JPEG picture');
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(1);

  // A photo that is given up while it is read makes none either, though it is read all the same.
  const release = await holdWorkers(page);
  await page.setInputFiles('input[data-picks="Photo"]', pots);
  await expect(ways.getByRole('status')).toHaveText('Opening before-the-firing.jpg…');
  await ways.getByRole('button', { name: 'Cancel' }).click();
  await expect(ways.getByRole('button', { name: 'Choose a photo' })).toBeEnabled();
  // Nor does a page, and what is wrong with it is not said any more.
  await bench.drop(page.getByRole('main'), [
    { name: 'no-page.mhtml', type: '', bytes: Buffer.from('no page at all') },
  ]);
  await expect(ways.getByRole('status')).toHaveText('Opening no-page.mhtml…');
  await ways.getByRole('button', { name: 'Cancel' }).click();
  await expect(ways.getByRole('button', { name: 'Choose a photo' })).toBeEnabled();
  await release();
  await page.setInputFiles('input[data-picks="Photo"]', pots);
  await bench.drawn();
  await page.getByRole('link', { name: 'Soyez', exact: true }).click();
  await expect(page.getByRole('link', { name: /^Open / })).toHaveCount(2);
  await expect(page.getByText('no-page.mhtml')).toHaveCount(0);
});
