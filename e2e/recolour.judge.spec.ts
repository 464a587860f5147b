/**
 * A theme recoloured by its first offer, and its page before and after as Chromium shows it: every
 * text is read off screenshots with and without its letters, what has a meaning and code keep their
 * colours, little of the old hue is left, slopes have no larger steps. The bounds of contrast are
 * those of WCAG 2.2, 1.4.3; that of a step and of what is left are ours.
 */
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { contrastRatio } from '../src/core/legibility/contrast';
import { tryComputed } from '../src/core/colour/computed';
import { colourOf } from '../src/core/colour/parse';
import { offersFor } from '../src/core/recolour/offers';
import { hueApart, sameHue } from '../src/core/recolour/hueSelection';
import { hueOf, neutralShare } from '../src/core/recolour/neutrals';
import { openSet } from '../src/core/set/openSet';
import { pieceSetOf } from '../src/core/set/pieceSetOf';
import { recolourSet, samplesOf } from '../src/core/set/recolourSet';
import { newSite } from '../src/core/site/newSite';
import type { Codecs } from '../src/core/encode/codecs';
import { nodeCodecs } from '../src/engine/nodeCodecs';
import { expect, inNewTab as test } from './bench.fixture';
import { serve } from './served.fixture';
import { themeFolders, type ThemeFolder } from './themes.fixture';

type Files = Readonly<Record<string, Uint8Array>>;

/** The theme's files as the application hands them over, with nothing decided by hand. */
async function recoloured(
  { files, from }: ThemeFolder,
  to: string,
  codecs: Codecs,
): Promise<Files> {
  const assets = new Map(
    Object.entries(files).map(([path, bytes]) => [path, new Uint8Array(bytes)] as const),
  );
  const opened = openSet([...assets].map(([path, bytes]) => ({ path, bytes })));
  for (const { path, bytes } of opened.pieces) {
    assets.set(path, bytes);
  }
  const set = pieceSetOf(opened, newSite('s', 'home', 'Site'), (path) => path, 'r');
  expect(hueApart(hueOf(colourOf(set.from))!, hueOf(colourOf(from))!)).toBeLessThan(sameHue);
  const rasters = await Promise.all(opened.pieces.map((p) => codecs.decode(p.bytes)));
  const [offer] = offersFor(colourOf(set.from), colourOf(to), rasters.flatMap(samplesOf));
  const ports = { ...codecs, asset: (id: string) => Promise.resolve(assets.get(id)!) };
  const quiet = { wanted: () => true, onProgress: () => {} };
  const all = await recolourSet(
    { ...set, to, recipe: { ...set.recipe, steps: offer.steps } },
    ports,
    quiet,
    true,
  );
  return Object.fromEntries(all.files.map((f) => [f.path, f.bytes]));
}

interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

interface Text {
  readonly words: string;
  /** As it is set, alpha laid on nothing. */
  readonly colour: readonly [number, number, number, number];
  readonly large: boolean;
  readonly rects: readonly Place[];
}

interface Seen {
  readonly texts: readonly Text[];
  readonly stays: readonly string[];
  readonly slopes: readonly Place[];
  /** Where colours have a meaning. */
  readonly meant: readonly Place[];
  /** With its letters, and without them. */
  readonly whole: Pixels;
  readonly bare: Pixels;
}

interface Pixels {
  readonly data: Buffer;
  readonly width: number;
  readonly height: number;
}

const pixelsOf = async (page: Page): Promise<Pixels> => {
  const png = await page.screenshot({ fullPage: true });
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

async function look(page: Page, address: string): Promise<Seen> {
  await page.goto(address);
  const found = await page.evaluate(() => {
    const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
    const read = (colour: string) => {
      canvas.clearRect(0, 0, 1, 1);
      canvas.fillStyle = colour;
      canvas.fillRect(0, 0, 1, 1);
      return [...canvas.getImageData(0, 0, 1, 1).data] as [number, number, number, number];
    };
    const box = (r: DOMRect) => ({
      x: r.x + scrollX,
      y: r.y + scrollY,
      width: r.width,
      height: r.height,
    });
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    const texts = [];
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      if (node.textContent!.trim()) {
        const range = document.createRange();
        range.selectNodeContents(node);
        const style = getComputedStyle(node.parentElement!);
        const size = parseFloat(style.fontSize);
        texts.push({
          words: node.textContent!.trim().slice(0, 30),
          colour: read(style.color),
          large: size >= 24 || (size >= 18.66 && Number(style.fontWeight) >= 700),
          rects: [...range.getClientRects()].map(box),
        });
      }
    }
    const stays = [...document.querySelectorAll('[data-stays]')].map((e) => {
      const { color, backgroundColor, borderTopColor } = getComputedStyle(e);
      return `${e.className || e.tagName} ${color} ${backgroundColor} ${borderTopColor}`;
    });
    const slopes = [...document.querySelectorAll('[data-slope]')].map((e) =>
      box(e.getBoundingClientRect()),
    );
    const meant = [...document.querySelectorAll('[data-stays]')].map((e) =>
      box(e.getBoundingClientRect()),
    );
    return { texts, stays, slopes, meant };
  });
  const whole = await pixelsOf(page);
  await page.addStyleTag({
    content:
      '*{color:transparent!important;text-shadow:none!important;text-decoration:none!important}',
  });
  return { ...found, whole, bare: await pixelsOf(page) };
}

