import { deflateSync } from 'node:zlib';
import sharp from 'sharp';
import { expect, test } from './bench.fixture';

/** A PNG whose header claims 30000×30000 px. */
function hugePng(): Buffer {
  const header = Buffer.alloc(25);
  header.writeUInt32BE(13, 0);
  header.write('IHDR', 4);
  header.writeUInt32BE(30000, 8);
  header.writeUInt32BE(30000, 12);
  header.set([8, 2], 16);
  const data = deflateSync(Buffer.alloc(64));
  const chunk = Buffer.alloc(data.length + 12);
  chunk.writeUInt32BE(data.length, 0);
  chunk.write('IDAT', 4);
  data.copy(chunk, 8);
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    header,
    chunk,
  ]);
}

test('bad files are refused with a clear message and change nothing', async ({ bench, page }) => {
  await bench.start();
  await bench.open('Header');
  const before = await bench.pixels();
  const area = page.getByTestId('picture-area');
  const whole = await sharp({
    create: {
      width: 900,
      height: 700,
      channels: 3,
      background: '#335577',
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
    },
  })
    .jpeg()
    .toBuffer();
  const bad = [
    {
      name: 'letter.jpg',
      bytes: Buffer.from('Dear customer, the kiln is at cone ten.'),
      message: 'letter.jpg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found text.',
    },
    {
      name: 'half.jpg',
      bytes: whole.subarray(0, whole.length >> 1),
      message: 'half.jpg: expected a whole JPEG picture, but the file breaks off or is damaged',
    },
    {
      name: 'huge.png',
      bytes: hugePng(),
      message:
        'huge.png: expected at most 100 megapixels, found 30000×30000, which is 900 megapixels.',
    },
    {
      name: 'empty.jpg',
      bytes: Buffer.alloc(0),
      message:
        'empty.jpg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found an empty file.',
    },
  ];
  for (const { name, bytes, message } of bad) {
    await bench.drop(area, [{ name, type: 'image/jpeg', bytes }]);
    await expect(page.getByRole('region', { name: 'Messages' }).getByText(message)).toBeVisible();
  }
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  expect(await bench.pixels()).toBe(before);
  await page.getByRole('button', { name: 'Put this message away' }).first().click();
  await expect(
    page.getByRole('region', { name: 'Messages' }).getByText(bad[0].message),
  ).toHaveCount(0);

  // And a good one still comes in.
  await bench.drop(area, [{ name: 'whole.jpg', type: 'image/jpeg', bytes: whole }]);
  await expect(bench.layer('whole')).toBeVisible();
});

test('a picture is pasted, and sizes that are not pixels are explained', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Corner mark');
  const logo = await sharp({
    create: {
      width: 600,
      height: 144,
      channels: 4,
      background: { r: 164, g: 85, b: 58, alpha: 1 },
    },
  })
    .png()
    .toBuffer();
  await page.evaluate((base64) => {
    const data = new DataTransfer();
    data.items.add(
      new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], 'logo.png', {
        type: 'image/png',
      }),
    );
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }));
  }, logo.toString('base64'));
  await expect(bench.layer('logo')).toBeVisible();
  await expect(bench.answer(2)).toContainText('100% of it, 2.00×');

  await bench.ask('How big');
  await bench.type('Width', '300 dpi');
  await expect(
    page.getByRole('alert').filter({ hasText: 'resolution changes nothing on a screen' }),
  ).toBeVisible();
  await expect(bench.answer(1)).toContainText('300 × 72');
  await bench.type('Width', '4 in');
  await expect(
    page.getByText('Only pixels count on a screen: 4 in is read as 384 px.'),
  ).toBeVisible();
  await expect(bench.answer(1)).toContainText('384 × 72');
  await expect(bench.picture).toHaveAttribute('width', '384');
});
