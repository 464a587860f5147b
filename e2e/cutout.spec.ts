import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { expect, inNewTab, test } from './bench.fixture';
import { holdWorkers } from './workers.fixture';

/** A disc of ochre on #336699 with a hole of the same blue, smooth at its edges, 240 px square. */
const disc = (): Promise<Buffer> =>
  sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="240" height="240"><rect width="240" height="240" fill="#336699"/><circle cx="120" cy="120" r="100" fill="#d8a24a"/><circle cx="120" cy="120" r="44" fill="#336699"/></svg>',
    ),
  )
    .png()
    .toBuffer();

test('a plain surround is taken off, its hole kept or not, the edge clean, and the brush takes away and brings back @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Corner mark');
  await bench.layer('Ground').click();
  await page.getByRole('radio', { name: 'Colour', exact: true }).click();
  await bench.type('Ground colour', '#ffffff');
  await bench.ask('What on top');
  await bench.drop(page.getByRole('main'), [
    { name: 'disc.png', type: 'image/png', bytes: await disc() },
  ]);
  await expect(bench.layer('disc')).toBeVisible();
  await bench.type('Width of the layer', '60');
  await bench.pixels();
  await bench.type('Left', '120');
  await bench.pixels();
  await bench.type('Top', '6');
  const at = async (x: number, y: number) => {
    const { data } = await bench.raster();
    return [...data.subarray((y * 300 + x) * 4, (y * 300 + x) * 4 + 3)];
  };
  expect(await at(123, 9)).toEqual([51, 102, 153]);

  await page.getByRole('radio', { name: 'Cut-out' }).click();
  await page.getByRole('button', { name: 'Remove its colour' }).click();
  const box = (await page.getByTestId('picture-area').boundingBox())!;
  await page.mouse.click(box.x + 123, box.y + 9);
  await expect(page.getByRole('button', { name: 'Leave #336699 in again' })).toBeVisible();
  await expect.poll(() => at(123, 9)).toEqual([255, 255, 255]);
  expect(await at(135, 36)).toEqual([216, 162, 74]);
  // Joined: the hole stays. No pixel at the disc's edge is bluer than red.
  expect(await at(150, 36)).toEqual([51, 102, 153]);
  const { data } = await bench.raster();
  let bluest = 0;
  for (let y = 0; y < 72; y++) {
    for (let x = 0; x < 300; x++) {
      if (Math.hypot(x + 0.5 - 150, y + 0.5 - 36) > 14) {
        bluest = Math.max(bluest, data[(y * 300 + x) * 4 + 2] - data[(y * 300 + x) * 4]);
      }
    }
  }
  expect(bluest).toBeLessThanOrEqual(3);
  await page.getByRole('radio', { name: 'everywhere' }).click();
  await expect.poll(() => at(150, 36)).toEqual([255, 255, 255]);

  // The sampling tool by keyboard: the arrows move, Enter takes, Escape puts it down.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Take away' }).click();
  await bench.type('Size, figure', '8');
  await bench.drag([128, 36], [138, 36]);
  await expect(page.getByRole('button', { name: 'Undo: Brush away' })).toBeEnabled();
  await expect.poll(() => at(134, 36)).toEqual([255, 255, 255]);
  expect(await at(134, 44)).toEqual([216, 162, 74]);
  await page.getByRole('button', { name: 'Bring back' }).click();
  await page.getByTestId('picture-area').focus();
  for (let i = 0; i < 16; i++) {
    await page.keyboard.press('ArrowLeft');
  }
  await page.keyboard.press('Enter');
  await expect.poll(() => at(134, 36)).toEqual([216, 162, 74]);
  await page.keyboard.press('Escape');

  // With an outline and a shadow it goes out as a file that is see-through where the ground is.
  await bench.layer('Ground').click();
  await page.getByRole('radio', { name: 'See-through' }).click();
  await bench.layer('disc').click();
  await page.getByRole('radio', { name: 'Effects' }).click();
  await page.getByRole('button', { name: '+ Outline' }).click();
  const { name, path } = await bench.download();
  expect(name).toBe('corner-mark.png');
  const file = await sharp(readFileSync(path))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([file.info.width, file.info.height]).toEqual([300, 72]);
  const alpha = (x: number, y: number) => file.data[(y * 300 + x) * 4 + 3];
  expect([alpha(10, 36), alpha(134, 44), alpha(150, 10)]).toEqual([0, 255, 255]);
});

