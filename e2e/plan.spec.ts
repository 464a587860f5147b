import { readFileSync } from 'node:fs';
import { expect, inNewTab, test } from './bench.fixture';
import { textBytes } from './theme.fixture';

const hidden = 'hidden-share';

test('the chart tells on how many screens no background shows, and what a narrower content changes', async ({
  bench,
  page,
}) => {
  await bench.start();
  const slider = page.getByRole('slider', { name: 'Screen width' });
  await expect(slider).toHaveAttribute(
    'aria-valuetext',
    '1440 px wide, 180 px of background at each side',
  );
  // The sample's visitors up to 1080 px: 26 + 12 + 8 + 6 of a hundred.
  await expect(page.getByTestId(hidden)).toHaveText(
    'On 52% of your visitors’ screens none shows (invented figures).',
  );

  // Along the chart by mouse: far left is a phone, where the content covers all.
  const box = (await slider.locator('xpath=ancestor::*[local-name()="svg"]').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 20, box.y + 60, { steps: 5 });
  await page.mouse.up();
  const width = Number(await slider.getAttribute('aria-valuenow'));
  expect(width).toBeLessThan(340);
  await expect(page.getByRole('main')).toHaveAttribute(
    'aria-label',
    `Home at a screen of ${width} px`,
  );

  // And by key: 1 and 10 px, the next visitor's width, the ends.
  await slider.focus();
  await page.keyboard.press('End');
  await expect(slider).toHaveAttribute('aria-valuenow', '3840');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(slider).toHaveAttribute('aria-valuenow', '3829');
  await page.keyboard.press('PageDown');
  await expect(slider).toHaveAttribute('aria-valuenow', '2560');

  await page
    .getByRole('navigation', { name: 'Panel' })
    .getByRole('button', { name: 'Visitors' })
    .click();
  await page.getByRole('button', { name: 'Set the content to 920 px' }).click();
  await expect(page.getByTestId(hidden)).toContainText('46%');
  await expect(page.getByRole('main').getByText('first screen 2560 × 1600')).toHaveCount(0);
});

test('visitors come from a list; one with words is refused by its line and changes nothing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page
    .getByRole('navigation', { name: 'Panel' })
    .getByRole('button', { name: 'Visitors' })
    .click();
  const drop = page.getByRole('group', { name: 'List of visitors' });
  await bench.drop(drop, [
    {
      name: 'words.csv',
      type: 'text/csv',
      bytes: textBytes('Screen,Visitors\n1440,120\nphone,many\n'),
    },
  ]);
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText(
    'words.csv, line 3: expected a screen width such as 1440, found “phone”.',
  );
  await expect(page.getByTestId(hidden)).toContainText('52%');
  await bench.drop(drop, [
    {
      name: 'visits.csv',
      type: 'text/csv',
      bytes: textBytes('Screen resolution;Sessions\n390x844;300\n1440x900;500\n1440x1000;200\n'),
    },
  ]);
  await expect(page.getByTestId(hidden)).toHaveText('On 30% of your visitors’ screens none shows.');
  await expect(page.getByRole('textbox', { name: 'Visitors at 1440 px' })).toHaveValue('700');
  await bench.type('Visitors at 390 px', '700');
  await expect(page.getByTestId(hidden)).toHaveText('On 50% of your visitors’ screens none shows.');
});

