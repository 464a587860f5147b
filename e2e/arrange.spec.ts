import { expect, test, type BenchPage } from './bench.fixture';

/** The figures of the selected layer's place. */
async function place(
  bench: BenchPage,
): Promise<{ left: number; top: number; width: number; height: number }> {
  await bench.page.getByRole('radio', { name: 'Place' }).click();
  await bench.pixels();
  // The figures follow the drawing a moment later.
  await bench.page.waitForTimeout(80);
  const read = async (name: string) =>
    Number(await bench.page.getByRole('textbox', { name, exact: true }).inputValue());
  return {
    left: await read('Left'),
    top: await read('Top'),
    width: await read('Width of the layer'),
    height: await read('Height of the layer'),
  };
}

const undo = (name: string) => ({ name: `Undo: ${name}`, exact: true });

/** A header with nothing on it but three squares of 40 px, left to right. */
async function threeSquares(bench: BenchPage): Promise<void> {
  await bench.start();
  await bench.open('Header');
  for (const name of ['Veldrin Clayworks', 'thrown']) {
    await bench.layer(name).click();
    await bench.page.keyboard.press('Delete');
  }
  for (const [i, left] of [100, 330, 700].entries()) {
    await bench.command('Add a shape: rectangle');
    await place(bench);
    await bench.type('Width of the layer', '40');
    await bench.type('Height of the layer', '40');
    await bench.pixels();
    await bench.type('Left', String(left));
    await bench.pixels();
    await bench.type('Top', String(20 + 50 * i));
    await bench.page.getByRole('button', { name: 'Rename' }).click();
    await bench.page.getByRole('textbox', { name: 'Name of the layer' }).fill(`Square ${i + 1}`);
    await bench.page.keyboard.press('Enter');
    await expect(bench.layer(`Square ${i + 1}`)).toBeVisible();
  }
}

test('drawn to the middle, to the edge and to each other, with the distances shown @landing', async ({
  bench,
  page,
}) => {
  await threeSquares(bench);
  const frame = page.getByTestId('selection-frame');
  const area = (await page.getByTestId('picture-area').boundingBox())!;
  // Held a few px off the middle: the guide and the distances are there, and letting go leaves it
  // in the middle.
  await page.mouse.move(area.x + 720, area.y + 140);
  await page.mouse.down();
  await page.mouse.move(area.x + 600, area.y + 130, { steps: 4 });
  await page.mouse.move(area.x + 543, area.y + 108, { steps: 4 });
  await expect(frame.getByText('middle').first()).toBeVisible();
  await expect(frame.getByText('520', { exact: true }).first()).toBeVisible();
  await expect(frame.getByText('90', { exact: true }).first()).toBeVisible();
  await page.mouse.up();
  await expect(page.getByRole('button', undo('Move Square 3'))).toBeEnabled();
  expect(await place(bench)).toMatchObject({ left: 520, top: 90 });
  // To the side of another square, to the safe margin, and past both with Alt held.
  await bench.drag([540, 110], [353, 170]);
  expect(await place(bench)).toMatchObject({ left: 330 });
  await bench.drag([350, 170], [72, 170]);
  expect(await place(bench)).toMatchObject({ left: 50 });
  await page.keyboard.down('Alt');
  await bench.drag([70, 170], [73, 165]);
  await page.keyboard.up('Alt');
  await page.waitForTimeout(50);
  expect((await place(bench)).left).toBe(53);
  // Escape gives a drag up.
  await page.mouse.move(area.x + 73, area.y + 165);
  await page.mouse.down();
  await page.mouse.move(area.x + 300, area.y + 100, { steps: 4 });
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect((await place(bench)).left).toBe(53);
});

test('several at once: taken with Shift and by a frame, moved, resized, lined up and spaced @landing', async ({
  bench,
  page,
}) => {
  await threeSquares(bench);
  const area = page.getByTestId('picture-area');
  const box = (await area.boundingBox())!;
  await page.mouse.click(box.x + 120, box.y + 40);
  await page.keyboard.down('Shift');
  await page.mouse.click(box.x + 350, box.y + 90);
  await page.mouse.click(box.x + 720, box.y + 140);
  await page.keyboard.up('Shift');
  await expect(page.getByRole('heading', { name: '3 layers' })).toBeVisible();
  await page.getByRole('button', { name: 'Align: top' }).click();
  await page.getByRole('button', { name: 'Space evenly sideways' }).click();
  for (const [name, left] of [
    ['Square 1', 100],
    ['Square 2', 400],
    ['Square 3', 700],
  ] as const) {
    await bench.layer(name).click();
    expect(await place(bench)).toMatchObject({ left, top: 20, width: 40 });
  }
  // A frame drawn around the first two takes them, and they move together.
  await bench.drag([80, 5], [470, 80]);
  await expect(page.getByRole('heading', { name: '2 layers' })).toBeVisible();
  await bench.drag([120, 40], [120, 90]);
  await expect(page.getByRole('button', undo('Move 2 layers'))).toBeEnabled();
  await bench.pixels();
  await bench.grip('1 1', 340, 40);
  await expect(page.getByRole('button', undo('Resize 2 layers'))).toBeEnabled();
  await bench.layer('Square 2').click();
  expect((await place(bench)).width).toBeGreaterThan(60);
  await bench.layer('Square 3').click();
  expect(await place(bench)).toMatchObject({ width: 40, top: 20 });
});

