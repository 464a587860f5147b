/**
 * Recolouring a set with the codecs of the browser, in two threads of Node as the application does
 * it in two workers, against sharp, which blends and writes the same on all cores.
 */
import { Worker } from 'node:worker_threads';
import { parse } from 'css-tree';
import { zipSync } from 'fflate';
import sharp, { type Sharp } from 'sharp';
import { newWash } from '../src/core/layers/fill';
import { recipeForSet } from '../src/core/set/edits';
import { recolourSheets, type SheetRecolourInput } from '../src/core/set/recolourSheets';
import { openSet } from '../src/core/set/openSet';
import type { PieceSet } from '../src/core/site/model/pieceSet';
import type { OnPlan } from './onPlan';
import { compare, row, type Row, type Rows } from './rows';
import type { LaneJob } from './setLane';

const strength = 0.48;
const colour = { r: 169, g: 183, b: 154 };

type Files = ReadonlyMap<string, Uint8Array<ArrayBuffer>>;
const bytesOf = async (image: Sharp): Promise<Uint8Array<ArrayBuffer>> =>
  new Uint8Array(await image.toBuffer());

/** Menu ends, buttons, corners: see-through at their edges, in slate. */
async function smallPieces(): Promise<Files> {
  const files = new Map<string, Uint8Array<ArrayBuffer>>();
  for (let n = 0; n < 300; n++) {
    const width = 8 + ((n * 7) % 113);
    const height = 8 + ((n * 5) % 41);
    const data = Buffer.alloc(width * height * 4);
    for (let i = 0; i < width * height; i++) {
      data.set([63 - (i % 13), 81 - (i % 11), 97, i % width < 3 ? 0 : 255], i * 4);
    }
    files.set(
      `many/piece-${n}.png`,
      await bytesOf(
        sharp(data, { raw: { width, height, channels: 4 } }).png({ compressionLevel: 9 }),
      ),
    );
  }
  return files;
}

async function largePieces(): Promise<Files> {
  const files = new Map<string, Uint8Array<ArrayBuffer>>();
  const photographs = ['clay-hills', 'glaze-close-up', 'kiln-glow', 'shelf-of-pots'];
  for (let n = 0; n < 20; n++) {
    files.set(
      `many/photo-${n}.jpg`,
      await bytesOf(
        sharp(`public/sample/${photographs[n % 4]}.jpg`)
          .resize(1400, 900, { position: n % 2 ? 'top' : 'bottom' })
          .jpeg({ quality: 82 }),
      ),
    );
  }
  return files;
}

/** The set as it is once it was dropped; its assets go by their paths. */
function setOf(files: Files): PieceSet {
  const { pieces } = openSet([...files].map(([path, bytes]) => ({ path, bytes })));
  return {
    name: 'many',
    pieces: pieces.map((p) => ({
      path: p.path,
      assetId: p.path,
      bytes: p.bytes.length,
      width: p.width,
      height: p.height,
      format: p.format,
      leftOut: false,
    })),
    sheets: [],
    others: [],
    recipe: {
      id: 'r',
      name: '',
      steps: [newWash('w', '#a9b79a', strength)],
      spare: false,
      hues: null,
    },
    follows: [],
    from: '#3f5161',
    to: '#a9b79a',
    lines: {},
  };
}

/** The same wash by sharp: the colour laid over at its strength, inside what is there. */
async function bySharp(files: Files): Promise<void> {
  await Promise.all(
    [...files].map(async ([path, bytes]) => {
      const image = sharp(bytes);
      const { width, height } = await image.metadata();
      const wash = {
        create: {
          width,
          height,
          channels: 4 as const,
          background: { ...colour, alpha: strength },
        },
      };
      const washed = image.composite([{ input: wash, blend: 'atop' }]);
      await (
        path.endsWith('.png')
          ? washed.png({ compressionLevel: 9 })
          : washed.jpeg({ quality: 82, mozjpeg: true, quantisationTable: 0 })
      ).toBuffer();
    }),
  );
}

/** Threads that write, as many as the application has workers for it. */
class Lanes {
  private readonly workers = Array.from(
    { length: 2 },
    () => new Worker(`require('tsx/cjs'); require('./bench/setLane.ts');`, { eval: true }),
  );

