import { readFileSync } from 'node:fs';
import { expect, inNewTab, test } from './bench.fixture';

const fontFile = readFileSync(
  'node_modules/@fontsource/abril-fatface/files/abril-fatface-latin-400-normal.woff',
);

inNewTab(
  'a font of one’s own: refused when it is none, used, kept, and drawn again after a reload @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.open('Header');
    await bench.layer('Veldrin Clayworks').click();
    const before = await bench.pixels();
    const choose = page.locator('input[type=file][aria-label="Use a font file of your own, file"]');
    await choose.setInputFiles({
      name: 'letters.ttf',
      mimeType: 'font/ttf',
      buffer: Buffer.from('these are no letters'),
    });
    await expect(
      page.getByText('letters.ttf: expected a TTF, OTF, WOFF or WOFF2 font, found something else.'),
    ).toBeVisible();
    await page.getByRole('button', { name: 'Put this message away' }).click();
    expect(await bench.pixels()).toBe(before);
    await choose.setInputFiles({ name: 'abril.woff', mimeType: 'font/woff', buffer: fontFile });
    await expect(page.getByRole('combobox', { name: 'Font' })).toContainText('Abril Fatface');
    await expect.poll(() => bench.pixels()).not.toBe(before);
    const own = await bench.pixels();
    // The same letters as the font of that name that ships.
    await page.getByRole('combobox', { name: 'Font' }).click();
    await page.getByRole('option', { name: 'Abril Fatface' }).last().click();
    await expect(page.getByRole('button', { name: 'Undo: Font Abril Fatface' })).toBeEnabled();
    expect(await bench.pixels()).toBe(own);
    await page.keyboard.press('Control+z');
    await bench.kept();
    await page.reload();
    await bench.drawn();
    expect(await bench.pixels()).toBe(own);
  },
);

test('italic, spacing, lines, proportions and wrapping change the picture, and fit to width fills the safe width @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('thrown').click();
  await page.getByRole('radio', { name: 'Letters' }).click();
  const seen = new Set([await bench.pixels()]);
  const changes = async (act: () => Promise<unknown>) => {
    await act();
    await expect.poll(async () => seen.has(await bench.pixels())).toBe(false);
    seen.add(await bench.pixels());
  };
  await changes(() => page.getByRole('button', { name: 'Italic' }).click());
  await changes(() => bench.type('Spacing, figure', '20'));
  await changes(() => bench.type('Width, figure', '130'));
  await changes(() => bench.type('Height, figure', '80'));
  await changes(async () => {
    await page.getByRole('button', { name: 'Break lines' }).click();
    await bench.type('at, figure', '200');
  });
  await changes(() => bench.type('Line height, figure', '1.6'));
  await page.getByRole('radio', { name: 'Place' }).click();
  expect(Number(await page.getByRole('textbox', { name: 'Width of the layer' }).inputValue())).toBe(
    200,
  );
  await changes(() => page.getByRole('button', { name: 'Fit to width' }).click());
  expect(
    Number(await page.getByRole('textbox', { name: 'Width of the layer' }).inputValue()),
  ).toBeCloseTo(980, 0);
  expect(
    Number(await page.getByRole('textbox', { name: 'Left', exact: true }).inputValue()),
  ).toBeCloseTo(50, 0);
  // What cannot be is refused and changes nothing.
  await bench.type('Width of the layer', 'wide');
  await expect(page.getByText('Expected a width of 1 or more, found “wide”.')).toBeVisible();
});

test('how the font stands beside the site’s is said in figures, and a better one is a click away @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('Veldrin Clayworks').click();
  await page.getByRole('combobox', { name: 'Font' }).click();
  await page.getByRole('option', { name: /^Josefin Sans/ }).click();
  await page.getByRole('radio', { name: 'Letters' }).click();
  // From the files' own tables: 0.378 against 0.526, and 1.235 against 1.243.
  await expect(
    page.getByText('! differs by Archivo: small letters 72% as tall, strokes 1.0× its contrast'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'DM Sans' }).click();
  await expect(page.getByText('✓ sits well by Archivo: small letters 96% as tall')).toBeVisible();
});

