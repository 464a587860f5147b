/**
 * Whole sets with the codecs that the browser has; sharp, which is not ours, writes the pieces and
 * reads what comes out.
 */
import sharp from 'sharp';
import { newWash } from '@/core/layers/fill';
import { newTexture } from '@/core/layers/texture';
import { openSet } from '@/core/set/openSet';
import type { SetHanded } from '@/core/set/produce';
import { SetStopped } from '@/core/set/listener';
import { recolourSet, type SetPorts } from '@/core/set/recolourSet';
import { bytesOf, drawn, slatePixel, type Pixel } from '@/core/set/set.fixture';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { RecipeStep } from '@/core/site/model/recipe';
import { nodeCodecs } from './nodeCodecs';

let ports: SetPorts & { close(): void };
const assets = new Map<string, Uint8Array<ArrayBuffer>>();
beforeAll(async () => {
  const { codecs, close } = await nodeCodecs();
  ports = { ...codecs, close, asset: async (id) => assets.get(id)! };
});
afterAll(() => ports.close());

const wash: RecipeStep = newWash('w', '#a9b79a', 0.48);

/** A set as it is after it was dropped; assets go by their path here. */
function setOf(
  files: Readonly<Record<string, Uint8Array<ArrayBuffer>>>,
  steps: readonly RecipeStep[],
  change: Partial<PieceSet> = {},
): PieceSet {
  const opened = openSet(Object.entries(files).map(([path, bytes]) => ({ path, bytes })));
  for (const { path, bytes } of [...opened.pieces, ...opened.sheets, ...opened.others]) {
    assets.set(path, bytes);
  }
  const filed = ({ path, bytes }: { path: string; bytes: Uint8Array }) => ({
    path,
    assetId: path,
    bytes: bytes.length,
  });
  return {
    name: opened.name,
    pieces: opened.pieces.map((p) => ({
      ...filed(p),
      width: p.width,
      height: p.height,
      format: p.format,
      leftOut: false,
    })),
    sheets: opened.sheets.map(filed),
    others: opened.others.map((o) => ({ ...filed(o), why: o.why })),
    recipe: { id: 'r', name: 'Celadon', steps, spare: false, hues: null },
    follows: [],
    from: '#3f5161',
    to: '#a9b79a',
    lines: {},
    ...change,
  };
}

const quiet = { onProgress: () => {}, wanted: () => true };
const recoloured = async (set: PieceSet, all = false): Promise<Map<string, SetHanded>> =>
  new Map((await recolourSet(set, ports, quiet, all)).files.map((f) => [f.path, f]));

const raw = async (bytes: Uint8Array) =>
  sharp(bytes).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
const alphaOf = ({ data }: { data: Buffer }) => data.filter((_, i) => i % 4 === 3);

const opaque: Pixel = (x, y) => {
  const [r, g, b] = slatePixel(x, y);
  return [r, g, b, 255];
};
const cut: Pixel = (x, y) => {
  const [r, g, b, a] = slatePixel(x, y);
  return [r, g, b, a < 128 ? 0 : 255];
};
const writers: readonly (readonly [
  string,
  (image: ReturnType<typeof drawn>) => Promise<Buffer>,
  Pixel,
])[] = [
  ['png', (i) => i.png().toBuffer(), slatePixel],
  ['png', (i) => i.png({ palette: true }).toBuffer(), slatePixel],
  ['gif', (i) => i.gif().toBuffer(), cut],
  ['png', (i) => i.removeAlpha().png().toBuffer(), opaque],
  ['jpg', (i) => i.removeAlpha().jpeg({ quality: 88 }).toBuffer(), opaque],
  ['webp', (i) => i.webp({ lossless: true }).toBuffer(), slatePixel],
  ['webp', (i) => i.webp({ quality: 85 }).toBuffer(), slatePixel],
];

/** Of a PNG, whether its px are numbers of a palette's colours. */
const colourType = (bytes: Uint8Array): number | undefined =>
  bytes[1] === 0x50 ? bytes[25] : undefined;

