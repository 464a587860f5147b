import jpeg from 'jpeg-js';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { newWash } from '../layers/fill';
import { layRecipe } from '../recolour/recipe';
import { jpegFacts } from './jpegFacts';
import { gifPictures, moves } from './moving';
import { isPalettePng, recolourGifTables, recolourPngPalette } from './palettes';
import { openSet } from './openSet';
import { bytesOf, drawn, slatePixel } from './set.fixture';
import { recolourSvg } from './svg';

const laid = layRecipe({ steps: [newWash('w', '#a9b79a', 0.48)], spare: false, hues: null });
const washed = (v: number, c: number) => Math.round(0.52 * v + 0.48 * c);

test('a palette PNG keeps every byte but its colours and their check sum; pngjs reads the new colours and the old alpha', async () => {
  const before = bytesOf(
    await drawn(24, 10, slatePixel).png({ palette: true, colours: 32 }).toBuffer(),
  );
  const after = recolourPngPalette(before, laid.colour)!;
  expect(isPalettePng(before)).toBe(true);
  const at = Buffer.from(before).indexOf('PLTE');
  const length = new DataView(before.buffer).getUint32(at - 4);
  expect(after.length).toBe(before.length);
  before.forEach((b, i) => {
    if (i < at + 4 || i >= at + 8 + length) {
      expect([i, after[i]]).toEqual([i, b]);
    }
  });
  const old = PNG.sync.read(Buffer.from(before));
  const made = PNG.sync.read(Buffer.from(after));
  for (let k = 0; k < old.data.length; k += 4) {
    expect([...made.data.subarray(k, k + 4)]).toEqual([
      washed(old.data[k], 169),
      washed(old.data[k + 1], 183),
      washed(old.data[k + 2], 154),
      old.data[k + 3],
    ]);
  }
});

test('a GIF keeps its size and its see-through px; sharp reads the new colours', async () => {
  const before = bytesOf(
    await drawn(24, 10, (x, y) => {
      const [r, g, b] = slatePixel(x, y);
      return [r, g, b, x < 3 ? 0 : 255];
    })
      .gif()
      .toBuffer(),
  );
  const after = recolourGifTables(before, laid.colour);
  expect(gifPictures(before)).toHaveLength(1);
  const [old, made] = await Promise.all(
    [before, after].map((b) => sharp(b).ensureAlpha().raw().toBuffer()),
  );
  expect(made.length).toBe(24 * 10 * 4);
  for (let k = 0; k < old.length; k += 4) {
    expect(made[k + 3]).toBe(old[k + 3]);
    if (old[k + 3] > 0) {
      expect([...made.subarray(k, k + 3)]).toEqual([
        washed(old[k], 169),
        washed(old[k + 1], 183),
        washed(old[k + 2], 154),
      ]);
    }
  }
});

/** Two pictures that follow each other; alike ones may be written as one. */
const two = Buffer.concat([Buffer.alloc(8 * 8 * 3, 30), Buffer.alloc(8 * 8 * 3, 220)]);
const moving = { raw: { width: 8, height: 16, channels: 3 as const, pageHeight: 8 } };

test('files that move are told by their bytes', async () => {
  expect(
    moves(
      'gif',
      bytesOf(
        await sharp(two, moving)
          .gif({ delay: [80, 80] })
          .toBuffer(),
      ),
    ),
  ).toBe(true);
  expect(
    moves(
      'webp',
      bytesOf(
        await sharp(two, moving)
          .webp({ delay: [80, 80] })
          .toBuffer(),
      ),
    ),
  ).toBe(true);
  const still = drawn(8, 8, slatePixel);
  for (const format of ['gif', 'png', 'webp', 'avif'] as const) {
    expect([
      format,
      moves(format, bytesOf(await still.clone().toFormat(format).toBuffer())),
    ]).toEqual([format, false]);
  }
  // An animation control chunk (PNG, third edition, 11.3.6) put in before the pixels.
  const png = await still.clone().png().toBuffer();
  const idat = png.indexOf('IDAT') - 4;
  const chunk = Buffer.alloc(20);
  chunk.writeUInt32BE(8, 0);
  chunk.write('acTL', 4);
  chunk.writeUInt32BE(2, 8);
  expect(
    moves('png', bytesOf(Buffer.concat([png.subarray(0, idat), chunk, png.subarray(idat)]))),
  ).toBe(true);
  expect(
    moves('svg', bytesOf(Buffer.from('<svg><rect><animate attributeName="x"/></rect></svg>'))),
  ).toBe(true);
});

test.each([30, 50, 60, 75, 85, 92, 97])(
  'the quality a JPEG was written at is read from its table: %s',
  async (quality) => {
    const photo = drawn(64, 48, (x, y) => [x * 3, y * 5, (x * y) % 255, 255]).removeAlpha();
    for (const chroma of ['4:2:0', '4:4:4'] as const) {
      const facts = jpegFacts(
        bytesOf(await photo.clone().jpeg({ quality, chromaSubsampling: chroma }).toBuffer()),
      )!;
      expect(Math.abs(facts.quality - quality)).toBeLessThanOrEqual(1);
      expect(facts.half).toBe(chroma === '4:2:0');
    }
  },
);

