/**
 * A whole hand-over made in Node, read by decoders that have nothing to do with it: pngjs, jpeg-js
 * and sharp.
 */
import { readFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { parse, walk } from 'css-tree';
import jpeg from 'jpeg-js';
import { PNG } from 'pngjs';
import sharp from 'sharp';
import { unzip } from '@/core/files/unzip';
import { drawingOf } from '@/core/compose/drawing';
import { scaledDrawing } from '@/core/compose/scaledDrawing';
import { planFiles } from '@/core/handover/filePlan';
import { HandOverStopped } from '@/core/handover/ports';
import { produceHandOver, type HandOver } from '@/core/handover/produce';
import { zipFiles } from '@/core/handover/zipFiles';
import { readSiteFile, writeSiteFile } from '@/core/handover/siteFile';
import { inspectPicture } from '@/core/measure/inspect';
import { readOpenRaster } from '@/core/openRaster/openRaster';
import { photoFrom, produceOpenRaster } from '@/core/openRaster/produce';
import { encodeSettings } from '@/core/encode/settings';
import { resample } from '@/core/frame/resample';
import { lossTo, referenceOf } from '@/core/likeness/loss';
import { newFade } from '@/core/layers/fade';
import { newTone } from '@/core/layers/recolour';
import { newShape } from '@/core/layers/shape';
import type { Raster } from '@/core/raster/raster';
import { shelfItem } from '@/core/shelf/item';
import { addLayers, applyEdit, chain, editPicture, editSlot } from '@/core/site/edit';
import type { Layer } from '@/core/site/model/layer';
import type { ShelfItem } from '@/core/site/model/shelf';
import type { Site } from '@/core/site/model/site';
import { asFiled, pictureOf } from '@/core/site/picture';
import { sampleFiles, sampleSite } from '@/demo/sample';
import { nodePorts, type NodePorts } from '@/engine/node';

const assets = new Map<string, Uint8Array<ArrayBuffer>>();
const put = (bytes: Uint8Array<ArrayBuffer>): string => {
  const id = createHash('sha256').update(bytes).digest('hex');
  assets.set(id, bytes);
  return id;
};
const shelf: Record<string, ShelfItem> = Object.fromEntries(
  sampleFiles.map((file) => {
    const bytes = new Uint8Array(readFileSync(`public${file.url}`));
    const { format, width, height } = inspectPicture(file.name, bytes);
    return [
      file.key,
      shelfItem({
        assetId: put(bytes),
        name: file.name,
        width,
        height,
        format,
        bytes: bytes.length,
        maker: file.maker,
        licence: file.key === 'shelf' ? 'cc-by-4.0' : 'own',
      }),
    ];
  }),
);

const [header, background, sidebar, divider, mark, diary] = sampleSite('s', shelf).slots.map(
  (s) => s.id,
);
const picture = (slotId: string) => site.slots.find((s) => s.id === slotId)!.pictureId;
/** The sample with a file of every format, a theme's file replaced, and something in the mark. */
let site = sampleSite('s', shelf);
const press = (slotId: string, settings: ReturnType<typeof encodeSettings>) =>
  editPicture(picture(slotId), (p) => {
    p.press = settings;
  });
site = applyEdit(
  site,
  chain(
    press(header, { ...encodeSettings('avif', 55), chroma: 'half' }),
    press(background, { ...encodeSettings('png'), colours: 64 }),
    press(sidebar, encodeSettings('webp', 80)),
    press(diary, encodeSettings('jpeg', 70)),
    editSlot(mark, (s) => {
      s.replaces = 'images/Logo.png';
    }),
    addLayers(picture(mark), [newShape('dot', 'ellipse', '#a4553a', { width: 300, height: 72 })]),
    editSlot(divider, (s) => {
      s.fileName = 'header';
    }),
    editPicture(picture(header), (p) => {
      p.alt = 'Five pots';
      p.fallback = { ...encodeSettings('jpeg', 60), table: 0 };
    }),
  ),
);

let ports: NodePorts;
let made: HandOver;
beforeAll(async () => {
  ports = await nodePorts(site, assets);
  made = await produceHandOver(site, ports, { wanted: () => true, onProgress: () => {} });
});
afterAll(() => ports.close());

const draw = (slotId: string, of = site): Promise<Raster> => {
  const slot = of.slots.find((s) => s.id === slotId)!;
  return ports.draw(drawingOf(slot, asFiled(pictureOf(of, slot))));
};
const file = (path: string) => made.files.find((f) => f.path === path)!;

async function decoded(
  path: string,
  bytes: Uint8Array,
): Promise<{ width: number; height: number; data: Uint8Array; channels: number }> {
  if (path.endsWith('.png')) {
    const png = PNG.sync.read(Buffer.from(bytes));
    return { ...png, channels: 4 };
  }
  if (path.endsWith('.jpg')) {
    const j = jpeg.decode(bytes, { maxMemoryUsageInMB: 1024 });
    return { ...j, channels: 4 };
  }
  const { data, info } = await sharp(bytes).raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data, channels: info.channels };
}