  /** Every second file goes to the other thread. */
  async recolour(files: Files): Promise<void> {
    await Promise.all(
      this.workers.map((worker, n) => {
        const part = new Map([...files].filter((_, i) => i % this.workers.length === n));
        return new Promise<void>((resolve, reject) => {
          worker.once('message', resolve);
          worker.once('error', reject);
          worker.postMessage({ set: setOf(part), files: part } satisfies LaneJob);
        });
      }),
    );
  }

  async close(): Promise<void> {
    await Promise.all(this.workers.map((w) => w.terminate()));
  }
}

/** A sheet of 5,000 rules in 400 colours, and 300 pieces beside it. */
function largeTheme(): SheetRecolourInput {
  const hex = (n: number) => `#${((n * 7919 * 2053) % 0xffffff).toString(16).padStart(6, '0')}`;
  const rules = Array.from(
    { length: 5000 },
    (_, i) =>
      `.c${i} .x${i % 50}{color:${hex(i % 400)};background:${i % 3 ? hex((i * 7) % 400) : 'var(--brand)'};border:1px solid rgba(42,111,119,.5)}`,
  );
  const pieces = Array.from({ length: 300 }, (_, i) => `p${i}.png`);
  return {
    sheets: [{ path: 'a.css', text: `:root{--brand:#2a6f77}\n${rules.join('\n')}` }],
    samples: new Map(
      pieces.map((path, i) => [path, [{ colour: { r: 42, g: 111, b: i % 256 }, share: 1 }]]),
    ),
    areas: new Map(pieces.map((path) => [path, 4000])),
    set: { from: '#2a6f77', follows: [], recipe: recipeForSet('r', '#2a6f77') },
    decided: {},
    ends: new Map(),
  };
}

/** A changed recipe on sheets that were read before. */
function followRow(): Promise<Row> {
  const theme = largeTheme();
  let turn = 0;
  return compare(
    'what 5,000 rules follow a changed recipe with',
    () => {
      const steps = [newWash('w', '#a9b79a', 0.4 + (turn++ % 10) / 100)];
      recolourSheets({ ...theme, set: { ...theme.set, recipe: { ...theme.set.recipe, steps } } });
    },
    'css-tree reads the same sheet',
    () => parse(theme.sheets[0].text),
  );
}

export async function* setRows(): Rows {
  const few = await smallPieces();
  const many = await largePieces();
  const lanes = new Lanes();
  try {
    yield await followRow();
    yield await compare(
      'recolour 300 small pieces, PNG with alpha',
      () => lanes.recolour(few),
      'sharp, the same blend',
      () => bySharp(few),
      3,
    );
    yield await compare(
      'recolour 20 pieces of 1400×900, JPEG',
      () => lanes.recolour(many),
      'sharp, the same blend',
      () => bySharp(many),
      3,
    );
  } finally {
    await lanes.close();
  }
}

/** The same 320 pieces dropped on the screen: from taking a recipe until all files are written. */
export async function* setInBrowser({ page, plan }: OnPlan): Rows {
  const files = new Map([...(await smallPieces()), ...(await largePieces())]);
  const zip = Buffer.from(zipSync(Object.fromEntries(files), { level: 0 }));
  await page.goto(`${plan}/recolour`);
  await page.setInputFiles('input[data-picks="Pieces"]', {
    name: 'many.zip',
    mimeType: 'application/zip',
    buffer: zip,
  });
  await page.locator('[aria-label="Ways there"][aria-busy=false]').waitFor({ timeout: 60_000 });
  await page.waitForTimeout(4000);
  const start = performance.now();
  await page.getByRole('group', { name: 'Ways there' }).getByRole('button').first().click();
  await page.getByRole('button', { name: /^Archive, / }).waitFor({ timeout: 120_000 });
  const took = performance.now() - start;
  const from = performance.now();
  await bySharp(files);
  yield row(
    'recolour these 320 pieces in Chromium, from taking a recipe to the archive',
    took,
    'sharp, the same blend',
    performance.now() - from,
  );
}