test('slots are moved and resized on the drawing, by mouse and by key, in single steps that can be undone', async ({
  bench,
  page,
}) => {
  await bench.start();
  const header = page.getByRole('link', { name: /^Header, .* open its bench/ });
  const at = async () => {
    const b = (await header.boundingBox())!;
    return [b.x, b.y, b.width, b.height].map(Math.round);
  };
  const [x, y, w, h] = await at();
  const scale = w / 1080;
  const drag = async (from: [number, number], to: [number, number]) => {
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2, { steps: 3 });
    await page.mouse.move(...to, { steps: 3 });
    await page.mouse.up();
  };

  // Moved by mouse: the bench does not open, the step has a name.
  await drag([x + w / 2, y + h / 2], [x + w / 2 + 40, y + h / 2 + 15]);
  await expect(page.getByRole('button', { name: 'Undo: Move Header' })).toBeEnabled();
  const moved = await at();
  expect(Math.abs(moved[0] - x - 40)).toBeLessThanOrEqual(1);
  expect(Math.abs(moved[1] - y - 15)).toBeLessThanOrEqual(1);
  // Near where it was, the content's left edge draws it on.
  await drag([moved[0] + w / 2, moved[1] + h / 2], [x + w / 2 + 4, moved[1] + h / 2]);
  await expect.poll(async () => (await at())[0]).toBe(x);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  expect(await at()).toEqual([x, y, w, h]);

  // Resized by its corner.
  await header.focus();
  const corner = (await page.locator('[data-grip=size]').boundingBox())!;
  await drag([corner.x + 5, corner.y + 5], [corner.x + 5 - 60, corner.y + 5 - 20]);
  const smaller = /^Header, (\d+) by (\d+) px/
    .exec((await header.getAttribute('aria-label'))!)!
    .slice(1)
    .map(Number);
  expect(Math.abs(smaller[0] - (1080 - 60 / scale))).toBeLessThanOrEqual(2);
  expect(Math.abs(smaller[1] - (220 - 20 / scale))).toBeLessThanOrEqual(2);
  await expect(page.locator('[data-finding="header header-width"]')).toContainText(
    `narrower than the content −${1080 - smaller[0]} px`,
  );
  await page
    .getByRole('button', {
      name: 'Put right: make it 1080 px wide, for Width against content of Header',
    })
    .click();
  await expect(page.locator('[data-finding="header header-width"]')).toHaveCount(0);

  // By key: the arrows move, with Alt they resize.
  await header.focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await page.keyboard.press('Alt+Shift+ArrowDown');
  await expect(header).toHaveAttribute(
    'aria-label',
    `Header, 1079 by ${smaller[1] + 10} px: open its bench`,
  );
  await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByRole('textbox', { name: 'Moved right' })).toHaveValue('10');

  // A sidebar goes to the other side.
  const strip = page.getByRole('link', { name: /^Sidebar strip, .* open its bench/ });
  const b = (await strip.boundingBox())!;
  await drag([b.x + b.width / 2, b.y + 40], [b.x - 400, b.y + 40]);
  await expect.poll(async () => (await strip.boundingBox())!.x).toBeLessThan(b.x - 300);
});

test('a strip is measured from columns, added, and carries its sum', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('button', { name: '+ Measure a slot' }).click();
  await page.getByRole('radio', { name: 'Sidebar strip' }).click();
  await expect(page.getByRole('img', { name: 'column 328: 328 px together' })).toBeVisible();
  await bench.type('Part 1, px', '195');
  for (let parts = 2; parts <= 4; parts++) {
    await page.getByRole('button', { name: 'Part', exact: true }).click();
  }
  await bench.type('Part 2, px', '45');
  await bench.type('Part 4, px', '2');
  await page.getByRole('combobox', { name: 'Part 4' }).click();
  await page.getByRole('option', { name: 'border' }).click();
  await page.getByRole('button', { name: 'Take 437 px as the width' }).click();
  await expect(page.getByTestId('measured')).toHaveText(/^437 × \d+ px$/);
  await page.getByRole('button', { name: 'Add it to Home' }).click();
  await expect(page.getByRole('region', { name: 'Slots on this page' })).toContainText(
    '195 + 45 gap + 195 + 2 border = 437',
  );
  await expect(page.getByRole('link', { name: /^Sidebar strip 2, 437 by \d+ px/ })).toBeVisible();
});

test('a size is measured from a picture, pasted, with the colours of its borders', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('1');
  await page.getByRole('radio', { name: 'Picture' }).click();
  const bytes = readFileSync('public/sample/combed-slip.png').toString('base64');
  await page.evaluate((base64) => {
    const data = new DataTransfer();
    data.items.add(
      new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], 'old-header.png', {
        type: 'image/png',
      }),
    );
    document.body.dispatchEvent(
      new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
    );
  }, bytes);
  await expect(page.getByText('328 × 240 px, PNG')).toBeVisible();
  await expect(
    page.getByRole('group', { name: 'Colours along the borders' }).getByRole('button'),
  ).toHaveCount(4);
  // It was measured, not laid: the photo in the slot is the one there was.
  await expect(bench.layer('Shelf of pots')).toBeVisible();
  await page.getByRole('button', { name: 'Take 328 × 240' }).click();
  await expect(bench.answer(1)).toContainText('328 × 240');
});