test('every file is read by an independent decoder and has exactly the size that was planned', async () => {
  const pictures = made.files.filter((f) => f.planned);
  const seen = new Set<string>();
  expect(pictures.length).toBe(made.plan.flatMap((p) => p.files).length);
  for (const { path, bytes, planned } of pictures) {
    const { width, height, data, channels } = await decoded(path, bytes);
    expect([path, width, height]).toEqual([path, planned!.width, planned!.height]);
    expect(data.length).toBe(width * height * channels);
    seen.add(planned!.settings.format);
  }
  expect(seen).toEqual(new Set(['avif', 'png', 'webp', 'jpeg']));
});

test('names are kept where a theme’s file is replaced, and no two files share one', () => {
  const paths = made.files.map((f) => f.path);
  expect(new Set(paths.map((p) => p.toLowerCase())).size).toBe(paths.length);
  expect(
    made.plan
      .find((p) => p.slot.id === mark)!
      .files.map((f) => [f.path, f.settings.format, f.scale]),
  ).toEqual([['images/Logo.png', 'png', 1]]);
  expect(made.plan.find((p) => p.slot.id === header)!.files.map((f) => f.path)).toEqual([
    'pictures/header.avif',
    'pictures/header.jpg',
    'pictures/header-2x.avif',
    'pictures/header-2x.jpg',
    'pictures/header-half.avif',
    'pictures/header-half.jpg',
  ]);
  // The divider was given the header's name, and is a PNG of its own: the names do not meet.
  expect(made.plan.find((p) => p.slot.id === divider)!.files[0].path).toBe('pictures/header.png');
  const both = planFiles(
    applyEdit(
      site,
      chain(
        editSlot(sidebar, (s) => {
          s.fileName = 'header';
        }),
        press(sidebar, encodeSettings('avif')),
      ),
    ),
    () => true,
  ).flatMap((p) => p.files.map((f) => f.path));
  expect(both).toContain('pictures/header-2.avif');
  const outside = planFiles(
    applyEdit(
      site,
      editSlot(mark, (s) => {
        s.replaces = '../../images/./Logo.png';
      }),
    ),
    () => true,
  ).find((p) => p.slot.id === mark)!;
  expect(outside.files[0].path).toBe('images/Logo.png');
  const gif = planFiles(
    applyEdit(
      site,
      editSlot(mark, (s) => {
        s.replaces = 'images/logo.gif';
      }),
    ),
    () => true,
  ).find((p) => p.slot.id === mark)!;
  expect(gif.note).toContain('images/logo.gif cannot be written');
  expect(gif.files[0].path).toMatch(/^pictures\/corner-mark\.(webp|png)$/);
});

test('a see-through picture falls back to PNG, an opaque one to JPEG; without the choice to neither', () => {
  const formats = (opaque: boolean, of = site) =>
    planFiles(of, () => opaque)
      .find((p) => p.slot.id === sidebar)!
      .files.filter((f) => f.fallback)
      .map((f) => f.settings.format);
  expect(formats(true)).toEqual(['jpeg', 'jpeg']);
  expect(formats(false)).toEqual(['png', 'png']);
  expect(
    formats(true, {
      ...site,
      handOver: { twice: true, narrow: true, fallback: false, pageFiles: true },
    }),
  ).toEqual([]);
  expect(
    formats(
      true,
      applyEdit(
        site,
        editSlot(sidebar, (s) => {
          s.accepts = ['webp', 'avif'];
        }),
      ),
    ),
  ).toEqual([]);
});

test('theme colours are exact in a palette, and the border of the drawing is what the file has', async () => {
  const png = PNG.sync.read(Buffer.from(file('pictures/background-tile.png').bytes));
  const drawn = await draw(background);
  const colours = new Set<string>();
  let border = 0;
  for (let i = 0; i < png.width * png.height; i++) {
    colours.add([...png.data.subarray(i * 4, i * 4 + 3)].join());
  }
  expect(colours.size).toBeLessThanOrEqual(64);
  const there = new Set(
    Array.from({ length: drawn.width * drawn.height }, (_, i) =>
      [...drawn.data.subarray(i * 4, i * 4 + 3)].join(),
    ),
  );
  // #3b4a45, the theme's kiln, is the ground of the tile.
  expect(there.has('59,74,69')).toBe(true);
  for (let i = 0; i < drawn.width * drawn.height; i++) {
    if (drawn.data[i * 4] === 59 && drawn.data[i * 4 + 1] === 74 && drawn.data[i * 4 + 2] === 69) {
      expect([...png.data.subarray(i * 4, i * 4 + 3)]).toEqual([59, 74, 69]);
      border++;
    }
  }
  expect(border).toBeGreaterThan(0);
});