/** Contrast of a text with what lies behind it, as nine in ten px of that have it or more. */
function contrastOf({ colour, rects }: Text, { data, width, height }: Pixels): number {
  const [r, g, b, alpha] = colour;
  const known = new Map<number, number>();
  const ratios: number[] = [];
  for (const rect of rects) {
    for (let y = Math.ceil(rect.y); y < Math.min(height, rect.y + rect.height); y++) {
      for (let x = Math.ceil(rect.x); x < Math.min(width, rect.x + rect.width); x++) {
        const k = (y * width + x) * 3;
        const key = (data[k] << 16) | (data[k + 1] << 8) | data[k + 2];
        let ratio = known.get(key);
        if (ratio === undefined) {
          const under = { r: data[k], g: data[k + 1], b: data[k + 2] };
          const over = (c: number, u: number) => u + ((c - u) * alpha) / 255;
          const seen = { r: over(r, under.r), g: over(g, under.g), b: over(b, under.b) };
          known.set(key, (ratio = contrastRatio(seen, under)));
        }
        ratios.push(ratio);
      }
    }
  }
  ratios.sort((p, q) => p - q);
  return ratios[Math.floor(ratios.length / 10)];
}

/** Px of a hue that are neither greys nor near-white, outside of what has a meaning. */
function ofHue({ whole: { data, width }, meant }: Seen, hue: number): number {
  let count = 0;
  const known = new Map<number, boolean>();
  for (let k = 0; k < data.length; k += 3) {
    const x = (k / 3) % width;
    const y = Math.floor(k / 3 / width);
    if (
      meant.some(
        (m) => x > m.x - 1 && y > m.y - 1 && x < m.x + m.width + 1 && y < m.y + m.height + 1,
      )
    ) {
      continue;
    }
    const key = (data[k] << 16) | (data[k + 1] << 8) | data[k + 2];
    let is = known.get(key);
    if (is === undefined) {
      const colour = { r: data[k], g: data[k + 1], b: data[k + 2] };
      const own = neutralShare(colour) < 0.5 ? hueOf(colour) : undefined;
      known.set(key, (is = own !== undefined && hueApart(own, hue) <= sameHue / 2));
    }
    count += is ? 1 : 0;
  }
  return count;
}

/** The largest step from a row to the next down the left of a box. */
function largestStep({ data, width }: Pixels, box: Seen['slopes'][number]): number {
  let most = 0;
  const x = Math.ceil(box.x) + 2;
  for (let y = Math.ceil(box.y) + 1; y < Math.floor(box.y + box.height); y++) {
    for (let c = 0; c < 3; c++) {
      const k = (y * width + x) * 3 + c;
      most = Math.max(most, Math.abs(data[k] - data[k - width * 3]));
    }
  }
  return most;
}

async function shown(
  page: Page,
  theme: ThemeFolder,
  files: Files,
  width: number,
  dark: boolean,
): Promise<Seen> {
  await page.setViewportSize({ width, height: 700 });
  await page.emulateMedia({ colorScheme: dark ? 'dark' : 'light' });
  const { server, address } = await serve({
    ...files,
    'index.html': new Uint8Array(Buffer.from(theme.html)),
  });
  const seen = await look(page, `${address}/index.html`);
  server.close();
  return seen;
}

/** Where neither black nor white would be read, no colour would. */
const bestOn = ({ texts, bare }: Seen, i: number): number =>
  Math.max(...[0, 255].map((v) => contrastOf({ ...texts[i], colour: [v, v, v, 255] }, bare)));

