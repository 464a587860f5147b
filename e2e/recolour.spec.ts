/** A theme recoloured as a set, with Chromium as the judge of what is left of the old colour. */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import type { Page } from '@playwright/test';
import { unzipSync, strFromU8 } from 'fflate';
import sharp from 'sharp';
import { oklabOf } from '../src/core/colour/oklab';
import { check } from './accessible.fixture';
import { expect, inNewTab, test, type BenchPage } from './bench.fixture';
import { rawPixels, serve } from './served.fixture';
import { textBytes, zipOf } from './theme.fixture';
import { themeFolders } from './themes.fixture';

const slate = (): Buffer => readFileSync('public/sample/slate-theme.zip');

/** Opens the screen of sets and drops files on it, as a file manager would. */
async function dropSet(
  bench: BenchPage,
  page: Page,
  files: readonly { name: string; type: string; bytes: Buffer }[],
): Promise<void> {
  await bench.start();
  await page.getByRole('button', { name: 'Recolour a set' }).click();
  await bench.drop(page.getByRole('group', { name: 'Drop a theme' }), files);
  await expect(page.getByRole('table', { name: 'Pieces' })).toBeVisible();
}

const row = (page: Page, name: string) =>
  page
    .getByRole('table', { name: 'Pieces' })
    .getByRole('row')
    .filter({ has: page.getByRole('button', { name, exact: true }) });
const archive = (page: Page) => page.getByRole('button', { name: /^Archive, / });

/** @param lost words cannot be read any more, and it is saved all the same */
async function saved(
  page: Page,
  lost = false,
): Promise<{ name: string; files: Record<string, Uint8Array> }> {
  await expect(archive(page)).toBeEnabled({ timeout: 90_000 });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    archive(page)
      .click()
      .then(() =>
        lost ? page.getByRole('button', { name: 'Save all the same' }).click() : undefined,
      ),
  ]);
  return {
    name: download.suggestedFilename(),
    files: unzipSync(readFileSync(await download.path())),
  };
}

/** From slate to celadon by the way that is named. */
async function celadon(page: Page, way: RegExp): Promise<void> {
  await expect(page.getByRole('textbox', { name: 'Old colour', exact: true })).toHaveValue(
    '#3f5161',
  );
  await page.getByRole('button', { name: 'New colour: celadon' }).click();
  await expect(page.getByRole('textbox', { name: 'New colour', exact: true })).toHaveValue(
    '#a9b79a',
  );
  const ways = page.getByRole('group', { name: 'Ways there' });
  await expect(ways).toHaveAttribute('aria-busy', 'false');
  await ways.getByRole('button', { name: way }).click();
}

const hueOf = (r: number, g: number, b: number) => {
  const [, a, bb] = oklabOf({ r, g, b });
  return { hue: (Math.atan2(bb, a) * 180) / Math.PI, chroma: Math.hypot(a, bb) };
};
const old = hueOf(63, 81, 97);

/** Px that have the old theme's hue: within 25 degrees of it in OKLab, and not grey. */
async function oldHue(png: Buffer): Promise<number> {
  const { data } = await rawPixels(png);
  let n = 0;
  for (let k = 0; k < data.length; k += 3) {
    const { hue, chroma } = hueOf(data[k], data[k + 1], data[k + 2]);
    if (chroma > 0.02 && Math.abs(((hue - old.hue + 540) % 360) - 180) <= 25) {
      n++;
    }
  }
  return n;
}