test('jpeg-js writes its own tables, and they are read too; what is no JPEG says nothing', () => {
  const { data } = jpeg.encode({ data: Buffer.alloc(16 * 16 * 4, 120), width: 16, height: 16 }, 80);
  expect(Math.abs(jpegFacts(new Uint8Array(data))!.quality - 80)).toBeLessThanOrEqual(1);
  expect(jpegFacts(new Uint8Array([0xff, 0xd8, 0xff, 0xd9]))).toBeUndefined();
});

test('an SVG changes in its colours and nowhere else', () => {
  const before = `<?xml version="1.0"?>\n<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9">\n  <style>.a{fill:#3f5161;stroke : none}</style>\n  <defs><linearGradient id="bad"><stop stop-color='slategray'/></linearGradient></defs>\n  <path class="a" fill="url(#bad)" d="M0 0h9"/><g style="fill: rgb(63, 81, 97); opacity:.5" stroke="#345"/><text>fill="#fff"</text>\n</svg>\n`;
  const after = recolourSvg(before, () => ({ r: 169, g: 183, b: 154 }));
  expect(after).toBe(
    before
      .replace('<svg ', '<svg fill="#a9b79a" ')
      .replace('fill:#3f5161', 'fill:#a9b79a')
      .replace("'slategray'", "'#a9b79a'")
      .replace('rgb(63, 81, 97)', 'rgb(169, 183, 154)')
      .replace('"#345"', '"#a9b79a"'),
  );
});

test('shapes of an SVG that say no colour go the way of black, by inheritance, and masks let through what they did; librsvg draws both', async () => {
  const svg = (inner: string, own = '') =>
    `<svg xmlns="http://www.w3.org/2000/svg" width="8" height="4"${own}>${inner}</svg>`;
  const drawnBy = async (text: string) =>
    await sharp(Buffer.from(text)).ensureAlpha().raw().toBuffer();
  const to = { r: 81, g: 88, b: 74 };
  const before = svg(
    '<mask id="m"><path d="M0 0h8v2h-8z" fill="#888"/><path d="M0 2h8v2h-8z"/><path d="M0 3h8v1h-8z" fill="white"/></mask><g mask="url(#m)"><path d="M0 0h4v4h-4z"/><path d="M4 0h4v4h-4z" fill="currentColor"/></g>',
  );
  const after = recolourSvg(before, () => to);
  const [old, made] = [await drawnBy(before), await drawnBy(after)];
  expect([0, 2, 3].map((y) => old[y * 32 + 3])).toEqual([136, 0, 255]);
  for (let k = 0; k < old.length; k += 4) {
    expect([k, made[k + 3], ...(made[k + 3] === 255 ? made.subarray(k, k + 3) : [])]).toEqual([
      k,
      old[k + 3],
      ...(old[k + 3] === 255 ? [81, 88, 74] : []),
    ]);
  }
  // One that says its own, or a black that stays black, is left as it is.
  for (const [text, black] of [
    [svg('<path d="M0 0"/>', ' style="stroke:none; fill:none"'), to],
    [svg('<path d="M0 0"/>'), { r: 0, g: 0, b: 0 }],
  ] as const) {
    expect(recolourSvg(text, () => black)).toBe(text);
  }
});

test('a folder is parted into pieces, sheets and the rest, and says of each picture that stays why', async () => {
  const png = bytesOf(await drawn(6, 4, slatePixel).png().toBuffer());
  const text = (s: string) => bytesOf(Buffer.from(s));
  const waiting = bytesOf(
    await sharp(two, moving)
      .gif({ delay: [80, 80] })
      .toBuffer(),
  );
  const opened = openSet([
    { path: 'slate/style.css', bytes: text('body { color: red }') },
    { path: 'slate/i/a.png', bytes: png },
    { path: 'slate/i/wait.gif', bytes: waiting },
    { path: 'slate/i/broken.jpg', bytes: text('not a picture') },
    { path: 'slate/index.html', bytes: text('<p>') },
  ]);
  expect(opened.name).toBe('slate');
  expect(
    opened.pieces.map(({ path, width, height, format }) => [path, width, height, format]),
  ).toEqual([['slate/i/a.png', 6, 4, 'png']]);
  expect(opened.sheets.map((s) => s.path)).toEqual(['slate/style.css']);
  expect(opened.others.map((o) => [o.path, o.why])).toEqual([
    ['slate/i/wait.gif', expect.stringMatching(/^It moves/)],
    ['slate/i/broken.jpg', expect.stringMatching(/^Expected a JPEG.*found text/)],
    ['slate/index.html', ''],
  ]);
  expect(() => openSet([{ path: 'a.txt', bytes: text('a') }])).toThrow(
    'a.txt: expected pictures or style sheets of a theme, or a zip of its folder, found 1 file and none that can be recoloured.',
  );
});