test('on eight themes what could be read can be read, what has a meaning stays, and no slope is torn @landing', async ({
  browser,
}) => {
  const faults: string[] = [];
  const { codecs, close } = await nodeCodecs();
  const page = await browser.newPage();
  for (const theme of await themeFolders()) {
    const schemes = theme.dark ? [false, true] : [false];
    const looks = [1280, 640, 360].flatMap((width) => schemes.map((dark) => ({ width, dark })));
    const old: Seen[] = [];
    for (const { width, dark } of looks) {
      old.push(await shown(page, theme, theme.files, width, dark));
    }
    // One that is about as light as the old colour, and one that is far lighter.
    for (const to of [theme.to, '#a9b79a']) {
      const files = await recoloured(theme, to, codecs);
      for (const [n, { width, dark }] of looks.entries()) {
        const before = old[n];
        const after = await shown(page, theme, { ...theme.files, ...files }, width, dark);
        const at = `${theme.name} to ${to} at ${width}${dark ? ', dark' : ''}`;
        expect(after.texts.map((t) => t.rects)).toEqual(before.texts.map((t) => t.rects));
        before.texts.forEach((text, i) => {
          const was = contrastOf(text, before.bare);
          const is = contrastOf(after.texts[i], after.bare);
          const least = text.large ? 3 : 4.5;
          if (was >= least && is < Math.min(least, bestOn(after, i))) {
            faults.push(`${at}: “${text.words}” ${was.toFixed(2)} → ${is.toFixed(2)}`);
          }
        });
        before.stays.forEach((was, i) => {
          if (after.stays[i] !== was) {
            faults.push(`${at}: ${was} became ${after.stays[i]}`);
          }
        });
        const hue = hueOf(colourOf(theme.from))!;
        // To a colour of the same hue nothing would be left of it by any other name.
        const other = hueApart(hue, hueOf(colourOf(to))!) > 2 * sameHue;
        const left = ofHue(after, hue) / ofHue(before, hue);
        if (other && left > 0.02) {
          faults.push(`${at}: ${(left * 100).toFixed(1)}% of the old hue are left`);
        }
        before.slopes.forEach((box, i) => {
          const [was, is] = [
            largestStep(before.bare, box),
            largestStep(after.bare, after.slopes[i]),
          ];
          if (is > was + 1) {
            faults.push(`${at}: a slope’s steps ${was} → ${is}`);
          }
        });
      }
    }
  }
  close();
  await page.close();
  expect(faults).toEqual([]);
});

test('colours made of others are those that Chromium computes', async ({ page }) => {
  const colours = [
    'color-mix(in srgb, #2a6f77 20%, white)',
    'color-mix(in oklab, #2a6f77, #fff 70%)',
    'color-mix(in oklch, #2a6f77, #c8752e)',
    'color-mix(in hsl, #2a6f77 30%, #b3261e)',
    'color-mix(in hsl, hsl(350 60% 40%), hsl(20 60% 40%) 25%)',
    'color-mix(in lch, #486b2e, #ffffff 40%)',
    'color-mix(in srgb-linear, #000 10%, #e9976f)',
    'color-mix(in srgb, color-mix(in oklab, red, blue), #ffa 10%)',
    'rgb(from #2a6f77 r g b)',
    'rgb(from #2a6f77 calc(r + 40) g 30%)',
    'oklch(from #2a6f77 calc(l - .08) c h)',
    'oklch(from #b4532a calc(l * 0.8) calc(c / 2) calc(h + 120))',
    'hsl(from #7c2d5c h s calc(l + 20))',
    'hwb(from #7c2d5c h 20% b)',
    'lab(from #486b2e calc(l - 10) a b)',
    'oklab(from color-mix(in srgb, #2a6f77, #000) calc(l * 1.4) a b)',
  ];
  const theirs = await page.evaluate((list) => {
    const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
    return list.map((colour) => {
      document.body.style.color = '';
      document.body.style.color = colour;
      canvas.fillStyle = getComputedStyle(document.body).color;
      canvas.fillRect(0, 0, 1, 1);
      return [...canvas.getImageData(0, 0, 1, 1).data].slice(0, 3);
    });
  }, colours);
  for (const [i, colour] of colours.entries()) {
    const { r, g, b } = tryComputed(colour)!;
    const off = Math.max(...[r, g, b].map((v, c) => Math.abs(v - theirs[i][c])));
    expect.soft([colour, off > 1 ? [r, g, b] : theirs[i]]).toEqual([colour, theirs[i]]);
  }
  for (const text of ['color-mix(in srgb, red)', 'rgb(from red r g)', 'oklch(from url(a) l c h)']) {
    expect(tryComputed(text)).toBeUndefined();
  }
});
