/**
 * Chromium as the judge of what is drawn in place of its own filters and gradients; and colours
 * taken from the page.
 */
import sharp from 'sharp';
import { drawGradient } from '../src/core/raster/gradient';
import { plainTone, type Tone } from '../src/core/recolour/plainTone';
import { toneMap } from '../src/core/recolour/tone';
import type { GradientGround } from '../src/core/site/model/picture';
import { expect, inNewTab, test } from './bench.fixture';

const pixels = async (png: Buffer) => sharp(png).removeAlpha().raw().toBuffer();

/** 16×16×16 colours as a picture of 64×64. */
function cube(): Uint8ClampedArray {
  const data = new Uint8ClampedArray(4096 * 4);
  for (let i = 0; i < 4096; i++) {
    data.set([(i & 15) * 17, ((i >> 4) & 15) * 17, (i >> 8) * 17, 255], i * 4);
  }
  return data;
}

inNewTab(
  'tones are those of CSS Filter Effects as Chromium draws them, within two levels',
  async ({ page }) => {
    const source = cube();
    const png = (
      await sharp(Buffer.from(source.buffer), { raw: { width: 64, height: 64, channels: 4 } })
        .png()
        .toBuffer()
    ).toString('base64');
    const cases: [string, Partial<Tone>][] = [
      ['brightness(0.6)', { brightness: 0.6 }],
      ['brightness(1.7)', { brightness: 1.7 }],
      ['contrast(0.4)', { contrast: 0.4 }],
      ['contrast(1.8)', { contrast: 1.8 }],
      ['saturate(0.3)', { saturation: 0.3 }],
      ['saturate(1.9)', { saturation: 1.9 }],
      ['grayscale(1)', { greyscale: 1 }],
      ['grayscale(0.5)', { greyscale: 0.5 }],
      ['invert(1)', { invert: 1 }],
      ['invert(0.3)', { invert: 0.3 }],
      [
        'brightness(1.2) contrast(1.3) saturate(0.7)',
        { brightness: 1.2, contrast: 1.3, saturation: 0.7 },
      ],
    ];
    await page.setViewportSize({ width: 64, height: 64 });
    for (const [filter, tone] of cases) {
      await page.setContent(
        `<!doctype html><style>body{margin:0}img{display:block;filter:${filter}}</style><img src="data:image/png;base64,${png}">`,
      );
      await page.waitForFunction(() => document.images[0].complete);
      const theirs = await pixels(await page.screenshot());
      const ours = new Uint8ClampedArray(4096 * 4);
      toneMap({ ...plainTone, ...tone })(source, 0, ours, 4096);
      let worst = 0;
      for (let i = 0; i < 4096; i++) {
        for (let c = 0; c < 3; c++) {
          worst = Math.max(worst, Math.abs(ours[i * 4 + c] - theirs[i * 3 + c]));
        }
      }
      expect([filter, worst <= 2]).toEqual([filter, true]);
    }
  },
);

inNewTab(
  'gradients are those of CSS Images as Chromium draws them, within two levels',
  async ({ page }) => {
    const width = 200;
    const height = 120;
    const ends = [
      { at: 0, colour: '#3b4a45' },
      { at: 0.4, colour: '#a4553a' },
      { at: 1, colour: '#efe9dc' },
    ];
    const gradients: GradientGround[] = [0, 45, 90, 180, 250].map((angle) => ({
      type: 'gradient',
      shape: 'linear',
      angle,
      space: 'srgb',
      stops: ends,
    }));
    // Chromium takes a colour of very little chroma, such as #efe9dc, for one without a hue; these
    // have one each.
    const vivid = [
      { at: 0, colour: '#2f6f8f' },
      { at: 0.4, colour: '#a4553a' },
      { at: 1, colour: '#e8b46a' },
    ];
    gradients.push(
      { ...gradients[0], shape: 'radial' },
      { ...gradients[2], space: 'oklch', stops: vivid },
      { ...gradients[0], shape: 'radial', space: 'oklch', stops: vivid },
      {
        ...gradients[3],
        stops: [
          { at: 0.3, colour: '#112233' },
          { at: 0.7, colour: '#ddeeff' },
        ],
      },
    );
    await page.setViewportSize({ width, height });
    for (const gradient of gradients) {
      const stops = gradient.stops.map((s) => `${s.colour} ${s.at * 100}%`).join(', ');
      const css =
        gradient.shape === 'radial'
          ? `radial-gradient(in ${gradient.space}, ${stops})`
          : `linear-gradient(${gradient.angle}deg in ${gradient.space}, ${stops})`;
      await page.setContent(
        `<!doctype html><style>html{height:100%;background:${css.replace('(in srgb, ', '(').replace(' in srgb', '')}}</style>`,
      );
      const theirs = await pixels(await page.screenshot());
      const ours = drawGradient(gradient, width, height);
      let worst = 0;
      for (let i = 0; i < width * height; i++) {
        for (let c = 0; c < 3; c++) {
          worst = Math.max(worst, Math.abs(ours.data[i * 4 + c] - theirs[i * 3 + c]));
        }
      }
      expect([css, worst <= 2]).toEqual([css, true]);
    }
  },
);