test('a logo with a transparent ground is drawn, never run, and cropped on its small picture', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Corner mark');
  await bench.ask('What on top');
  await page.evaluate(() => {
    (window as unknown as { ran: boolean }).ran = false;
  });
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100" onload="window.ran=true"><script>window.ran = true</script><rect x="0" y="0" width="100" height="100" fill="#a4553a"/><rect x="100" y="0" width="100" height="100" fill="#a9b79a"/></svg>';
  await bench.drop(page.getByRole('main'), [
    { name: 'logo.svg', type: 'image/svg+xml', bytes: Buffer.from(svg) },
  ]);
  await expect(bench.layer('logo')).toBeVisible();
  await bench.pixels();
  await page.getByRole('radio', { name: 'Crop' }).click();
  const crop = (await page.getByTestId('crop').boundingBox())!;
  await page.mouse.move(crop.x + crop.width, crop.y + crop.height / 2);
  await page.mouse.down();
  await page.mouse.move(crop.x + crop.width * 0.75, crop.y + crop.height / 2, { steps: 4 });
  await page.mouse.move(crop.x + crop.width / 2, crop.y + crop.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect(page.getByRole('textbox', { name: 'Cropped width' })).toHaveValue('100');
  const { data } = await bench.raster();
  let celadon = 0;
  let clay = 0;
  for (let i = 0; i < data.length; i += 4) {
    if (data[i + 3] < 200) {
      continue;
    }
    if (data[i + 1] > 150) {
      celadon++;
    } else {
      clay++;
    }
  }
  expect(celadon).toBe(0);
  expect(clay).toBeGreaterThan(1500);
  await page.getByRole('button', { name: 'Whole photo' }).click();
  await expect
    .poll(async () => {
      const now = await bench.raster();
      let n = 0;
      for (let i = 0; i < now.data.length; i += 4) {
        if (now.data[i + 3] > 200 && now.data[i + 1] > 150) {
          n++;
        }
      }
      return n;
    })
    .toBeGreaterThan(1500);
  expect(await page.evaluate(() => (window as unknown as { ran: boolean }).ran)).toBe(false);
});

inNewTab(
  'on a busy ground a rough loop cuts a thing out, by pointer and by keys; the brush brings back @landing',
  async ({ bench, page }) => {
    await bench.start();
    await bench.open('Corner mark');
    await bench.layer('Ground').click();
    await page.getByRole('radio', { name: 'Colour', exact: true }).click();
    await bench.type('Ground colour', '#ffffff');
    await bench.ask('What on top');
    // A slate disc on a photograph of moss.
    const photo = await sharp('public/library/moss.jpg')
      .resize(300, 300, { fit: 'cover' })
      .composite([
        {
          input: Buffer.from(
            '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="300"><circle cx="150" cy="150" r="80" fill="#3b4a75"/></svg>',
          ),
        },
      ])
      .png()
      .toBuffer();
    await bench.drop(page.getByRole('main'), [
      { name: 'slate.png', type: 'image/png', bytes: photo },
    ]);
    await expect(bench.layer('slate')).toBeVisible();
    await bench.type('Width of the layer', '60');
    await bench.pixels();
    await bench.type('Left', '120');
    await bench.pixels();
    await bench.type('Top', '6');
    await bench.pixels();
    const at = async (x: number, y: number) => {
      const { data } = await bench.raster();
      return [...data.subarray((y * 300 + x) * 4, (y * 300 + x) * 4 + 3)];
    };
    const white = [255, 255, 255];
    const slate = [0x3b, 0x4a, 0x75];
    const cutOut = async () => {
      await expect.poll(() => at(123, 9)).toEqual(white);
      await expect.poll(() => at(150, 36)).toEqual(slate);
      // All around the disc, whose radius is 16 px here, there is nothing left of the moss.
      for (const angle of [0, 1, 2, 3, 4, 5, 6]) {
        const [dx, dy] = [21 * Math.cos(angle), 21 * Math.sin(angle)];
        expect(await at(Math.round(150 + dx), Math.round(36 + dy))).toEqual(white);
      }
    };
    expect(await at(123, 9)).not.toEqual(white);
    await page.getByRole('radio', { name: 'Cut-out' }).click();
    await page.getByRole('button', { name: 'Draw round it' }).click();
    const box = (await page.getByTestId('picture-area').boundingBox())!;
    const corner = (angle: number) =>
      [box.x + 150 + 23 * Math.cos(angle), box.y + 36 + 23 * Math.sin(angle)] as const;
    const draw = async () => {
      await page.mouse.move(...corner(0));
      await page.mouse.down();
      for (let angle = 0.3; angle < 6.2; angle += 0.3) {
        await page.mouse.move(...corner(angle));
      }
      await page.mouse.up();
    };
    // What is given up while it is cut changes nothing, though the worker cuts it all the same.
    const release = await holdWorkers(page);
    await draw();
    await expect(page.getByRole('status').filter({ hasText: 'Cutting out…' })).toBeVisible();
    await page.getByRole('button', { name: 'Cancel', exact: true }).click();
    await expect(page.getByText('Cutting out…')).toHaveCount(0);
    await release();
    await draw();
    await cutOut();

    await page.keyboard.press('Control+z');
    await expect.poll(() => at(123, 9)).not.toEqual(white);
    await page.getByRole('button', { name: 'Draw round it' }).click();
    // Corners by keys: the cursor begins at the middle of the photo.
    const press = async (key: string, times: number) => {
      for (let i = 0; i < times; i++) {
        await page.keyboard.press(`Shift+${key}`);
      }
    };
    await press('ArrowLeft', 2);
    await press('ArrowUp', 2);
    await page.keyboard.press('Enter');
    await press('ArrowRight', 4);
    await page.keyboard.press('Enter');
    await press('ArrowDown', 4);
    await page.keyboard.press('Enter');
    await press('ArrowLeft', 4);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await cutOut();

    await page.getByRole('button', { name: 'Bring back' }).click();
    await page.mouse.click(box.x + 124, box.y + 12);
    await expect.poll(() => at(124, 12)).not.toEqual(white);
    expect(await at(150, 36)).toEqual(slate);
  },
);
