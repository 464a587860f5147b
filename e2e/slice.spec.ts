import { readFileSync } from 'node:fs';
import jpeg from 'jpeg-js';
import sharp from 'sharp';
import { expect, inNewTab as test, withOneFile } from './bench.fixture';

/**
 * A photograph held on its side: stored 900×1600 with EXIF orientation 6, meant to be seen
 * 1600×900: blue left, green right.
 */
async function turnedPhoto(): Promise<Buffer> {
  const width = 1600;
  const height = 900;
  const upright = Buffer.alloc(width * height * 3);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      upright.set(x < width / 2 ? [30, 60, 160] : [40, 150, 70], (y * width + x) * 3);
    }
  }
  // Turned a quarter left, so that orientation 6, a quarter right, brings it upright.
  const stored = await sharp(upright, { raw: { width, height, channels: 3 } })
    .rotate(-90)
    .raw()
    .toBuffer();
  return sharp(stored, { raw: { width: height, height: width, channels: 3 } })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 95 })
    .toBuffer();
}

const near = (found: ArrayLike<number>, wanted: readonly number[], by: number) =>
  wanted.forEach((v, i) =>
    expect(Math.abs(found[i] - v), `channel ${i}: ${found[i]} for ${v}`).toBeLessThanOrEqual(by),
  );

/** A wash of clay #a4553a at 40 percent over a colour. */
const washed = (c: readonly number[]) => c.map((v, i) => 0.6 * v + 0.4 * [164, 85, 58][i]);

test('from the sites to a file of exactly the right size, on a page that shows it so', async ({
  bench,
  page,
  context,
}) => {
  await bench.start();

  // A site from scratch of the sample: back to the sites, and the sample once more.
  await page.getByRole('link', { name: 'Sites' }).click();
  await expect(page.getByRole('link', { name: 'Open Veldrin Clayworks' })).toHaveCount(1);
  await page.getByRole('link', { name: 'Open Veldrin Clayworks' }).click();

  // The photograph is dropped on the header of the plan, and its bench opens.
  const header = page.getByRole('link', { name: /^Header, 1080 by 220 px/ });
  await header.waitFor();
  await bench.drop(header, [{ name: 'yard.jpg', type: 'image/jpeg', bytes: await turnedPhoto() }]);
  await expect(page).toHaveURL(/slots\/header$/);
  await bench.drawn();
  await bench.ask('Which part');
  await expect(page.getByText(/1600 × 900/)).toBeVisible();

  // Framed: dragged up as far as it goes and nudged back by arrows.
  const area = page.getByTestId('picture-area');
  const box = (await area.boundingBox())!;
  await page.mouse.move(box.x + 500, box.y + 100);
  await page.mouse.down();
  await page.mouse.move(box.x + 500, box.y + 60, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.press('Shift+ArrowDown');

  // The sample's own layers go; a wash and a title come.
  for (const name of ['Wash', 'Veldrin Clayworks', 'thrown']) {
    await bench.layer(name).click();
    await page.getByRole('button', { name: 'Remove', exact: true }).click();
  }
  await bench.add('Wash');
  await page.getByRole('button', { name: 'Wash colour: clay' }).click();
  await bench.type('Strength, figure', '40');
  await bench.add('Text');
  await page.getByRole('textbox', { name: 'Words' }).fill('■');
  await page.getByRole('combobox', { name: 'Font' }).click();
  await page.getByRole('option', { name: /^Archivo/ }).click();
  await bench.type('Size, figure', '120');
  await page.getByRole('textbox', { name: 'Words' }).fill('HHHH');
  await page
    .getByRole('radiogroup', { name: 'Align' })
    .getByRole('radio', { name: 'Centre' })
    .click();
  await bench.type('Text x', '540');
  await bench.type('Text y', '20');
  await bench.type('Weight, figure', '900');
  await page.getByRole('button', { name: 'Text colour: slip' }).click();

  // WebP, and the same as JPEG.
  await bench.byHand();
  await page.getByRole('radio', { name: 'WebP' }).click();
  await bench.type('Quality, figure', '92');
  const webp = await bench.download();
  expect(webp.name).toBe('header.webp');
  await bench.byHand();
  await page.getByRole('radio', { name: 'JPEG' }).click();
  const jpg = await bench.download();
  expect(jpg.name).toBe('header.jpg');

  const fromWebp = await sharp(webp.path).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  const fromJpeg = jpeg.decode(readFileSync(jpg.path));
  for (const { width, height, data } of [
    { width: fromWebp.info.width, height: fromWebp.info.height, data: fromWebp.data },
    fromJpeg,
  ]) {
    expect([width, height]).toEqual([1080, 220]);
    const at = (x: number, y: number) => data.subarray((y * 1080 + x) * 4, (y * 1080 + x) * 4 + 3);
    // The wash over the blue left and the green right side of the photo, which stands upright.
    near(at(60, 110), washed([30, 60, 160]), 5);
    near(at(1020, 110), washed([40, 150, 70]), 5);
    // Words of slip #efe9dc lie in the middle, and only there.
    const slip = (x: number, y: number) => {
      const c = at(x, y);
      return Math.abs(c[0] - 239) < 16 && Math.abs(c[1] - 233) < 16 && Math.abs(c[2] - 220) < 16;
    };
    let inside = 0;
    let outside = 0;
    for (let y = 0; y < 220; y += 2) {
      for (let x = 0; x < 1080; x += 2) {
        if (slip(x, y)) {
          if (Math.abs(x - 540) < 240 && y > 20 && y < 150) {
            inside++;
          } else {
            outside++;
          }
        }
      }
    }
    expect(inside).toBeGreaterThan(1200);
    expect(outside).toBe(0);
  }

  // The lines to copy, on a page of their own.
  const { css, html } = withOneFile(
    {
      css: await page.locator('[data-snippet=CSS]').innerText(),
      html: await page.locator('[data-snippet=HTML]').innerText(),
    },
    jpg.name,
  );
  const other = await context.newPage();
  await other.route('**/host/**', (route) =>
    route.request().url().endsWith('header.jpg')
      ? route.fulfill({ path: jpg.path, contentType: 'image/jpeg' })
      : route.fulfill({
          contentType: 'text/html',
          body: `<!doctype html><style>body{margin:0}${css}</style>${html}`,
        }),
  );
  await other.goto('/host/');
  const image = other.locator('img');
  await expect(image).toHaveJSProperty('naturalWidth', 1080);
  expect(await image.boundingBox()).toEqual({ x: 0, y: 0, width: 1080, height: 220 });
  await other.setViewportSize({ width: 540, height: 400 });
  expect(await image.boundingBox()).toEqual({ x: 0, y: 0, width: 540, height: 110 });
});