test('words from the right, combining marks and emoji are drawn by the platform’s text engine @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.layer('thrown').click();
  const seen = new Set<string>();
  for (const words of [
    '\u05e9\u05dc\u05d5\u05dd',
    '\u0645\u0631\u062d\u0628\u0627',
    'e\u0301clair',
    'kiln ♨️ ok',
    'AVATAR fi',
  ]) {
    await page.getByRole('textbox', { name: 'Words', exact: true }).fill(words);
    await page.waitForTimeout(600);
    seen.add(await bench.pixels());
  }
  expect(seen.size).toBe(5);
  // Letters of other languages come from the fonts too: were they borrowed, they would look the
  // same in all.
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill('łęść');
  await page.waitForTimeout(600);
  const fraunces = await bench.pixels();
  await page.getByRole('combobox', { name: 'Font' }).click();
  await page.getByRole('option', { name: 'Oswald' }).click();
  await expect(page.getByRole('button', { name: 'Undo: Font Oswald' })).toBeEnabled();
  expect(await bench.pixels()).not.toBe(fraunces);
});

inNewTab(
  'one sun lights the picture: shadow and relief follow it, by pointer and by keys @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.open('Corner mark');
    await bench.ask('What on top');
    await page.getByRole('button', { name: 'Text', exact: true }).click();
    await page.getByRole('radio', { name: 'Words', exact: true }).click();
    await bench.type('Size, figure', '30');
    const sun = page.getByRole('slider', { name: 'Light of the picture' });
    await expect(sun).toBeHidden();
    await page.getByRole('radio', { name: 'Effects' }).click();
    await page.getByRole('button', { name: '+ Shadow' }).click();
    await expect(sun).toHaveAttribute('aria-valuetext', 'from the upper left');
    /** Where the shadow's middle lies from the letters' own, px, by what is covered in part. */
    const shadow = async () => {
      const { width, data } = await bench.raster();
      const middle = { own: [0, 0, 0], cast: [0, 0, 0] };
      for (let i = 0; i < data.length; i += 4) {
        const kind = data[i + 3] === 255 ? middle.own : middle.cast;
        if (data[i + 3] > 0) {
          kind[0] += (i / 4) % width;
          kind[1] += Math.floor(i / 4 / width);
          kind[2]++;
        }
      }
      const at = ([x, y, n]: number[]) => [x / n, y / n];
      const [own, cast] = [at(middle.own), at(middle.cast)];
      return { x: cast[0] - own[0], y: cast[1] - own[1] };
    };
    const before = await shadow();
    expect(before.x).toBeGreaterThan(0.5);
    expect(before.y).toBeGreaterThan(0.5);
    await sun.focus();
    // From the upper left round to the right, fifteen degrees at a time.
    for (let i = 0; i < 9; i++) {
      await page.keyboard.press('ArrowRight');
    }
    await expect(sun).toHaveAttribute('aria-valuenow', '90');
    await expect(sun).toBeFocused();
    await expect.poll(async () => (await shadow()).x).toBeLessThan(-0.5);

    await page.getByRole('button', { name: '+ Relief' }).click();
    await page.getByRole('radio', { name: 'pressed in' }).click();
    const pressed = await bench.pixels();
    const area = (await page.getByTestId('picture-area').boundingBox())!;
    const box = (await sun.boundingBox())!;
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(area.x + 20, area.y + area.height / 2, { steps: 5 });
    await page.mouse.up();
    await expect(sun).toHaveAttribute('aria-valuetext', 'from the left');
    expect(await bench.pixels()).not.toBe(pressed);
    expect((await shadow()).x).toBeGreaterThan(0.5);
    // One step each: undone, the picture is to the level what it was.
    await page.keyboard.press('Control+z');
    expect(await bench.pixels()).toBe(pressed);
    await page.getByRole('button', { name: 'Shadow', exact: true }).click();
    await page.getByRole('radio', { name: 'where I say' }).click();
    // Nothing moves when it is let go of the light.
    expect(await bench.pixels()).toBe(pressed);
  },
);