test('a colour is taken from the page by mouse and by key, as a mean of 1, 3 or 5 px', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('3');
  await bench.layer('Ground').click();
  const take = page.getByRole('button', { name: 'Ground colour: take it from the page' });
  const sampler = page.getByTestId('sampler');
  const field = page.getByRole('textbox', { name: 'Ground colour', exact: true });
  await take.click();
  await expect(sampler).toHaveAttribute('data-painted', 'true');
  const box = (await sampler.boundingBox())!;
  const picture = (await bench.picture.boundingBox())!;
  // The body of the page below the header is slip.
  await page.mouse.click(picture.x + 40, picture.y + picture.height + 10);
  await expect(sampler).toHaveCount(0);
  await expect(field).toHaveValue('#efe9dc');
  expect(box.width).toBeGreaterThan(1000);

  // By key, from the picture itself: what the canvas has there.
  await take.click();
  await expect(sampler).toBeFocused();
  await expect(sampler).toHaveAttribute('data-painted', 'true');
  await page.keyboard.press('5');
  await expect(page.getByRole('radio', { name: '5 px' })).toHaveAttribute('aria-checked', 'true');
  await page.keyboard.press('1');
  for (let i = 0; i < 3; i++) {
    await page.keyboard.press('Shift+ArrowDown');
  }
  const [, hex, x, y] = /: (#[0-9a-f]{6}) at (\d+), (\d+)/.exec(
    (await sampler.getAttribute('aria-label'))!,
  )!;
  const there = await bench.picture.evaluate(
    (canvas: HTMLCanvasElement, at) =>
      Array.from(canvas.getContext('2d')!.getImageData(at[0], at[1], 1, 1).data),
    [Number(x) - 100, Number(y) - 84],
  );
  expect(hex).toBe(
    `#${there
      .slice(0, 3)
      .map((v) => v.toString(16).padStart(2, '0'))
      .join('')}`,
  );
  await page.keyboard.press('Enter');
  await expect(field).toHaveValue(hex);
  await take.click();
  await page.keyboard.press('Escape');
  await expect(sampler).toHaveCount(0);
  await expect(field).toHaveValue(hex);
});

test('every way of recolouring is laid on, changed and taken back, and greys are said to be grey @landing', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  await page.keyboard.press('3');
  const states = [await bench.pixels()];
  const step = async (act: () => Promise<unknown>) => {
    await act();
    await expect.poll(() => bench.pixels()).not.toBe(states.at(-1));
    states.push(await bench.pixels());
  };
  await step(() => page.getByRole('button', { name: '+ Hue' }).click());
  await page.getByRole('button', { name: '+ Tone' }).click();
  await step(() => bench.type('Brightness, figure', '140'));
  await step(() => page.getByRole('slider', { name: 'Warmth' }).press('End'));
  await step(() => page.getByRole('radio', { name: 'only the layer beneath' }).click());
  await step(() => page.getByRole('button', { name: '+ Texture' }).click());
  for (const name of ['speckle', 'weave', 'paper', 'mosaic', 'stripes', 'dots', 'mesh']) {
    await step(() => page.getByRole('radio', { name }).click());
  }
  await step(() =>
    page
      .getByRole('button', { name: /^Another, now/ })
      .press('Enter')
      .then(() => page.getByRole('radio', { name: 'mosaic' }).click()),
  );
  await bench.layer('Ground').click();
  await bench.type('Ground colour', '#777');
  await expect(page.getByText('119 119 119, grey')).toBeVisible();
  await page.getByRole('radio', { name: 'Gradient' }).click();
  await page.getByRole('button', { name: 'Add a colour to the gradient' }).click();
  await expect(
    page.getByRole('group', { name: 'Colours of the gradient' }).getByRole('button'),
  ).toHaveCount(3);
  const undo = page.getByRole('button', { name: /^Undo/ });
  for (let i = 0; i < 30 && (await undo.count()); i++) {
    await undo.click();
  }
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  await expect.poll(() => bench.pixels()).toBe(states[0]);
});

test('a wash is matched to a theme colour, and the difference before and after is said', async ({
  bench,
  page,
}) => {
  await bench.start();
  await bench.open('Header');
  // Turned to while a place is looked for a new text: the text comes, and what was turned to stays.
  await bench.add('Text');
  await bench.layer('Wash').click();
  await expect(bench.layer('Your words')).toBeVisible();
  await expect(bench.layer('Wash')).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'Match', exact: true }).click();
  const said = page.getByRole('status').filter({ hasText: 'off by' });
  await expect(said).toHaveText(/^\d+%: off by \d+\.\d → \d+\.\d$/);
  const [strength, before, after] = (await said.innerText()).match(/[\d.]+/g)!.map(Number);
  expect(after).toBeLessThan(before);
  await expect(page.getByRole('textbox', { name: 'Strength, figure' })).toHaveValue(
    String(strength),
  );
});
