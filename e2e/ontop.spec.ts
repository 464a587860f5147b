import type { Page } from '@playwright/test';
import { expect, inNewTab, test, type BenchPage } from './bench.fixture';

const kiln = [59, 74, 69, 255];
const width = 300;
const height = 72;

/** Px of the picture that are near a colour, within a part of it. */
function count(
  { data }: { data: Uint8Array },
  wanted: readonly [number, number, number],
  part = { left: 0, right: width },
  by = 24,
): number {
  let found = 0;
  for (let y = 0; y < height; y++) {
    for (let x = part.left; x < part.right; x++) {
      const i = (y * width + x) * 4;
      if (wanted.every((v, c) => Math.abs(data[i + c] - v) <= by)) {
        found++;
      }
    }
  }
  return found;
}

const mean = (
  { data }: { data: Uint8Array },
  x0: number,
  y0: number,
  x1: number,
  y1: number,
): number => {
  let sum = 0;
  for (let y = y0; y < y1; y++) {
    for (let x = x0; x < x1; x++) {
      sum +=
        data[(y * width + x) * 4] + data[(y * width + x) * 4 + 1] + data[(y * width + x) * 4 + 2];
    }
  }
  return sum / (3 * (x1 - x0) * (y1 - y0));
};

/** What the mark is to be in the end, however it was made. */
async function isMade(bench: BenchPage): Promise<void> {
  await expect(bench.answer(4)).toContainText('6 layers, 2 texts');
  const picture = await bench.raster();
  const { data } = picture;
  // The ground is kiln to the level, wherever nothing lies, though a tone lies over one of the
  // pictures.
  for (const [x, y] of [
    [0, 0],
    [299, 0],
    [0, 71],
    [299, 71],
    [150, 71],
  ]) {
    expect([...data.subarray((y * width + x) * 4, (y * width + x) * 4 + 4)]).toEqual(kiln);
  }
  // Words of slip, an outline of clay around the first, a dark shadow beside the second.
  expect(count(picture, [239, 233, 220])).toBeGreaterThan(150);
  expect(count(picture, [164, 85, 58])).toBeGreaterThan(60);
  expect(count(picture, [10, 12, 11], undefined, 22)).toBeGreaterThan(20);
}

/** Goes back to the beginning and forward to the end, and finds both as they were. */
async function undoneAndRedone(
  bench: BenchPage,
  empty: string,
  steps: () => Promise<boolean>,
  back: () => Promise<boolean>,
): Promise<void> {
  const made = await bench.pixels();
  let count = 0;
  while (await steps()) {
    count++;
  }
  expect(count).toBeGreaterThan(14);
  expect(await bench.pixels()).toBe(empty);
  while (await back()) {
    count--;
  }
  expect(count).toBe(0);
  expect(await bench.pixels()).toBe(made);
  // And the history outlives a reload.
  await bench.kept();
  await bench.page.reload();
  await bench.drawn();
  expect(await bench.pixels()).toBe(made);
  await steps();
  await back();
  await expect.poll(() => bench.pixels()).toBe(made);
}

async function clicked(page: Page, name: RegExp): Promise<boolean> {
  const button = page.getByRole('button', { name });
  if (!(await button.isEnabled())) {
    return false;
  }
  await button.click();
  return true;
}