test('a click selects the foremost, another what lies behind it, and a locked layer is left alone @landing', async ({
  bench,
  page,
}) => {
  await threeSquares(bench);
  await place(bench);
  for (const name of ['Square 1', 'Square 2', 'Square 3']) {
    await bench.layer(name).click();
    await place(bench);
    await bench.type('Left', '500');
    await bench.pixels();
    await bench.type('Top', '100');
    await bench.pixels();
  }
  const box = (await page.getByTestId('picture-area').boundingBox())!;
  const click = () => page.mouse.click(box.x + 520, box.y + 120);
  const is = (name: string) => expect(bench.layer(name)).toHaveAttribute('aria-pressed', 'true');
  await page.getByTestId('picture-area').focus();
  await page.keyboard.press('Escape');
  await click();
  await is('Square 3');
  await click();
  await is('Square 2');
  await click();
  await is('Square 1');
  await click();
  await is('Shelf of pots');
  await click();
  await is('Square 3');
  await page.keyboard.press('l');
  await expect(page.getByText('Locked: the pointer leaves it alone')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(bench.layer('Square 3')).toBeVisible();
  await page.keyboard.press('Escape');
  await click();
  await is('Square 2');
});

test('cards are put in order by dragging and by key, hidden, duplicated and renamed @landing', async ({
  bench,
  page,
}) => {
  await threeSquares(bench);
  const names = () =>
    page
      .getByRole('region', { name: 'Layers, back to front' })
      .getByRole('listitem')
      .allInnerTexts()
      .then((list) => list.map((t) => t.split('\n')[0]));
  expect((await names()).slice(3)).toEqual(['Square 1', 'Square 2', 'Square 3']);
  await bench.layer('Square 3').scrollIntoViewIfNeeded();
  const from = (await bench.layer('Square 3').boundingBox())!;
  const to = (await bench.layer('Square 1').boundingBox())!;
  await page.mouse.move(from.x + 30, from.y + 60);
  await page.mouse.down();
  await page.mouse.move(from.x - 20, from.y + 60, { steps: 4 });
  await page.mouse.move(to.x + 20, from.y + 60, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(names)
    .toEqual(
      ['Ground', 'Shelf of…', 'Wash', 'Square 3', 'Square 1', 'Square 2'].map((n) =>
        n === 'Shelf of…' ? 'Shelf of pots' : n,
      ),
    );
  await bench.layer('Square 3').click();
  await page.keyboard.press('Control+]');
  await expect
    .poll(async () => (await names()).slice(3))
    .toEqual(['Square 1', 'Square 3', 'Square 2']);
  await page.keyboard.press('Control+[');
  await page.keyboard.press('d');
  await expect.poll(async () => (await names()).filter((n) => n === 'Square 3').length).toBe(2);
  await page.keyboard.press('h');
  await expect(
    page.getByRole('region', { name: 'Layers, back to front' }).getByText('hidden'),
  ).toHaveCount(1);
  // Every step has its name, and a click goes back to it.
  await page.getByRole('button', { name: 'All steps so far' }).click();
  await page.getByRole('button', { name: 'Name it Square 1', exact: true }).click();
  await expect.poll(async () => (await names()).slice(3)).toEqual(['Square 1']);
  await page.getByRole('button', { name: /^Hide Square 3/ }).click();
  await expect(
    page.getByRole('region', { name: 'Layers, back to front' }).getByText('hidden'),
  ).toHaveCount(1);
});

test('layers are copied to another slot, with what they need, and cut @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await bench.ask('What on top');
  await page.getByRole('button', { name: /^Put Kiln glow on top/ }).click();
  await page.keyboard.down('Shift');
  await bench.layer('Veldrin Clayworks').click();
  await page.keyboard.up('Shift');
  await expect(page.getByRole('heading', { name: '2 layers' })).toBeVisible();
  await page.keyboard.press('Control+c');
  await page.getByRole('link', { name: 'Veldrin Clayworks' }).click();
  await bench.open('Corner mark');
  await page.keyboard.press('Control+v');
  await expect(bench.answer(4)).toContainText('2 layers, 1 text');
  await expect(page.getByRole('button', undo('Paste 2 layers'))).toBeEnabled();
  await bench.layer('Kiln glow').click();
  await page.keyboard.press('Control+x');
  await expect(bench.answer(4)).toContainText('1 layer, 1 text');
  await page.keyboard.press('Control+v');
  await expect(bench.answer(4)).toContainText('2 layers, 1 text');
});