test('pages share the default background or have their own, and are looked through', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page
    .getByRole('navigation', { name: 'Panel' })
    .getByRole('button', { name: 'Page layout' })
    .click();
  await page.getByRole('button', { name: '+ Page' }).click();
  await bench.type('Name of the page', 'Shop with a rather long name for one of its pages');
  await expect(page.getByRole('main')).toHaveAttribute(
    'aria-label',
    /^Shop with a rather long name/,
  );
  const own = page.getByRole('link', { name: /background, .* open its bench/ });
  await expect(own).toHaveAttribute('aria-label', /^Page background, 320 by 320/);
  await page.getByRole('combobox', { name: 'Background of the page' }).click();
  await page.getByRole('option', { name: /Kiln diary background/ }).click();
  await expect(own).toHaveAttribute('aria-label', /^Kiln diary background, 1600 by 1000/);
  await page.getByRole('radio', { name: '3', exact: true }).click();
  await page
    .getByRole('radiogroup', { name: 'Side of sidebar 2' })
    .getByRole('radio', { name: 'left' })
    .click();
  await page.getByRole('radio', { name: 'full width' }).click();
  await bench.type('Content width in percent', '80');
  await expect(page.getByRole('main').getByText('content 1080')).toBeVisible();
  await bench.type('Content width', '');
  await expect(page.getByRole('slider', { name: 'Screen width' })).toHaveAttribute(
    'aria-valuetext',
    '1440 px wide, 144 px of background at each side',
  );
  await page.getByRole('radio', { name: 'Home' }).click();
  await expect(page.getByRole('slider', { name: 'Screen width' })).toHaveAttribute(
    'aria-valuetext',
    '1440 px wide, 180 px of background at each side',
  );
});

test('theme colours go out as tokens and come in again', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('button', { name: 'Colours…' }).click();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: /design tokens/ }).click(),
  ]);
  const tokens = readFileSync(await download.path(), 'utf8');
  expect(JSON.parse(tokens).clay.$value.hex).toBe('#a4553a');
  const colours = page.getByRole('region', { name: 'Theme colours' });
  await page.getByLabel('Theme colours, file').setInputFiles({
    name: 'new.css',
    mimeType: 'text/css',
    buffer: textBytes(':root { --moss: #4a5d23; --bone: rgb(240 235 220); }'),
  });
  await expect(colours).toContainText('moss');
  await expect(colours).not.toContainText('kiln');
  await page.getByLabel('Theme colours, file').setInputFiles({
    name: 'none.json',
    mimeType: 'application/json',
    buffer: textBytes('{"a": 1}'),
  });
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText(
    'none.json: expected custom properties',
  );
  await page.getByLabel('Theme colours, file').setInputFiles({
    name: 'back.tokens.json',
    mimeType: 'application/json',
    buffer: textBytes(tokens),
  });
  await expect(colours).toContainText('kiln');
});

test('the findings of the site are pressed for, worst first, and lead to their bench', async ({
  bench,
  page,
}) => {
  await bench.start();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings.getByRole('status')).toHaveText(/^\d+$/);
  const verdicts = await findings
    .getByRole('listitem')
    .evaluateAll((items) =>
      items.map((item) => (/^×/.test(item.textContent ?? '') ? 'fails' : 'look')),
    );
  expect(verdicts).toEqual([...verdicts].sort());
  expect(verdicts.filter((v) => v === 'fails').length).toBeGreaterThan(0);
  const edge = findings.locator('[data-finding="header seam-top"]');
  await expect(edge).toContainText('the top edge shows as a line');
  await expect(edge).not.toContainText('255');
  await edge.getByRole('button', { name: /^Why/ }).click();
  await expect(edge).toContainText('of 255 off #3b4a45');
  const covers = findings.locator('[data-finding="diary-background background-covers"]');
  await covers.getByRole('button', { name: /^Why/ }).click();
  await expect(covers).toContainText('480 px at a side are bare');
  await covers.getByRole('button', { name: /^Put right: size: cover/ }).click();
  await expect(covers).toHaveCount(0);
  await findings.getByRole('link', { name: 'Sidebar strip' }).click();
  await bench.drawn();
  await expect(page.getByRole('heading', { name: 'Bench of Sidebar strip' })).toBeAttached();
});