test('a set of 300 pieces keeps every name, size, format, palette and alpha', async () => {
  const files: Record<string, Uint8Array<ArrayBuffer>> = {};
  for (let n = 0; n < 300; n++) {
    const [ending, write, pixel] = writers[n % writers.length];
    const width = 1 + ((n * 7) % 41);
    const height = 1 + ((n * 11) % 29);
    files[`slate/i/${n % 3}/piece ${n}.${ending}`] = bytesOf(
      await write(drawn(width, height, pixel)),
    );
  }
  const seen: string[] = [];
  const { files: list } = await recolourSet(
    setOf(files, [wash]),
    ports,
    { wanted: () => true, onProgress: (done, of, path) => seen.push(`${done}/${of} ${path}`) },
    true,
  );
  const after = new Map(list.map((f) => [f.path, f]));
  const celadon = [169, 183, 154];
  expect(seen).toHaveLength(301);
  expect([...after.keys()].sort()).toEqual([...Object.keys(files), 'recoloured.txt'].sort());
  for (const [path, before] of Object.entries(files)) {
    const made = after.get(path)!.bytes;
    const [was, is, old, now] = await Promise.all([
      sharp(before).metadata(),
      sharp(made).metadata(),
      raw(before),
      raw(made),
    ]);
    expect([path, is.format, is.width, is.height, colourType(made) === 3]).toEqual([
      path,
      was.format,
      was.width,
      was.height,
      colourType(before) === 3,
    ]);
    expect([path, Buffer.compare(alphaOf(old), alphaOf(now))]).toEqual([path, 0]);
    if (was.format === 'jpeg' || path.endsWith('webp')) {
      continue;
    }
    const washed = (v: number, c: number) => Math.round(0.52 * v + 0.48 * c);
    const off: number[] = [];
    for (let k = 0; k < old.data.length; k += 4) {
      if (
        old.data[k + 3] > 0 &&
        celadon.some((c, i) => now.data[k + i] !== washed(old.data[k + i], c))
      ) {
        off.push(k / 4);
      }
    }
    expect([path, off]).toEqual([path, []]);
  }
});

test('AVIF keeps its alpha, and a texture keeps palettes and GIFs what they are', async () => {
  const files = {
    'a.avif': bytesOf(await drawn(40, 30, slatePixel).avif({ quality: 70 }).toBuffer()),
    'b.png': bytesOf(await drawn(40, 30, slatePixel).png({ palette: true }).toBuffer()),
    'c.gif': bytesOf(await drawn(40, 30, cut).gif().toBuffer()),
  };
  const after = await recoloured(
    setOf(files, [wash, { ...newTexture('t', 'grain', '#000000'), opacity: 0.3 }]),
  );
  for (const [path, before] of Object.entries(files)) {
    const made = after.get(path)!.bytes;
    const [was, is, old, now] = await Promise.all([
      sharp(before).metadata(),
      sharp(made).metadata(),
      raw(before),
      raw(made),
    ]);
    expect([path, is.format, is.width, is.height]).toEqual([
      path,
      was.format,
      was.width,
      was.height,
    ]);
    expect([path, Buffer.compare(alphaOf(old), alphaOf(now))]).toEqual([path, 0]);
    expect(Buffer.compare(old.data, now.data)).not.toBe(0);
  }
  expect(colourType(after.get('b.png')!.bytes)).toBe(3);
});

test('a piece left out, one whose colours stay and everything else come out byte for byte, and only where all is wanted', async () => {
  const files = {
    't/a.png': bytesOf(await drawn(9, 9, slatePixel).png().toBuffer()),
    't/b.png': bytesOf(await drawn(9, 9, slatePixel).png().toBuffer()),
    't/readme.txt': bytesOf(Buffer.from('An invented theme.')),
  };
  const set = setOf(files, [wash]);
  const leave = {
    ...set,
    pieces: set.pieces.map((p) => ({ ...p, leftOut: p.path === 't/b.png' })),
  };
  expect([...(await recoloured(leave)).keys()]).toEqual(['t/a.png', 'recoloured.txt']);
  const all = await recoloured(leave, true);
  expect([...all.keys()]).toEqual(['t/a.png', 't/b.png', 't/readme.txt', 'recoloured.txt']);
  for (const path of ['t/b.png', 't/readme.txt'] as const) {
    expect(all.get(path)).toMatchObject({ bytes: files[path], changed: false });
  }
  const idle = await recoloured({ ...set, recipe: { ...set.recipe, steps: [] } }, true);
  expect([...idle.values()].filter((f) => f.changed).map((f) => f.path)).toEqual([
    'recoloured.txt',
  ]);
});

test('the page goes on in the colour that the written strip ends with, a JPEG’s too; the list says what changed', async () => {
  const strip = drawn(1, 675, (_, y) => [
    63 - Math.round(y / 20),
    81 - Math.round(y / 20),
    97 - Math.round(y / 20),
    255,
  ]);
  const css = 'body { background: #1d2f3f url(i/strip.jpg) repeat-x; color: #fff }\n';
  const files = {
    't/i/strip.jpg': bytesOf(await strip.removeAlpha().jpeg({ quality: 90 }).toBuffer()),
    't/style.css': bytesOf(Buffer.from(css)),
  };
  const after = await recoloured(setOf(files, [wash]));
  const { data, info } = await raw(after.get('t/i/strip.jpg')!.bytes);
  const end = Buffer.from(data.subarray((info.height - 1) * 4, (info.height - 1) * 4 + 3)).toString(
    'hex',
  );
  expect(Buffer.from(after.get('t/style.css')!.bytes).toString()).toBe(
    css.replace('#1d2f3f', `#${end}`),
  );
  const list = Buffer.from(after.get('recoloured.txt')!.bytes).toString();
  expect(list).toContain('t, recoloured with “Celadon”');
  expect(list).toMatch(/t\/i\/strip\.jpg {2}1×675 {2}[\d.]+ KB → [\d.]+ KB/);
  expect(list).toContain(`t/style.css, line 1  body { background }  #1d2f3f → #${end}`);
});