test('a theme of 30 pieces goes from slate to celadon: names, sizes and everything else stay, no old hue is left on its page, and the page goes on where its strip ends', async ({
  bench,
  page,
  browser,
}) => {
  await dropSet(bench, page, [
    { name: 'slate-theme.zip', type: 'application/zip', bytes: slate() },
  ]);
  await expect(page.getByText('30 pieces, 1 style sheet')).toBeVisible();
  await celadon(page, /^Wash \d+%/);
  await expect(row(page, 'strip.png')).toContainText('ends #a9b79a');
  await page.getByRole('radio', { name: 'all files' }).click();
  const { name, files } = await saved(page);
  const before = unzipSync(slate());
  expect(name).toBe('slate-recoloured.zip');
  expect(Object.keys(files).sort()).toEqual([...Object.keys(before), 'recoloured.txt'].sort());
  for (const path of Object.keys(before).filter((p) => /\.(png|jpg|gif|webp)$/.test(p))) {
    const [was, is] = await Promise.all([
      sharp(before[path]).metadata(),
      sharp(files[path]).metadata(),
    ]);
    expect([path, is.format, is.width, is.height, is.isPalette]).toEqual([
      path,
      was.format,
      was.width,
      was.height,
      was.isPalette,
    ]);
  }
  expect(Buffer.compare(files['slate/index.html'], before['slate/index.html'])).toBe(0);
  expect(strFromU8(files['recoloured.txt'])).toMatch(/slate\/images\/strip\.png {2}1×720/);

  const judge = await browser.newPage({ viewport: { width: 1280, height: 1500 } });
  const shots: Buffer[] = [];
  for (const set of [before, files]) {
    const { server, address } = await serve(set);
    await judge.goto(`${address}/slate/index.html`, { waitUntil: 'networkidle' });
    shots.push(await judge.screenshot());
    server.close();
  }
  await judge.close();
  const [was, is] = [await oldHue(shots[0]), await oldHue(shots[1])];
  expect(was).toBeGreaterThan(850_000);
  // What is left is the picture that moves, 24×24, which stays as it is.
  expect(is).toBeLessThanOrEqual(24 * 24);
  const { data, width } = await rawPixels(shots[1]);
  const at = (x: number, y: number) => [
    ...data.subarray((y * width + x) * 3, (y * width + x) * 3 + 3),
  ];
  for (const x of [0, 60, 1270]) {
    expect(at(x, 720)).toEqual(at(x, 719));
    expect(at(x, 1200)).toEqual(at(x, 719));
    expect(at(x, 1490)).toEqual(at(x, 1380));
  }
  expect(at(60, 719)).toEqual([169, 183, 154]);
});

inNewTab(
  'a recipe is edited live on every piece, kept, given a name, taken out and in, and undone @landing',
  async ({ bench, page }) => {
    await dropSet(bench, page, [
      { name: 'slate-theme.zip', type: 'application/zip', bytes: slate() },
    ]);
    await celadon(page, /^Wash \d+%/);
    const after = (name: string) => row(page, name).locator('canvas').nth(1);
    const colour = (name: string) =>
      after(name).evaluate((c: HTMLCanvasElement) =>
        [...c.getContext('2d')!.getImageData(c.width >> 1, c.height >> 1, 1, 1).data].join(),
      );
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');
    await bench.type('Strength, figure', '100');
    await expect.poll(() => colour('menu-middle.png')).toBe('243,254,194,255');
    await page.getByRole('button', { name: 'Undo: Wash at 100%' }).click();
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');
    await bench.type('Name of the recipe', 'Celadon');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('button', { name: 'Kept' })).toBeDisabled();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('celadon.recipe.json');
    const text = readFileSync(await download.path());
    // Another way is another recipe, and the kept one stays what it is.
    await page
      .getByRole('group', { name: 'Ways there' })
      .getByRole('button', { name: /^Two-tone/ })
      .click();
    await expect(page.getByRole('textbox', { name: 'Name of the recipe' })).toHaveValue('');
    await page.getByRole('button', { name: 'Recipes 1' }).click();
    await page.getByRole('menuitem', { name: 'Lay Celadon' }).click();
    await expect(page.getByRole('button', { name: 'Kept' })).toBeDisabled();
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');
    await page.getByRole('button', { name: 'Recipes 1' }).click();
    await page.getByRole('menuitem', { name: 'Begin an empty one' }).click();
    await expect(page.getByText('No step yet')).toBeVisible();
    await page.setInputFiles('input[data-picks="Import a recipe"]', {
      name: 'broken.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"recipeVersion":7}'),
    });
    await expect(
      page.getByText('broken.json: expected a recipe of version 1, found version 7.'),
    ).toBeVisible();
    await page.setInputFiles('input[data-picks="Import a recipe"]', {
      name: 'celadon.recipe.json',
      mimeType: 'application/json',
      buffer: text,
    });
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');
    await page.getByRole('button', { name: '+ Tone' }).click();
    await bench.type('Greyscale, figure', '100');
    await expect
      .poll(async () => new Set((await colour('menu-middle.png')).split(',').slice(0, 3)).size)
      .toBe(1);
    await page.getByRole('button', { name: 'Remove the tone' }).click();
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');

    // All of it is there after the page is loaded anew.
    await bench.kept();
    await page.reload();
    await expect(page.getByRole('textbox', { name: 'Name of the recipe' })).toHaveValue('Celadon');
    await expect.poll(() => colour('menu-middle.png')).toBe('172,186,158,255');

    // On a single picture: laid as one layer, and the picture's own recipe kept in turn.
    await page.goto(page.url().replace('/recolour', ''));
    await bench.open('Page background');
    await bench.ask('What colour');
    await page.getByRole('button', { name: 'Recipe…' }).click();
    await page.getByRole('menuitem', { name: 'Lay Celadon' }).click();
    await expect(bench.layer('Celadon')).toBeVisible();
    const { data } = await bench.raster();
    expect(Math.abs(data[1] - 0.41 * 74 - 0.59 * 254)).toBeLessThan(12);
    await page.getByRole('button', { name: 'Split into layers' }).click();
    await expect(bench.layer('Wash')).toBeVisible();
    await page.getByRole('button', { name: 'Recipe…' }).click();
    await page.getByRole('menuitem', { name: 'Keep this picture’s recipe' }).click();
    await expect(page.getByText('Recipe 2 is kept with its 1 step.')).toBeVisible();
  },
);