// A tab that other tests worked in may have the changed picture's file already.
inNewTab(
  'findings stand at once when the plan is opened as it was left, and what changes is found anew @landing',
  async ({ bench, page }) => {
    await bench.start();
    const findings = page.getByRole('region', { name: 'Findings' });
    const count = findings.getByRole('status');
    await expect(count).toHaveText(/^\d+$/);
    const words = () => findings.getByRole('listitem').allInnerTexts();
    const before = await words();
    await page.addInitScript(() => {
      const pressed: unknown[] = [];
      Object.assign(globalThis, { pressed });
      const post = Worker.prototype.postMessage;
      Worker.prototype.postMessage = function (this: Worker, ...sent: unknown[]) {
        if ((sent[0] as { call?: string } | undefined)?.call === 'press') {
          pressed.push(sent[0]);
        }
        (post as (...all: unknown[]) => void).apply(this, sent);
      };
    });
    await page.reload();
    await bench.planned();
    await expect(count).toHaveText(String(before.length));
    expect(await words()).toEqual(before);
    const pressed = () =>
      page.evaluate(() => (globalThis as never as { pressed: unknown[] }).pressed.length);
    expect(await pressed()).toBe(0);
    // One picture changes, and one is written; the others are read again.
    await findings.getByRole('button', { name: /^Put right: fade .* Top edge/ }).click();
    await expect.poll(pressed).toBe(1);
    await expect(count).toHaveText(/^\d+$/);
    expect(await pressed()).toBe(1);
    await expect(findings.locator('[data-finding="header seam-top"]')).toHaveCount(0);
  },
);

test('fonts and colours of the site are set by hand: a font that ships, a file of one’s own, weights, names and order', async ({
  bench,
  page,
}) => {
  await bench.start();
  const fonts = page.getByRole('region', { name: 'Fonts' });
  const heading = page
    .getByTestId('page')
    .getByText('Open studio this Saturday', { exact: true })
    .first();
  const family = () => heading.evaluate((element) => getComputedStyle(element).fontFamily);
  const weight = () => heading.evaluate((element) => getComputedStyle(element).fontWeight);
  expect(await weight()).toBe('500');
  await fonts.getByRole('combobox', { name: 'Weight of the headings' }).click();
  await page.getByRole('option', { name: /^Black/ }).click();
  await expect.poll(weight).toBe('900');
  const before = await family();
  await fonts.getByRole('combobox', { name: 'Font of the headings' }).click();
  await page.getByRole('option', { name: /^Caveat/ }).click();
  await expect.poll(family).not.toBe(before);
  // The boldest that this font has.
  await expect.poll(weight).toBe('700');
  const shipped = await family();
  await fonts.getByLabel('A font file for the headings, file').setInputFiles({
    name: 'abril.woff',
    mimeType: 'font/woff',
    buffer: readFileSync(
      'node_modules/@fontsource/abril-fatface/files/abril-fatface-latin-400-normal.woff',
    ),
  });
  await expect(fonts.getByRole('combobox', { name: 'Font of the headings' })).toContainText(
    'Abril Fatface',
  );
  await expect.poll(family).not.toBe(shipped);
  // The browser has the face, and draws with it.
  const has = await heading.evaluate((element) => {
    const { fontFamily, fontSize } = getComputedStyle(element);
    return document.fonts.check(`${fontSize} ${fontFamily}`);
  });
  expect(has).toBe(true);

  const colours = page.getByRole('region', { name: 'Theme colours' });
  await colours.getByRole('button', { name: 'Colours…' }).click();
  await page.getByRole('menuitem', { name: 'Names and order…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Theme colours' });
  await dialog.getByRole('textbox', { name: 'Name of #a4553a' }).fill('terracotta');
  await page.keyboard.press('Enter');
  await dialog.getByRole('button', { name: 'Move terracotta up' }).click();
  await expect(dialog.getByRole('listitem').nth(1)).toContainText('#a4553a');
  await expect(dialog.getByRole('listitem').nth(1)).toContainText('words');
  await dialog.getByRole('textbox', { name: 'Name of #efe9dc' }).fill(' ');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('Give it a name.')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(colours.getByRole('listitem').nth(1)).toContainText('terracotta');
});