test('CMYK and 16 bits are said, a turned photograph keeps the size it is seen at, and a broken one names itself', async () => {
  const cmyk = bytesOf(
    await drawn(20, 12, opaque).removeAlpha().toColourspace('cmyk').jpeg().toBuffer(),
  );
  const turned = bytesOf(
    await drawn(20, 12, opaque).removeAlpha().jpeg().withMetadata({ orientation: 6 }).toBuffer(),
  );
  const after = await recoloured(setOf({ 'cmyk.jpg': cmyk, 'turned.jpg': turned }, [wash]));
  expect(await sharp(after.get('turned.jpg')!.bytes).metadata()).toMatchObject({
    width: 12,
    height: 20,
    format: 'jpeg',
  });
  expect(await sharp(after.get('cmyk.jpg')!.bytes).metadata()).toMatchObject({
    width: 20,
    height: 12,
    space: 'srgb',
  });
  const png = bytesOf(await drawn(40, 40, slatePixel).png().toBuffer());
  const set = setOf({ 'whole.png': png, 'cut.png': png.slice(0, 300) }, [wash]);
  await expect(recoloured(set)).rejects.toThrow(/^cut\.png: expected a whole PNG picture, but/);
});

test('it stops between two pieces', async () => {
  const png = bytesOf(await drawn(9, 9, slatePixel).png().toBuffer());
  const set = setOf({ 'a.png': png, 'b.png': png, 'c.png': png }, [wash]);
  let asked = 0;
  await expect(
    recolourSet(set, ports, { wanted: () => ++asked < 3, onProgress: () => {} }, false),
  ).rejects.toThrow(SetStopped);
  expect(asked).toBe(3);
});

test('pictures inside the style sheet are pieces: a strip in it is recoloured, the page goes on where it ends, and one that moves stays', async () => {
  const strip = await drawn(1, 40, (_, y) => [
    63 - Math.round(y / 2),
    81 - Math.round(y / 2),
    97 - Math.round(y / 2),
    255,
  ])
    .removeAlpha()
    .png()
    .toBuffer();
  const waiting =
    'R0lGODlhAQABAIAAAAAAAP///yH5BAUAAAAALAAAAAABAAEAAAIBRAAh+QQFAAAAACwAAAAAAQABAAACAUQAOw==';
  const css = (url: string, ground: string) =>
    `body { background: ${ground} url(${url}) repeat-x; color: #ffffff }\n.w { background: url(data:image/gif;base64,${waiting}) }\n`;
  const data = (png: Buffer | Uint8Array) =>
    `data:image/png;base64,${Buffer.from(png).toString('base64')}`;
  const set = setOf({ 't/style.css': bytesOf(Buffer.from(css(data(strip), '#2b3d4d'))) }, [wash]);
  expect(set.pieces.map((p) => [p.path, p.width, p.height])).toEqual([
    ['t/style.css/inside-1.png', 1, 40],
  ]);
  expect(set.others.map((o) => [o.path, o.why])).toEqual([
    ['t/style.css/inside-2.gif', expect.stringMatching(/^It moves/)],
  ]);
  const after = await recoloured(set, true);
  const text = Buffer.from(after.get('t/style.css')!.bytes).toString();
  const png = Buffer.from(/base64,([^)]+)/.exec(text)![1], 'base64');
  const { data: now, info } = await raw(png);
  expect([...after.keys()]).toEqual(['t/style.css', 'recoloured.txt']);
  expect([info.width, info.height]).toEqual([1, 40]);
  for (let y = 0; y < 40; y++) {
    expect([...now.subarray(y * 4, y * 4 + 3)]).toEqual(
      [63, 81, 97].map((c, i) =>
        Math.round(0.52 * (c - Math.round(y / 2)) + 0.48 * [169, 183, 154][i]),
      ),
    );
  }
  expect(text).toBe(
    css(data(png), `#${Buffer.from(now.subarray(39 * 4, 39 * 4 + 3)).toString('hex')}`),
  );
  expect(Buffer.from(after.get('recoloured.txt')!.bytes).toString()).toMatch(
    /1 of 1 pictures\n {2}t\/style\.css\/inside-1\.png {2}1×40/,
  );
});