test('a mark of three pictures and two texts, made with the mouse @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Corner mark');
  const empty = await bench.pixels();
  await bench.layer('Ground').click();
  await page.getByRole('radio', { name: 'Colour', exact: true }).click();
  await bench.ask('What on top');

  // Three pictures: each laid, made smaller by a corner, and dragged to its place.
  for (const [name, at] of [
    ['Shelf of pots', 40],
    ['Kiln glow', 150],
    ['Clay hills', 262],
  ] as const) {
    await page.getByRole('button', { name: new RegExp(`^Put ${name} on top`) }).click();
    await expect(bench.layer(name)).toHaveAttribute('aria-pressed', 'true');
    await bench.pixels();
    await bench.grip('1 1', -40, -30);
    const place = (await page.locator('[data-grip="0 0"]').boundingBox())!;
    const area = (await page.getByTestId('picture-area').boundingBox())!;
    await bench.drag([place.x - area.x + 14, place.y - area.y + 12], [at - 12, 32]);
    await bench.drag([150, 69], [150, 69]);
    await expect(
      page.getByRole('button', { name: new RegExp(`^Put ${name} on top`) }),
    ).toBeVisible();
  }
  // The last one is turned by its knob.
  await bench.drag([262, 36], [262, 36]);
  await expect(bench.layer('Clay hills')).toHaveAttribute('aria-pressed', 'true');
  await bench.grip('turn', 8, 2);
  await expect(page.getByRole('button', { name: 'Undo: Turn Clay hills' })).toBeEnabled();

  // A text, written where it stands, moved and outlined.
  await bench.add('Text');
  await bench.type('Size, figure', '24');
  await bench.pixels();
  const field = page.getByRole('textbox', { name: 'Words on the picture' });
  await page.mouse.dblclick(
    (await page.getByTestId('picture-area').boundingBox())!.x + 150,
    (await page.getByTestId('picture-area').boundingBox())!.y + 34,
  );
  await expect(field).toBeFocused();
  await page.keyboard.type('Veldrin');
  await page.keyboard.press('Escape');
  await expect(bench.layer('Veldrin')).toBeVisible();
  await page.getByRole('radio', { name: 'Effects' }).click();
  await page.getByRole('button', { name: '+ Outline' }).click();
  await page.getByRole('button', { name: 'Outline colour: clay' }).click();
  await bench.pixels();
  await bench.drag([150, 34], [118, 24]);

  // A second one with a shadow.
  await bench.drag([150, 69], [150, 69]);
  await page.getByRole('button', { name: 'Text', exact: true }).click();
  await page.getByRole('radio', { name: 'Words', exact: true }).click();
  await page.getByRole('textbox', { name: 'Words', exact: true }).fill('Clayworks');
  await bench.type('Size, figure', '18');
  await page.getByRole('radio', { name: 'Effects' }).click();
  await page.getByRole('button', { name: '+ Shadow' }).click();
  await bench.type('Shadow colour', '#000000');
  await bench.type('Opacity, figure', '100');
  await bench.type('Soft, figure', '1');
  await bench.pixels();
  await bench.drag([150, 32], [186, 46]);

  // A tone on the kiln's glow and on nothing else.
  const before = await bench.raster();
  await bench.layer('Kiln glow').click();
  await bench.ask('What colour');
  await page.getByRole('button', { name: '+ Tone' }).click();
  await page.getByRole('radio', { name: 'only the layer beneath' }).click();
  const slider = (await page.getByRole('slider', { name: 'Brightness' }).boundingBox())!;
  await page.mouse.move(slider.x + 5, slider.y + 8);
  await page.mouse.down();
  await page.mouse.move(slider.x - 30, slider.y + 8, { steps: 4 });
  await page.mouse.up();
  await isMade(bench);
  const after = await bench.raster();
  // Darker where the kiln glows, and the same to the level left and right of it.
  expect(mean(after, 128, 56, 170, 62)).toBeLessThan(mean(before, 128, 56, 170, 62) + 0.001);
  for (const [left, right] of [
    [0, 80],
    [232, 300],
  ]) {
    for (let y = 0; y < height; y++) {
      expect(
        Buffer.from(after.data.subarray((y * width + left) * 4, (y * width + right) * 4)).equals(
          Buffer.from(before.data.subarray((y * width + left) * 4, (y * width + right) * 4)),
        ),
      ).toBe(true);
    }
  }

  await undoneAndRedone(
    bench,
    empty,
    () => clicked(page, /^(Undo: |Nothing to undo)/),
    () => clicked(page, /^(Redo: |Nothing to redo)/),
  );
});

