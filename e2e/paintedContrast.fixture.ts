/** Contrast of words with the px that a page paints under them; culori has the ratio. */
import type { Page } from '@playwright/test';
import { wcagContrast } from 'culori';
import { expect } from './bench.fixture';
import { rawPixels } from './served.fixture';

export interface WordsOnPage {
  /** CSS selectors of what is looked at, and of the words in it. */
  readonly area: string;
  readonly words: string;
  readonly ink: string;
  /** Px around the letters that count. */
  readonly around: number;
  /** Colours that are among them at least, or something else was looked at. */
  readonly colours: number;
}

const shotWith = async (page: Page, { area, words }: WordsOnPage, colour: string) => {
  await page.addStyleTag({ content: `${words} { color: ${colour} !important; }` });
  return rawPixels(await page.locator(area).first().screenshot());
};

/**
 * The worst contrast of words with what lies under their letters and around them, on a screen of a
 * width.
 * @param address of a hand-over that is served
 */
export async function paintedContrast(
  page: Page,
  address: string,
  screen: number,
  asked: WordsOnPage,
): Promise<number> {
  await page.setViewportSize({ width: screen, height: 900 });
  await page.goto(`${address}/home.html`);
  await page.evaluate(() => document.fonts.ready);
  const black = await shotWith(page, asked, '#000');
  const white = await shotWith(page, asked, '#fff');
  const bare = await shotWith(page, asked, 'transparent');
  const { width, height } = bare;
  const covered = new Uint8Array(width * height);
  for (let i = 0; i < covered.length; i++) {
    covered[i] = Number(
      [0, 1, 2].some((c) => white.data[3 * i + c] - black.data[3 * i + c] >= 128),
    );
  }
  const steps = [-asked.around, 0, asked.around];
  const seen = new Set<string>();
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const near = steps.some((dy) => steps.some((dx) => covered[(y + dy) * width + x + dx] === 1));
      if (near) {
        const i = 3 * (y * width + x);
        seen.add(`rgb(${bare.data[i]} ${bare.data[i + 1]} ${bare.data[i + 2]})`);
      }
    }
  }
  expect(seen.size).toBeGreaterThan(asked.colours);
  return Math.min(...[...seen].map((colour) => wcagContrast(asked.ink, colour)));
}