test('a file of twice the size shows the same picture, drawn anew and finer', async () => {
  const one = await draw(header);
  const slot = site.slots.find((s) => s.id === header)!;
  const two = await ports.draw(scaledDrawing(drawingOf(slot, pictureOf(site, slot)), 2));
  expect([two.width, two.height]).toEqual([2160, 440]);
  const reduced = resample(two, { x: 0, y: 0, scaleX: 0.5, scaleY: 0.5 }, 1080, 220);
  const doubled = resample(one, { x: 0, y: 0, scaleX: 2, scaleY: 2 }, 2160, 440);
  const blurred = resample(doubled, { x: 1, y: 1, scaleX: 0.5, scaleY: 0.5 }, 1080, 220);
  const lossOf = (r: Raster) => lossTo(referenceOf(one, '#ffffff'), r, '#ffffff').overall;
  expect(lossOf(reduced)).toBeLessThan(lossOf(blurred) / 3);
  // An edge of a letter goes from dark to light within a px there, and the enlarged one does not.
  const steps = (r: Raster) => {
    let most = 0;
    for (let i = 4; i < r.data.length; i += 4) {
      most = Math.max(most, Math.abs(r.data[i + 1] - r.data[i - 3]));
    }
    return most;
  };
  expect(steps(two)).toBeGreaterThan(
    1.1 * steps(resample(one, { x: 0, y: 0, scaleX: 2, scaleY: 2 }, 2160, 440)),
  );
});

test('the style sheet parses, and the lines and pages name only files that are there', () => {
  const problems: string[] = [];
  const paths = new Set(made.files.map((f) => f.path));
  const named = new Set<string>();
  walk(parse(made.css, { onParseError: (e) => problems.push(e.message) }), {
    visit: 'Url',
    enter: (node) => {
      named.add(node.value);
    },
  });
  expect(problems).toEqual([]);
  for (const { path, bytes } of made.files.filter((f) => f.path.endsWith('.html'))) {
    const html = new TextDecoder().decode(bytes);
    for (const [, src] of html.matchAll(/(?:src|href)="([^"#:]+)"/g)) {
      named.add(src);
    }
    for (const [, set] of html.matchAll(/srcset="([^"]+)"/g)) {
      for (const one of set.split(',')) {
        named.add(one.trim().split(' ')[0]);
      }
    }
    expect([path, html.includes('<script')]).toEqual([path, false]);
  }
  expect(named.size).toBeGreaterThan(15);
  for (const name of named) {
    expect([name, paths.has(name)]).toEqual([name, true]);
  }
});

test('densities and formats are told by image-set and picture, with a plain file before them', () => {
  const { css } = made.snippets.get(sidebar)!;
  expect(css).toMatch(
    /background-image: url\("pictures\/sidebar-strip\.jpg"\);\n {2}background-image: image-set\(url\("pictures\/sidebar-strip\.webp"\) type\("image\/webp"\) 1x, url\("pictures\/sidebar-strip-2x\.webp"\) type\("image\/webp"\) 2x, url\("pictures\/sidebar-strip\.jpg"\) type\("image\/jpeg"\) 1x, url\("pictures\/sidebar-strip-2x\.jpg"\) type\("image\/jpeg"\) 2x\);/,
  );
  const { html } = made.snippets.get(header)!;
  expect(html).toContain(
    '<source type="image/avif" srcset="pictures/header-half.avif 540w, pictures/header.avif 1080w, pictures/header-2x.avif 2160w" sizes="(max-width: 1080px) 100vw, 1080px">',
  );
  expect(html).toMatch(
    /<img class="veldrin-clayworks-header" src="pictures\/header\.jpg" srcset="pictures\/header-half\.jpg 540w, [^"]*" sizes="[^"]*" width="1080" height="220" alt="Five pots">/,
  );
  expect(made.snippets.get(diary)!.css).toContain('@media (max-width: 599.98px)');
});

test('credits go along as text and as HTML, on every page', () => {
  const text = new TextDecoder().decode(file('credits.txt').bytes);
  expect(text).toContain('“Shelf of pots” by Veldrin Clayworks');
  expect(new TextDecoder().decode(file('home.html').bytes)).toContain(
    '<ul class="picture-credits">',
  );
});

