/**
 * Where a photo and a title lie at first, on the library's pictures: judged by sharp's figures of
 * detail and culori's contrast of the px behind the words.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { createCanvas } from '@napi-rs/canvas';
import { parse, wcagContrast } from 'culori';
import sharp, { type Region } from 'sharp';
import { firstFrame } from '@/core/frame/firstFrame';
import { resample } from '@/core/frame/resample';
import { placedText, textFor } from '@/core/layers/fitting';
import { kindOf } from '@/core/layers/registry';
import { wantedContrast } from '@/core/legibility/contrast';
import { placeText } from '@/core/legibility/placeText';
import type { Raster } from '@/core/raster/raster';
import { applyEdit } from '@/core/site/edit';
import { newSite } from '@/core/site/newSite';
import { addSlot } from '@/core/site/slots';
import type { Hex } from '@/core/site/model/hex';
import type { Site } from '@/core/site/model/site';
import { canvasGlyphs, type TextContext } from '@/core/text/glyphs';

const glyphs = canvasGlyphs(
  (width, height) => createCanvas(width, height).getContext('2d') as unknown as TextContext,
  ({ sizePx, weight }) => `${weight} ${sizePx}px sans-serif`,
);

const folder = 'public/library';
const photographs = readdirSync(folder).filter((name) => name.endsWith('.jpg'));

async function read(name: string): Promise<Raster> {
  const { data, info } = await sharp(readFileSync(`${folder}/${name}`))
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return {
    width: info.width,
    height: info.height,
    data: new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
  } as Raster;
}

const colours: Hex[] = ['#3b4a45', '#efe9dc', '#a4553a', '#a9b79a', '#e3d6bd'];

const header = { width: 1080, height: 220 };

const site: Site = applyEdit(newSite('s', 'p', 'Site'), (draft) => {
  addSlot('p', { id: 's', kind: 'header', ...header })(draft);
  draft.theme.colours = colours.map((hex) => ({ name: hex, hex }));
});

const image = ({ data, width, height }: Raster) =>
  sharp(Buffer.from(data.buffer, data.byteOffset, data.length), {
    raw: { width, height, channels: 4 },
  }).removeAlpha();

/** A photo framed to a header, and a title set on it. */
async function titled(name: string) {
  const photo = await read(name);
  const { x, y, scale } = firstFrame(photo, header);
  const { width, height } = header;
  const seen = resample(photo, { x, y, scaleX: scale, scaleY: scale }, width, height);
  const text = textFor(site, site.slots[0], 't');
  const box = kindOf(text).box!(text, { glyphs, ...header })!;
  const textPlacement = placeText(seen, box, colours, wantedContrast(text), site.limits.sideMargin);
  return { seen, box, textPlacement, text: placedText(text, box, textPlacement) };
}

/** culori's contrast of a colour with every px of a part, the least first. */
async function contrasts(seen: Raster, part: Region, colour: Hex): Promise<number[]> {
  const data = await image(seen).extract(part).raw().toBuffer();
  const ink = parse(colour)!;
  const list: number[] = [];
  for (let i = 0; i < data.length; i += 3) {
    const [r, g, b] = data.subarray(i, i + 3);
    list.push(wcagContrast(ink, { mode: 'rgb', r: r / 255, g: g / 255, b: b / 255 }));
  }
  return list.toSorted((a, b) => a - b);
}

/** How much the light of each third differs, by sharp. */
const busyThirds = (seen: Raster): Promise<number[]> =>
  Promise.all(
    [0, 1, 2].map(async (n) => {
      const width = Math.floor(seen.width / 3);
      const part = { left: n * width, top: 0, width, height: seen.height };
      const png = await image(seen).extract(part).greyscale().png().toBuffer();
      return (await sharp(png).stats()).channels[0].stdev;
    }),
  );

test('a title on each of the library’s photos is read without anything done, in a calm third', async () => {
  expect(photographs.length).toBeGreaterThanOrEqual(40);
  const poor: string[] = [];
  const restless: string[] = [];
  for (const name of photographs) {
    const { seen, textPlacement, box, text } = await titled(name);
    const part = {
      left: Math.max(0, Math.floor(textPlacement.x)),
      top: Math.max(0, Math.floor(textPlacement.y)),
      width: Math.min(header.width - textPlacement.x, Math.ceil(box.width)),
      height: Math.min(header.height - textPlacement.y, Math.ceil(box.height)),
    };
    expect(part.width).toBeGreaterThan(100);
    // The words lie where the seat says, whatever side they hold to.
    const laid = kindOf(text).box!(text, { glyphs, ...header })!;
    expect(Math.abs(laid.x - laid.width / 2 - textPlacement.x)).toBeLessThanOrEqual(1);
    const list = await contrasts(seen, part, textPlacement.colour);
    // 48 px is large text: 3 to 1 (WCAG 2.2, success criterion 1.4.3).
    if (list[Math.floor(list.length / 100)] < 3) {
      poor.push(`${name} ${list[0].toFixed(2)}`);
    }
    const thirds = await busyThirds(seen);
    const own = Math.min(2, Math.floor(((textPlacement.x + box.width / 2) / header.width) * 3));
    if (thirds[own] > Math.min(...thirds) * 1.25 + 2) {
      restless.push(`${name} ${thirds.map((t) => t.toFixed(0)).join(' ')}, in ${own}`);
    }
  }
  // Eighteen of twenty, at least.
  expect(poor.length).toBeLessThanOrEqual(photographs.length / 10);
  expect(restless.length).toBeLessThanOrEqual(photographs.length / 10);
});

/** Where the tallest of them begins and the lowest ends, px of the photo, measured by eye. */
const rowsOfPots = [
  ['before-the-firing.jpg', [182, 440]],
  ['bowls-in-a-row.jpg', [268, 440]],
  ['three-glazes.jpg', [232, 464]],
] as const;

test('what stands in the photos lies in the header as a whole, where it is no taller', async () => {
  for (const [name, [from, to]] of rowsOfPots) {
    const photo = await read(name);
    const { y, scale } = firstFrame(photo, header);
    const top = -y / scale;
    const bottom = (header.height - y) / scale;
    expect({ name, whole: top <= from && bottom >= to }).toEqual({ name, whole: true });
  }
});
