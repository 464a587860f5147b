import { expect, test } from './bench.fixture';

/** Relative luminance and contrast ratio as WCAG 2.2 defines them, written out here once more. */
const linear = (level: number) => {
  const v = level / 255;
  return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
};
const luminance = (r: number, g: number, b: number) =>
  0.2126 * linear(r) + 0.7152 * linear(g) + 0.0722 * linear(b);
const ratio = (a: number, b: number) => (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);

test('the tagline’s contrast is what the drawn pixels have; it is marked, mended by the least veil, and undone', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('5');
  const reading = page.locator('[data-reading="legibility"]');
  await expect(reading).toHaveAttribute('data-verdict', 'fails');
  const figure = (await reading.innerText()).match(/(\d+\.\d):1/)![1];
  await expect(page.getByTestId('weak-spots').getByText(`${figure}:1`)).toBeVisible();

  // With the words and without them: where they differ are the letters; what lies there and two px
  // around is what they stand on.
  const words = await bench.raster();
  await bench.layer('thrown').click();
  await page.keyboard.press('h');
  await expect(bench.answer(4)).toContainText('1 text');
  const bare = await bench.raster();
  const { width, height } = bare;
  const slip = luminance(239, 233, 220);
  let worst = Infinity;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = (y * width + x) * 4;
      const cover = (words.data[i] - bare.data[i]) / (239 - bare.data[i]);
      if (!(cover >= 0.505)) {
        continue;
      }
      for (let v = Math.max(0, y - 2); v <= Math.min(height - 1, y + 2); v++) {
        for (let u = Math.max(0, x - 2); u <= Math.min(width - 1, x + 2); u++) {
          const k = (v * width + u) * 4;
          worst = Math.min(
            worst,
            ratio(slip, luminance(bare.data[k], bare.data[k + 1], bare.data[k + 2])),
          );
        }
      }
    }
  }
  expect(Math.abs(Number(figure) - worst)).toBeLessThan(0.12);
  await page.keyboard.press('h');

  await page.keyboard.press('5');
  await expect(reading).toHaveAttribute('data-verdict', 'fails');
  await page
    .getByRole('button', { name: /^Put right Words against the picture: Veil of \w+ at \d+%$/ })
    .click();
  await expect(reading).toHaveAttribute('data-verdict', 'holds');
  await expect(page.getByTestId('weak-spots').getByText(':1')).toHaveCount(0);
  // One percent less and it fails.
  await bench.layer('Veil').click();
  const strength = Number(
    await page.getByRole('textbox', { name: 'Strength, figure' }).inputValue(),
  );
  await bench.type('Strength, figure', String(strength - 1));
  await expect(reading).not.toHaveAttribute('data-verdict', 'holds');
  await expect(reading).toHaveAttribute('data-verdict', /look|fails/);
  await page.getByTestId('picture-area').focus();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect(reading).toContainText(`${figure}:1`);
});