test('the same mark by keyboard alone @landing', async ({ bench, page }) => {
  await bench.start();
  await page.getByRole('link', { name: /^Corner mark, .* open its bench/ }).focus();
  await page.keyboard.press('Enter');
  await bench.drawn();
  const empty = await bench.pixels();
  const type = async (label: string, text: string) => {
    await page.getByRole('textbox', { name: label, exact: true }).focus();
    await page.keyboard.press('Control+a');
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
  };
  const leave = () => page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  await page.keyboard.press('3');
  await page.getByRole('radio', { name: 'See-through' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Colour', exact: true })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  await leave();

  for (const [name, left] of [
    ['Shelf of pots', '12'],
    ['Kiln glow', '128'],
    ['Clay hills', '236'],
  ] as const) {
    await bench.command(`Put on top: ${name}`);
    await expect(bench.layer(name)).toHaveAttribute('aria-pressed', 'true');
    await bench.pixels();
    await type('Width of the layer', '44');
    await bench.pixels();
    await type('Left', left);
    await leave();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('Shift+ArrowDown');
    await expect(
      page.getByRole('button', { name: `Undo: Move ${name}`, exact: true }),
    ).toBeEnabled();
  }
  await type('Turn of the layer', '12');
  await expect(page.getByRole('button', { name: 'Undo: Turn Clay hills to 12°' })).toBeEnabled();
  await leave();

  await bench.command('Add a text');
  await page.getByRole('radio', { name: 'Words', exact: true }).focus();
  await leave();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Words on the picture' })).toBeFocused();
  await page.keyboard.type('Veldrin');
  await page.keyboard.press('Escape');
  await bench.command('Add an effect: outline');
  await page.getByRole('radio', { name: 'Place' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('radio', { name: 'Effects' })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  await type('Outline colour', '#a4553a');
  await page.getByRole('radio', { name: 'Effects' }).focus();
  await page.keyboard.press('ArrowRight');
  await type('Size, figure', '24');
  await leave();
  for (const key of ['Shift+ArrowLeft', 'Shift+ArrowLeft', 'Shift+ArrowLeft', 'Shift+ArrowUp']) {
    await page.keyboard.press(key);
  }

  await bench.command('Add a text');
  await expect(page.getByRole('textbox', { name: 'Words', exact: true })).toBeFocused();
  await leave();
  await page.keyboard.press('Enter');
  await page.keyboard.type('Clayworks');
  await page.keyboard.press('Escape');
  await expect(bench.layer('Clayworks')).toBeVisible();
  await type('Size, figure', '18');
  await leave();
  await bench.command('Add an effect: shadow');
  await page.getByRole('radio', { name: 'Words', exact: true }).focus();
  await page.keyboard.press('ArrowLeft');
  await type('Shadow colour', '#000000');
  await type('Opacity, figure', '100');
  await type('Soft, figure', '1');
  await leave();
  for (const key of [
    'Shift+ArrowRight',
    'Shift+ArrowRight',
    'Shift+ArrowRight',
    'Shift+ArrowDown',
  ]) {
    await page.keyboard.press(key);
  }

  // Back to the kiln's glow, layer by layer.
  const before = await bench.raster();
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press(',');
  }
  await expect(bench.layer('Kiln glow')).toHaveAttribute('aria-pressed', 'true');
  await bench.command('Tone on this layer only');
  await expect(page.getByRole('radio', { name: 'only the layer beneath' })).toHaveAttribute(
    'aria-checked',
    'true',
  );
  await page.getByRole('slider', { name: 'Brightness' }).focus();
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press('PageDown');
  }
  await leave();
  await isMade(bench);
  const after = await bench.raster();
  expect(mean(after, 130, 50, 168, 58)).toBeLessThan(mean(before, 130, 50, 168, 58) + 0.001);
  for (const [left, right] of [
    [0, 80],
    [236, 300],
  ]) {
    for (let y = 0; y < height; y++) {
      expect(
        Buffer.from(after.data.subarray((y * width + left) * 4, (y * width + right) * 4)).equals(
          Buffer.from(before.data.subarray((y * width + left) * 4, (y * width + right) * 4)),
        ),
      ).toBe(true);
    }
  }

  const pressed = (name: RegExp, keys: string) => async () => {
    if (!(await page.getByRole('button', { name }).isEnabled())) {
      return false;
    }
    await page.keyboard.press(keys);
    return true;
  };
  await undoneAndRedone(
    bench,
    empty,
    pressed(/^(Undo: |Nothing to undo)/, 'Control+z'),
    pressed(/^(Redo: |Nothing to redo)/, 'Control+Shift+z'),
  );
});

inNewTab(
  'letters typed at once after a text is added go into it, however late it is drawn @landing',
  async ({ bench, page }) => {
    // The workers hear of everything 1.5 s late.
    await page.addInitScript(() => {
      const post = Worker.prototype.postMessage;
      Worker.prototype.postMessage = function (this: Worker, ...all: unknown[]) {
        setTimeout(() => post.apply(this, all as Parameters<typeof post>), 1500);
      };
    });
    await bench.start();
    await bench.open('Header');
    await bench.command('Add a text');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('Enter');
    await page.keyboard.type('lpwh');
    await expect(page.getByRole('textbox', { name: 'Words on the picture' })).toHaveValue('lpwh');
    await page.keyboard.press('Escape');
    await expect(bench.layer('lpwh')).toBeVisible();
    await expect(
      page.getByRole('button', { name: 'Undo: Change the words', exact: true }),
    ).toBeEnabled();
  },
);