test('a piece left out stays; lines of the style sheet are ticked one by one, and text that fades is mended @landing', async ({
  bench,
  page,
}) => {
  await dropSet(bench, page, [
    { name: 'slate-theme.zip', type: 'application/zip', bytes: slate() },
  ]);
  await celadon(page, /^Wash \d+%/);
  await page.getByRole('checkbox', { name: 'Recolour slate/images/button.png' }).uncheck();
  await expect(row(page, 'button.png')).toContainText('left as it is');
  await page.getByRole('radio', { name: /^Style sheet/ }).click();
  const line = (name: RegExp) => page.getByRole('checkbox', { name });
  const list = page.getByRole('list', { name: 'Colours of the style sheets' });
  // Only lines in sight are there.
  const reveal = async (name: RegExp) => {
    for (let top = 0; (await line(name).count()) === 0;) {
      // Shown a frame later; one that was missed comes round again.
      const height = await list.evaluate(async (l, to) => {
        l.parentElement!.scrollTop = to;
        await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)));
        return l.parentElement!.scrollHeight;
      }, top);
      top = (top + 300) % height;
    }
  };
  await reveal(/^Recolour \.frame border #5f7a92/);
  await line(/^Recolour \.frame border #5f7a92/).uncheck();
  await reveal(/^Recolour \.menu li a color #f2f5f7/);
  await expect(line(/^Recolour \.menu li a color #f2f5f7/)).toBeChecked();
  await line(/^Recolour \.menu li a color #f2f5f7/).uncheck();
  await page.getByRole('radio', { name: /Contrast \d+$/ }).click();
  await expect(page.getByRole('button', { name: /^Mend \.menu li a: text in #/ })).toBeVisible();
  await page.getByRole('button', { name: 'Mend all' }).click();
  await expect(page.getByRole('button', { name: /^Mend \.menu li a/ })).toHaveCount(0);
  // On the menu's pictures it is a little less than the sheet tells.
  const { files } = await saved(page, true);
  const css = strFromU8(files['slate/style.css']);
  const before = strFromU8(unzipSync(slate())['slate/style.css']);
  expect(files['slate/images/button.png']).toBeUndefined();
  expect(css).toContain('.frame { border: 9px solid #5f7a92;');
  expect(css).not.toContain('color: #f2f5f7');
  // Line by line nothing but colours is another.
  const bare = (text: string) =>
    text.replace(/#[0-9a-f]{3,8}\b|rgba?\([^)]*\)|var\(--slate\)/gi, '#');
  expect(bare(css)).toBe(bare(before));
  expect(css).not.toBe(before);
});

test('onto the plan and into rehearsal: the header lies there with the recipe, and the host serves the theme’s own page @landing', async ({
  bench,
  page,
}) => {
  await dropSet(bench, page, [
    { name: 'slate-theme.zip', type: 'application/zip', bytes: slate() },
  ]);
  await celadon(page, /^Wash \d+%/);
  await expect(row(page, 'strip.png')).toContainText('ends #a9b79a');
  await page.getByRole('button', { name: 'Lay on the plan' }).click();
  await expect(page.getByRole('link', { name: /^Header 2, .* open its bench/ })).toBeAttached();
  await page.getByRole('button', { name: 'Hand over', exact: true }).click();
  await expect(
    page.getByText(/\d+ files of slate go along under their own names, \d+ of them changed\./),
  ).toBeVisible({ timeout: 150_000 });
  const [tab] = await Promise.all([
    page.waitForEvent('popup'),
    page.getByRole('button', { name: 'Rehearse', exact: true }).click(),
  ]);
  await tab.waitForURL(/home\.html$/);
  const address = tab.url().replace('home.html', 'slate/index.html');
  const answer = await tab.request.get(address);
  expect(answer.headers()['content-security-policy']).toContain("script-src 'none'");
  expect(strFromU8(new Uint8Array(await answer.body()))).toContain('A quiet theme in slate');
  const strip = await sharp(
    await (await tab.request.get(address.replace('index.html', 'images/strip.png'))).body(),
  )
    .raw()
    .toBuffer();
  expect([...strip.subarray(719 * 3, 719 * 3 + 3)]).toEqual([169, 183, 154]);
});

test('hundreds of pieces: what goes on is shown and can be stopped, and the list is walked by key @landing', async ({
  bench,
  page,
}) => {
  // Photographs too, so that writing takes long enough to be stopped.
  const files: Record<string, Buffer> = {};
  const photo = await sharp('public/sample/clay-hills.jpg').resize(1600, 1000).jpeg().toBuffer();
  for (let n = 0; n < 12; n++) {
    files[`many/photo-${n}.jpg`] = photo;
  }
  for (let n = 0; n < 320; n++) {
    files[`many/piece-${String(n).padStart(3, '0')}.png`] = await sharp({
      create: {
        width: 4 + (n % 60),
        height: 4 + (n % 30),
        channels: 4,
        background: { r: 63, g: 81, b: 97 + (n % 20), alpha: 1 },
      },
    })
      .png()
      .toBuffer();
  }
  await dropSet(bench, page, [{ name: 'many.zip', type: 'application/zip', bytes: zipOf(files) }]);
  await expect(page.getByText('332 pieces, 0 style sheets')).toBeVisible();
  await expect(page.getByText(/^Reading \d+ of 332$/)).toHaveCount(0);
  await page.getByRole('button', { name: 'New colour: celadon' }).click();
  await expect(page.getByRole('textbox', { name: 'New colour', exact: true })).toHaveValue(
    '#a9b79a',
  );
  await expect(page.getByRole('group', { name: 'Ways there' })).toHaveAttribute(
    'aria-busy',
    'false',
  );
  await page.getByRole('group', { name: 'Ways there' }).getByRole('button').first().click();
  await expect(page.getByText(/^Writing \d+ of 332$/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Write the files' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Archive', exact: true })).toBeDisabled();
  await page.getByRole('button', { name: 'Write the files' }).click();
  await row(page, 'photo-0.jpg').getByRole('button').focus();
  await page.keyboard.press('End');
  await expect(row(page, 'piece-319.png').getByRole('button')).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await expect(row(page, 'piece-318.png')).toHaveAttribute('aria-selected', 'true');
  expect(await page.getByRole('table', { name: 'Pieces' }).getByRole('row').count()).toBeLessThan(
    60,
  );
  const { files: made } = await saved(page);
  expect(Object.keys(made)).toHaveLength(333);
});

inNewTab(
  'a folder dragged in from a file manager comes with all that is in it, and its archive has the same folders @landing',
  async ({ bench, page }, info) => {
    const files = unzipSync(slate());
    const folder = info.outputPath('slate');
    for (const [path, bytes] of Object.entries(files)) {
      if (!path.endsWith('/')) {
        const at = info.outputPath(path);
        mkdirSync(dirname(at), { recursive: true });
        writeFileSync(at, bytes);
      }
    }
    await bench.start();
    await page.getByRole('button', { name: 'Recolour a set' }).click();
    const box = (await page.getByRole('group', { name: 'Drop a theme' }).boundingBox())!;
    const at = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    const browser = await page.context().newCDPSession(page);
    // What the browser itself does with files that a file manager drags over it.
    for (const type of ['dragEnter', 'dragOver', 'drop'] as const) {
      await browser.send('Input.dispatchDragEvent', {
        type,
        ...at,
        data: { items: [], files: [folder], dragOperationsMask: 1 },
      });
    }
    await expect(page.getByText('30 pieces, 1 style sheet')).toBeVisible();
    await expect(page.getByRole('heading', { name: 'slate', exact: true })).toBeVisible();
    await celadon(page, /^Wash \d+%/);
    await page.getByRole('radio', { name: 'all files' }).click();
    const made = await saved(page);
    const names = Object.keys(files).filter((path) => !path.endsWith('/'));
    expect(Object.keys(made.files).sort()).toEqual([...names, 'recoloured.txt'].sort());
  },
);

test('what cannot be recoloured says why, and changes nothing', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('button', { name: 'Recolour a set' }).click();
  await page.setInputFiles('input[data-picks="Pieces"]', {
    name: 'notes.zip',
    mimeType: 'application/zip',
    buffer: zipOf({ 'a/readme.txt': textBytes('none') }),
  });
  await expect(
    page.getByText(
      'notes.zip: expected pictures or style sheets of a theme, or a zip of its folder, found 1 file and none that can be recoloured.',
    ),
  ).toBeVisible();
  await expect(page.getByRole('group', { name: 'Drop a theme' })).toBeVisible();
  const png = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#3f5161' } })
    .png()
    .toBuffer();
  await page.setInputFiles('input[data-picks="Pieces"]', [
    { name: 'whole.png', mimeType: 'image/png', buffer: png },
    { name: 'cut.png', mimeType: 'image/png', buffer: png.subarray(0, 60) },
    { name: 'words.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('words') },
  ]);
  await expect(page.getByText('found text')).toBeVisible();
  await expect(row(page, 'cut.png').locator('.text-bad')).toBeVisible();
  await page.getByRole('button', { name: '+ Wash' }).click();
  await expect(archive(page)).toBeEnabled();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('group', { name: 'Drop a theme' })).toBeVisible();
});

test('on its own pages: before and after under a slider, families, and words that are lost are mended in the sheet @landing', async ({
  bench,
  page,
}) => {
  const css =
    'body{margin:0;color:#26302f;background:#fff}.hero{background:#2a6f77;padding:30px}.lead{color:#fff;font-size:20px}.fine{color:#dff1f2}.warning{background:#fff3cd;color:#664d03}.deal{background:#c8752e}';
  const html = (body: string) =>
    textBytes(`<!doctype html><title>Bowls</title><link rel=stylesheet href=style.css>${body}`);
  await bench.start();
  await page.getByRole('button', { name: 'Recolour a set' }).click();
  await page.setInputFiles('input[data-picks="Pieces"]', {
    name: 'bowls.zip',
    mimeType: 'application/zip',
    buffer: zipOf({
      'style.css': textBytes(css),
      'index.html': html(
        '<div class=hero><p class=lead>Bowls for every day<p class=fine>Made slowly</div><p class=warning>The kiln is hot<p class=deal>Two for one',
      ),
      // Words of the same rule on a ground that stays: no one colour is read on both.
      'about.html': html('<p class=lead style="background:#222">On dark'),
    }),
  });
  await expect(page.getByText('There is no picture among the files.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Old colour', exact: true })).toHaveValue(
    '#2a6f77',
  );
  await page.getByRole('button', { name: 'New colour: celadon' }).click();
  const ways = page.getByRole('group', { name: 'Ways there' });
  await expect(ways).toHaveAttribute('aria-busy', 'false');
  await ways.getByRole('button', { name: /^Wash \d+%/ }).click();
  await page.getByRole('radio', { name: 'Page', exact: true }).click();
  const lost = page.getByRole('list', { name: 'Words that cannot be read any more' });
  await expect(lost.getByRole('listitem')).toHaveCount(2);
  // What Chromium lays out in the frame is the colour of the sheet that is handed over.
  const frame = page.getByTestId('set-page-after').locator('iframe').last().contentFrame();
  await expect(frame.locator('.hero')).toHaveCSS('background-color', 'rgb(169, 183, 154)');
  await expect(frame.locator('.warning')).toHaveCSS('background-color', 'rgb(255, 243, 205)');
  const slider = page.getByRole('slider', { name: 'Where before ends and after begins' });
  await slider.press('Home');
  await expect(page.getByTestId('set-page-after')).toHaveCSS('clip-path', 'inset(0px 0px 0px 0%)');
  await slider.press('ArrowRight');
  await expect(slider).toHaveAttribute('aria-valuenow', '5');
  await lost
    .getByRole('button', { name: /Made slowly/ })
    .first()
    .click();
  await expect(lost.getByRole('button', { name: 'Mend “Bowls for every day”' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Mend 1 of 2' }).click();
  await expect(lost.getByRole('listitem')).toHaveCount(1);
  await expect(lost).toContainText('Bowls for every day');
  await page.getByRole('radio', { name: 'Families' }).click();
  const families = page.getByRole('list', { name: 'Families of colours' });
  await expect(families.getByRole('checkbox', { checked: true })).toHaveCount(1);
  await expect(families.getByRole('button', { name: /^#fff3cd stays/ })).toBeVisible();
  await families.getByRole('checkbox', { name: 'Recolour: Another hue, #c8752e' }).click();
  await expect(families.getByRole('button', { name: /^#c8752e becomes/ })).toBeVisible();
  // A way of its own (in hue and tone it ends 1.1 off by CIEDE2000), with the recipe again, and one
  // colour of it that stays by itself.
  const own = families.getByRole('textbox', { name: 'New colour of #c8752e', exact: true });
  await own.fill('#2b5876');
  await own.press('Enter');
  await expect(families.getByRole('button', { name: /^#c8752e becomes #245775/ })).toBeVisible();
  await families.getByRole('button', { name: 'With the recipe' }).click();
  await expect(families.getByRole('button', { name: /^#c8752e becomes #245775/ })).toHaveCount(0);
  const member = families.getByRole('button', { name: /^#c8752e / });
  await expect(member).toHaveAttribute('aria-pressed', 'true');
  await member.click();
  await expect(member).toHaveAccessibleName(/^#c8752e stays/);
  await expect(member).toHaveAttribute('aria-pressed', 'false');
  await page.getByRole('button', { name: 'Undo: Leave #c8752e', exact: true }).click();
  await expect(member).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('radio', { name: /^Style sheet/ }).click();
  await expect(page.getByRole('list', { name: 'Colours of the style sheets' })).toContainText(
    '#c8752e',
  );
  const save = page.getByRole('button', { name: 'Archive', exact: true });
  await expect(save).toBeEnabled();
  // What is left is said before the theme is given.
  await save.click();
  const told = page.getByRole('dialog', { name: '1 text of the page can hardly be read any more' });
  await expect(told).toContainText('“Bowls for every day”');
  await check(page, 'words that are lost', '[role=dialog]');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    told.getByRole('button', { name: 'Save all the same' }).click(),
  ]);
  const files = unzipSync(readFileSync(await download.path()));
  const after = strFromU8(files['style.css']);
  expect(after).toContain('.warning{background:#fff3cd;color:#664d03}');
  expect(after).toContain('.hero{background:#a9b79a;');
  expect(after).toContain('.lead{color:#fff;');
  expect(after).not.toContain('.fine{color:#dff1f2}');
  expect(after).not.toContain('#c8752e');
});

inNewTab(
  'colours that go together are tried on the theme’s own page, and set with the mends of what they would lose in one step @landing',
  async ({ bench, page }) => {
    const blog = (await themeFolders()).find((t) => t.name === 'blog of floats')!;
    const bytes = zipOf({
      ...Object.fromEntries(
        Object.entries(blog.files).map(([path, file]) => [`theme/${path}`, file]),
      ),
      'theme/index.html': textBytes(blog.html),
    });
    await dropSet(bench, page, [{ name: 'theme.zip', type: 'application/zip', bytes }]);
    await page.getByRole('button', { name: 'Go together…' }).click();
    const sets = page.getByRole('radiogroup', { name: 'Sets of colours' });
    await expect(sets.getByRole('radio')).toHaveCount(4);
    await check(page, 'colours that go together for a set');
    // The one that is seen, and none that is still laid out or only measured.
    const after = page
      .locator('[data-testid="set-page-after"] iframe[style*="visibility: visible"]')
      .last()
      .contentFrame();
    const seen = async (selector: string, property: string) =>
      after
        .locator(selector)
        .first()
        .evaluate((e, p) => getComputedStyle(e).getPropertyValue(p), property)
        .catch(() => undefined);
    const warned = 'rgb(251, 227, 228)';
    await expect.poll(() => seen('.error', 'background-color')).toBe(warned);
    const opposite = sets.getByRole('radio', { name: /With its opposite/ });
    await opposite.click();
    const chosen = Object.fromEntries(
      [...(await opposite.getAttribute('aria-label'))!.matchAll(/(\w+) (#[0-9a-f]{6})/g)].map(
        (m) => [m[1], m[2]],
      ),
    );
    const css = (hex: string) =>
      `rgb(${[1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)).join(', ')})`;
    // Tried, and nothing is kept yet.
    await expect.poll(() => seen('#side a', 'color')).toBe(css(chosen.link));
    await expect.poll(() => seen('#text p', 'color')).toBe(css(chosen.text));
    await expect.poll(() => seen('.error', 'background-color')).toBe(warned);
    await page.getByRole('button', { name: 'Back', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Undo: Open/ })).toBeVisible();
    await expect.poll(() => seen('#side a', 'color')).not.toBe(css(chosen.link));
    // Its pages are taken away while they open.
    for (let i = 0; i < 6; i++) {
      await page.getByRole('button', { name: 'Go together…' }).click();
      await page.getByRole('button', { name: 'Back', exact: true }).click();
    }

    await page.getByRole('button', { name: 'Go together…' }).click();
    await opposite.click();
    // What is lost is told while it is tried, and set and mended in one step.
    await page
      .getByRole('button', { name: /^Mend (it|all|\d+ of \d+)$/ })
      .click({ timeout: 60_000 });
    await expect(page.getByText(/^✓ All measured words/)).toBeVisible({ timeout: 60_000 });
    await expect(page.getByRole('button', { name: 'Set these colours' })).toBeDisabled();
    await expect.poll(() => seen('#side a', 'color')).toBe(css(chosen.link));
    await page
      .getByRole('button', { name: 'Undo: Colours: With its opposite, mended', exact: true })
      .click();
    await expect.poll(() => seen('#side a', 'color')).not.toBe(css(chosen.link));
    await expect(page.getByRole('button', { name: /^Undo: Open/ })).toBeVisible();

    // Set without its mends, the hand-over says what cannot be read before it is given.
    await opposite.click();
    await page.getByRole('button', { name: 'Set these colours' }).click();
    await page.getByRole('button', { name: 'Hand over' }).click();
    await expect(
      page.getByText(/1 text of its page can hardly be read any more: “Made slowly\.” 1\.\d : 1\./),
    ).toBeVisible({ timeout: 120_000 });
  },
);

/** A theme of one page and hundreds of rules, most of them for other pages. */
async function largeTheme(): Promise<Buffer> {
  const others = Array.from(
    { length: 1500 },
    (_, i) =>
      `.other-${i} p{color:#2a6f77;background:#${(i * 2731).toString(16).padStart(6, '0')}}`,
  );
  const css = [
    'body{margin:0;background:#2a6f77;color:#fff}',
    ...others.slice(0, 700),
    '.band{height:60px;background:#f4f1ea url(band.png);color:#123a3f}',
    ...others.slice(700),
  ].join('\n');
  const band = await sharp({
    create: { width: 20, height: 60, channels: 3, background: '#2a6f77' },
  })
    .png()
    .toBuffer();
  return zipOf({
    'style.css': textBytes(css),
    'band.png': new Uint8Array(band),
    'index.html': textBytes(
      '<!doctype html><title>Large</title><link rel="stylesheet" href="style.css"><p>Words</p><div class="band">On a band</div>',
    ),
    'other.html': textBytes(
      '<!doctype html><title>Other</title><link rel="stylesheet" href="style.css"><div class="other-5"><p>Elsewhere</p></div>',
    ),
  });
}

inNewTab(
  'of a large style sheet what the page has something for is seen first, as all files show it afterwards @landing',
  async ({ bench, page }) => {
    await dropSet(bench, page, [
      { name: 'large.zip', type: 'application/zip', bytes: await largeTheme() },
    ]);
    await page.getByRole('button', { name: 'New colour: celadon' }).click();
    const ways = page.getByRole('group', { name: 'Ways there' });
    await expect(ways).toHaveAttribute('aria-busy', 'false');
    await ways.getByRole('button', { name: /^Wash \d+%/ }).click();
    await page.getByRole('radio', { name: 'Page', exact: true }).click();
    await expect(archive(page)).toBeEnabled({ timeout: 90_000 });
    const place = page.getByTestId('set-page-after');
    // All files are on the page: its picture has the new colour, which only a file gives it.
    const shown = place.locator('iframe[style*="visibility: visible"]').last().contentFrame();
    await expect
      .poll(() =>
        shown.locator('body').evaluate(async (body) => {
          const [, address] = /url\("(.*?)"\)/.exec(
            getComputedStyle(body.querySelector('.band')!).backgroundImage,
          )!;
          const image = new Image();
          image.src = address;
          await image.decode();
          const context = new OffscreenCanvas(1, 1).getContext('2d')!;
          context.drawImage(image, 0, 0);
          return [...context.getImageData(0, 0, 1, 1).data].slice(0, 3).join();
        }),
      )
      .toBe('169,183,154');
    // What is put into the page from now on, and how it looks with it.
    const watch = () =>
      place.evaluate((element) => {
        const seen: { text: string; look: string }[] = [];
        Object.assign(globalThis, { seen });
        const look = (document: Document) =>
          [...document.querySelectorAll('body, .band, .other-5 p')]
            .map((e) => {
              const { color, backgroundColor } = document.defaultView!.getComputedStyle(e);
              return `${color} on ${backgroundColor}`;
            })
            .join('; ');
        Object.assign(globalThis, { look });
        const frames = [...element.querySelectorAll('iframe')];
        const { contentDocument } = frames.filter((f) => f.style.visibility === 'visible').at(-1)!;
        new MutationObserver((changes) => {
          for (const node of changes.flatMap((change) => [...change.addedNodes])) {
            if (node.nodeName === 'STYLE') {
              seen.push({ text: node.textContent!, look: look(contentDocument!) });
            }
          }
        }).observe(contentDocument!, { childList: true, subtree: true });
      });
    await watch();
    await page.getByRole('slider', { name: 'Strength' }).press('ArrowLeft');
    type Seen = { seen: { text: string; look: string }[]; look(of: Document): string };
    const first = async () =>
      page.evaluate(() => (globalThis as never as Seen).seen.at(0)?.text ?? '');
    await expect.poll(first).toContain('.band{');
    expect(await first()).not.toContain('.other-');
    // The sheet that is handed over says the same of all rules, and looks the same.
    await expect(archive(page)).toBeEnabled({ timeout: 90_000 });
    const { files } = await saved(page, true);
    const css = strFromU8(files['style.css']);
    const { text, look } = await page.evaluate(() => (globalThis as never as Seen).seen.at(0)!);
    const rule = (of: string, selector: string) =>
      of
        .split('\n')
        .find((line) => line.startsWith(`${selector}{`))!
        .replace(/url\([^)]*\)/, '');
    for (const selector of ['body', '.band']) {
      expect(rule(text, selector)).toBe(rule(css, selector));
    }
    await expect
      .poll(() =>
        place.evaluate((element) => {
          const frames = [...element.querySelectorAll('iframe')].filter(
            ({ style }) => style.visibility === 'visible',
          );
          const { contentDocument } = frames.at(-1)!;
          const own = contentDocument!.querySelector('style') === null;
          return own ? (globalThis as never as Seen).look(contentDocument!) : '';
        }),
      )
      .toBe(look);

    // Another page has something for other rules, and follows by those.
    await page.getByRole('combobox', { name: 'Page of the set' }).click();
    await page.getByRole('option', { name: 'other.html' }).click();
    const other = place.locator('iframe[style*="visibility: visible"]').last().contentFrame();
    const words = other.locator('.other-5 p');
    await expect(words).toHaveText('Elsewhere');
    await watch();
    await page.getByRole('slider', { name: 'Strength' }).press('ArrowLeft');
    await expect.poll(first).toContain('.other-5 p{');
    expect(await first()).not.toContain('.other-6 p{');
    const ink = await page.evaluate(() => (globalThis as never as Seen).seen.at(0)!.look);
    expect(ink).not.toContain('rgb(42, 111, 119)');
    const lately = () => words.evaluate((e) => getComputedStyle(e).color).catch(() => '');
    await expect(archive(page)).toBeEnabled({ timeout: 90_000 });
    await expect.poll(async () => ink.includes(`; ${await lately()} on `)).toBe(true);
  },
);

inNewTab(
  'what was decided last is in the archive, however soon that is saved @landing',
  async ({ bench, page }) => {
    await dropSet(bench, page, [
      { name: 'large.zip', type: 'application/zip', bytes: await largeTheme() },
    ]);
    // As dark as before: no words are lost, and nothing is asked before it is saved.
    const colour = page.getByRole('textbox', { name: 'New colour', exact: true });
    await colour.fill('#6a3f8f');
    await colour.press('Enter');
    const ways = page.getByRole('group', { name: 'Ways there' });
    await expect(ways).toHaveAttribute('aria-busy', 'false');
    await ways.getByRole('button', { name: /^Hue and tone/ }).click();
    await expect(archive(page)).toBeEnabled({ timeout: 90_000 });
    await page.getByRole('radio', { name: /^Style sheet/ }).click();
    const line = page.getByRole('checkbox', {
      name: 'Recolour body background #2a6f77, style.css line 1',
    });
    await expect(line).toBeChecked();
    const download = page.waitForEvent('download');
    // Both before anything that is worked out elsewhere can be there.
    await line.evaluate(async (box: HTMLInputElement) => {
      box.click();
      await new Promise((resolve) => setTimeout(resolve));
      [...document.querySelectorAll('button')]
        .find((button) => button.textContent.startsWith('Archive, '))!
        .click();
    });
    const files = unzipSync(readFileSync(await (await download).path()));
    expect(strFromU8(files['style.css']).split('\n')[0]).toBe(
      'body{margin:0;background:#2a6f77;color:#fff}',
    );
  },
);