test('the archive unpacks to the same bytes, and the site file in it is the site, px for px', async () => {
  const unpacked = unzip('hand-over.zip', zipFiles(made.files));
  expect(unpacked.map((f) => f.path).sort()).toEqual(made.files.map((f) => f.path).sort());
  for (const { path, bytes } of unpacked) {
    expect([path, Buffer.compare(Buffer.from(bytes), Buffer.from(file(path).bytes))]).toEqual([
      path,
      0,
    ]);
  }
  const read = readSiteFile(
    'veldrin-clayworks.soyez',
    unpacked.find((f) => f.path.endsWith('.soyez'))!.bytes,
  );
  expect(read.site).toEqual(site);
  expect(
    Buffer.compare(
      Buffer.from(writeSiteFile(read)),
      Buffer.from(file('veldrin-clayworks.soyez').bytes),
    ),
  ).toBe(0);
  const again = await nodePorts(read.site, read.assets);
  try {
    for (const slot of read.site.slots) {
      const drawing = drawingOf(slot, pictureOf(read.site, slot));
      expect([
        slot.name,
        Buffer.compare(
          Buffer.from((await again.draw(drawing)).data),
          Buffer.from((await ports.draw(drawing)).data),
        ),
      ]).toEqual([slot.name, 0]);
    }
  } finally {
    again.close();
  }
});

test('given up, it stops at the next file', async () => {
  let files = 0;
  await expect(
    produceHandOver(
      site,
      {
        ...ports,
        encode: async () => {
          files++;
          return new Uint8Array(1);
        },
      },
      { wanted: () => files < 2, onProgress: () => {} },
    ),
  ).rejects.toThrow(HandOverStopped);
  expect(files).toBe(2);
});

const text = (id: string): Layer =>
  site.pictures[picture(header)].layers.find((l) => l.kind === 'text' && l.id !== id)!;
/**
 * The header with more on it: a turned shape at half strength in another mode, a tone on the words
 * alone, a fade of everything.
 */
const variants: readonly (readonly [string, (s: Site) => Site, number])[] = [
  ['the sample header', (s) => s, 5],
  [
    'shapes, modes and a tone on one layer',
    (s) =>
      applyEdit(
        s,
        addLayers(picture(header), [
          {
            ...newShape('e', 'ellipse', '#a9b79a', { width: 1080, height: 220 }),
            turn: 20,
            opacity: 0.5,
            blend: 'soft-light',
          },
          { ...text(''), id: 'again', y: 20 } as Layer,
          { ...newTone('t'), reach: 'beneath', brightness: 0.8 },
        ]),
      ),
    7,
  ],
  [
    'a fade into see-through in front of everything',
    (s) =>
      applyEdit(
        s,
        addLayers(picture(header), [
          newFade('f', null, { left: 80, right: 80, top: 40, bottom: 0 }),
        ]),
      ),
    1,
  ],
];

test.each(variants)(
  '%s goes through OpenRaster without a px changing',
  async (_, change, count) => {
    const changed = change(site);
    const slot = changed.slots.find((s) => s.id === header)!;
    const drawing = drawingOf(slot, pictureOf(changed, slot));
    const read = readOpenRaster('header.ora', await produceOpenRaster(drawing, ports));
    expect([read.width, read.height, read.layers.length, read.notes]).toEqual([
      1080,
      220,
      count,
      [],
    ]);
    const layers = read.layers.map(({ png, ...layer }, i) => {
      const { width, height } = inspectPicture('layer', png);
      return photoFrom(layer, { assetId: put(png), width, height }, `layer-${i}`);
    });
    const before = await ports.draw(drawing);
    const after = await ports.draw({ ...drawing, ground: { type: 'none' }, layers });
    let worst = 0;
    for (let i = 0; i < before.data.length; i++) {
      worst = Math.max(worst, Math.abs(before.data[i] - after.data[i]));
    }
    expect(worst).toBe(0);
  },
);

test('each font goes along with the licence it is under, once', async () => {
  const fontFiles = made.files.filter((f) => f.path.startsWith('fonts/'));
  const licences = fontFiles.filter((f) => f.path.endsWith('-licence.txt'));
  const packages = new Set(
    fontFiles
      .filter((f) => f.path.endsWith('.woff2'))
      .map((f) => /fonts\/([a-z]+)/.exec(f.path)![1]),
  );
  expect(packages.size).toBeGreaterThan(0);
  expect(licences).toHaveLength(packages.size);
  for (const { bytes } of licences) {
    expect(new TextDecoder().decode(bytes)).toContain('SIL OPEN FONT LICENSE');
  }
});
