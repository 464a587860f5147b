import sharp from 'sharp';
import { expect, inNewTab, test } from './bench.fixture';

test('from a search of the library to a framed, recoloured, credited header @landing', async ({
  bench,
  page,
  context,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Shelf and library' }).click();
  await page.getByRole('radio', { name: 'Picture library' }).click();
  await page.getByRole('searchbox', { name: 'Words' }).fill('pots market');
  await page.getByRole('radio', { name: 'wide', exact: true }).click();
  await expect(page.getByText('1 picture', { exact: true })).toBeVisible();
  const details = page.getByRole('complementary', { name: 'Chosen picture' });
  await page.getByRole('searchbox', { name: 'Words' }).fill('bowls row');
  await page.getByRole('button', { name: /Bowls in a row/ }).click();
  await expect(details).toContainText('CC BY 4.0');
  await expect(details).toContainText('Ilka Marrendorf');
  await details.getByRole('button', { name: 'Lay in Header' }).click();
  await bench.drawn();
  await expect(bench.layer('Bowls in a row')).toBeVisible();
  await expect(page.getByText(/1400 × 640/)).toBeVisible();

  // Framed: a suggested part, straightened by keys, still filling the slot.
  const pixels = await bench.pixels();
  await page.getByRole('button', { name: 'Take suggested part 2' }).click();
  await expect.poll(() => bench.pixels()).not.toBe(pixels);
  const straighten = page.getByRole('slider', { name: 'Straighten' });
  await straighten.focus();
  for (let i = 0; i < 5; i++) {
    await page.keyboard.press('ArrowRight');
  }
  await expect(page.getByRole('textbox', { name: 'Straighten, figure' })).toHaveValue('0.5');
  await expect(page.locator('[data-reading=cover]')).toHaveAttribute('data-verdict', 'holds');

  // Recoloured: a two-tone of theme colours over the photo alone.
  await page.keyboard.press('3');
  await bench.layer('Wash').click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await bench.layer('Bowls in a row').click();
  await page.keyboard.press('3');
  await page.getByRole('button', { name: '+ Two-tone' }).click();
  await page.getByRole('radio', { name: 'only the layer beneath' }).click();
  await page.getByRole('button', { name: 'Lights: sand' }).click();
  await expect(bench.answer(3)).toContainText('two-tone at 100%');
  await bench.byHand();
  await page.getByRole('radio', { name: 'PNG' }).click();

  // Handed over, with its credit.
  const file = await bench.download();
  const { data, info } = await sharp(file.path)
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height]).toEqual([1080, 220]);
  // Every pixel of the photo lies on the way from kiln #3b4a45 to sand #e3d6bd; words and their
  // edges are slip.
  let on = 0;
  let all = 0;
  for (let i = 0; i < data.length; i += 3 * 7) {
    const t = (data[i + 1] - 0x4a) / (0xd6 - 0x4a);
    all++;
    if (
      Math.abs(data[i] - (0x3b + t * (0xe3 - 0x3b))) <= 2 &&
      Math.abs(data[i + 2] - (0x45 + t * (0xbd - 0x45))) <= 2
    ) {
      on++;
    }
  }
  expect(on / all).toBeGreaterThan(0.9);
  const credit = page.locator('[data-snippet=Credit]');
  await expect(credit).toContainText(
    '“Bowls in a row” by Ilka Marrendorf, from the picture library',
  );
  const other = await context.newPage();
  await other.setContent(await credit.innerText());
  await expect(other.getByRole('link', { name: 'CC BY 4.0' })).toHaveAttribute(
    'href',
    'https://creativecommons.org/licenses/by/4.0/',
  );

  // The right to use it was not ticked yet: a reading says so until it is.
  await expect(page.locator('[data-reading=credit]')).toHaveAttribute('data-verdict', 'look');
  await page.keyboard.press('2');
  await page.getByRole('button', { name: 'Shelf and library' }).click();
  await expect(page.getByRole('heading', { name: /^Shelf of/ })).toBeAttached();
  await page
    .getByRole('main')
    .getByRole('button', { name: /Bowls in a row/ })
    .click();
  await page.getByRole('checkbox', { name: 'I have made sure that it may be used' }).check();
  await page.getByRole('button', { name: 'Credits' }).click();
  await expect(page.getByRole('dialog', { name: /Credits of/ })).toContainText('In Header.');
});

inNewTab(
  'the library can find nothing, can be out of reach, and is asked again @landing',
  async ({ bench, page }) => {
    await bench.start();
    await page.getByRole('button', { name: 'Shelf', exact: true }).click();
    await page.getByRole('radio', { name: 'Picture library' }).click();
    await expect(page.getByText(/^\d+ pictures$/)).toBeVisible();
    await page.getByRole('searchbox', { name: 'Words' }).fill('submarine');
    await expect(page.getByText('The library has no picture like this.')).toBeVisible();
    let down = true;
    await page.route('**/api/library?*', (route) =>
      down
        ? route.fulfill({ status: 200, contentType: 'text/html', body: 'not what was asked for' })
        : route.continue(),
    );
    await page.getByRole('searchbox', { name: 'Words' }).fill('kiln');
    await expect(
      page.getByRole('alert').filter({ hasText: 'The library did not answer.' }),
    ).toBeVisible();
    down = false;
    await page.getByRole('button', { name: 'Try again' }).click();
    await expect(page.getByText(/^\d+ pictures?$/)).toBeVisible();
  },
);

test('many pictures are dropped on the shelf at once; broken ones are named and the others stay', async ({
  bench,
  page,
}) => {
  await bench.start();
  await page.getByRole('button', { name: 'Shelf', exact: true }).click();
  await bench.type('Least width', '0');
  const shelf = page.getByRole('main').getByRole('listitem');
  await expect(shelf).toHaveCount(7);
  const picture = (i: number) =>
    sharp({
      create: {
        width: 300 + i,
        height: 200,
        channels: 3,
        background: { r: i * 20, g: 90, b: 120 },
      },
    })
      .jpeg()
      .toBuffer();
  const files = await Promise.all(
    Array.from({ length: 9 }, async (_, i) => ({
      name: `photo-${i}.jpg`,
      type: 'image/jpeg',
      bytes: i === 4 ? Buffer.from('no picture at all') : await picture(i),
    })),
  );
  await bench.drop(page.getByRole('group', { name: 'Pictures for the shelf' }), files);
  await expect(shelf).toHaveCount(7 + 8);
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText(
    'photo-4.jpg: expected a JPEG, PNG, WebP, AVIF, GIF or SVG picture, found text.',
  );
  await page.getByRole('searchbox', { name: 'Words' }).fill('photo-7');
  await expect(shelf).toHaveCount(1);
  await shelf.getByRole('button').click();
  await page.getByRole('combobox', { name: 'Licence' }).click();
  await page.getByRole('option', { name: /Allowed by the maker/ }).click();
  await expect(
    page.getByText('× The licence asks for a credit, and no maker is named.'),
  ).toBeVisible();
  await bench.type('Maker', 'Ada Quince');
  await expect(
    page.getByText('The credit goes into the hand-over: Ada Quince is named.'),
  ).toBeVisible();
  await bench.type('Date', 'last week');
  await expect(
    page.getByText('Expected a day such as 2026-11-25, found “last week”.'),
  ).toBeVisible();
});
