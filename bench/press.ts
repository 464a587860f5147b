/**
 * Bytes of the files that the search finds against files of a fixed quality, at a likeness that an
 * independent library finds no lower.
 */
import { pressFormats } from '../src/core/press/formats/registry';
import sharp from 'sharp';
import { ssim } from 'ssim.js';
import type { CareLimit } from '../src/core/lightest/care';
import { searchLightest } from '../src/core/lightest/search';
import { bestOf } from '../src/core/lightest/best';
import { referenceOf, similarityTo } from '../src/core/lightest/similarity';
import { createTrial, type TrialResult } from '../src/core/lightest/trial';
import { pressWords } from '../src/core/press/settings';
import type { Codecs } from '../src/core/press/codecs';
import type { Raster } from '../src/core/raster/raster';
import { applyEdit } from '../src/core/site/edit';
import type { PressFormat } from '../src/core/site/model/picture';
import { newSite } from '../src/core/site/newSite';
import { addSlot } from '../src/core/site/slots';
import { nodeCodecs } from '../src/engine/nodeCodecs';

const photographs = [
  'sample/shelf-of-pots',
  'sample/glaze-close-up',
  'library/five-for-the-market',
  'library/clay-pits-at-evening',
  'library/river-stones-under-water',
  'library/kiln-smoke',
];
const sizes = [
  [1080, 220],
  [1900, 1200],
] as const;

export interface PressRow {
  readonly photograph: string;
  readonly size: string;
  readonly against: string;
  readonly formats: string;
  readonly reference_kb: number;
  readonly ours_kb: number;
  readonly ratio: number;
  readonly ours: string;
  readonly reference_ssim: number;
  readonly ours_ssim: number;
  readonly search_s: number;
}

const under = '#ffffff';

async function decode(file: Uint8Array): Promise<Raster> {
  const { data, info } = await sharp(file)
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}

/**
 * At full size: the library would reduce large pictures to a fifth first, and nothing of what is
 * lost px by px would count.
 */
const mssim = (a: Raster, b: Raster): number =>
  ssim(a as unknown as ImageData, b as unknown as ImageData, { downsample: false }).mssim;

/** One search at a likeness; the time is that of the search alone. */
async function search(
  raster: Raster,
  formats: readonly PressFormat[],
  limit: CareLimit,
  codecs: Codecs,
): Promise<{ best: TrialResult; seconds: number }> {
  const site = applyEdit(
    newSite('bench', 'home', 'Bench'),
    addSlot('home', { id: 's', kind: 'header', width: raster.width, height: raster.height }),
  );
  const start = performance.now();
  const trial = createTrial({ raster, site, slotId: 's', under, pinned: [] }, codecs);
  const tried: TrialResult[] = [];
  await searchLightest({ by: 'limit', limit }, formats, [trial], {
    onTried: (t) => {
      tried.push(t);
    },
    onProgress: () => {},
    wanted: () => true,
  });
  const judgement = bestOf(
    { by: 'limit', limit },
    tried.map((t) => t.judgement),
  );
  return {
    best: tried.find((t) => t.judgement === judgement)!,
    seconds: (performance.now() - start) / 1000,
  };
}

/**
 * The lightest of ours that ssim.js finds no worse than the reference. The two measures do not run
 * alike for every kind of loss, so the likeness that is searched for is moved until theirs just
 * holds.
 */
async function atLikeness(
  raster: Raster,
  file: Uint8Array,
  formats: readonly PressFormat[],
  turns: number,
  codecs: Codecs,
) {
  const reference = await decode(file);
  const wanted = mssim(raster, reference);
  const ours = similarityTo(referenceOf(raster, under), reference, under);
  const colour = Math.max(1.6, ours.colour);
  let loss = 1 - ours.structure;
  let low = 0;
  let high = Infinity;
  let found: { best: TrialResult; seconds: number; ssim: number } | undefined;
  for (let i = 0; i < turns || (!found && i < 2 * turns); i++) {
    const { best, seconds } = await search(
      raster,
      formats,
      { structure: 1 - loss, colour },
      codecs,
    );
    const likeness = mssim(raster, await decode(best.file!));
    if (likeness >= wanted) {
      low = loss;
      if (!found || best.judgement.bytes < found.best.judgement.bytes) {
        found = { best, seconds, ssim: likeness };
      }
    } else {
      high = loss;
    }
    // The two losses grow about alike; what is known on either side is not left.
    const next = (loss * (1 - wanted) * 0.995) / (1 - likeness);
    const isNew = next > low * 1.002 && next < high * 0.998;
    const isBracketed = high < Infinity && low > 0;
    loss = !isNew && isBracketed ? Math.sqrt(low * high) : next;
  }
  return { wanted, found };
}

export async function pressRows(): Promise<PressRow[]> {
  const { codecs, close } = await nodeCodecs();
  const rows: PressRow[] = [];
  try {
    for (const [width, height] of sizes) {
      for (const name of photographs) {
        const source = await sharp(`public/${name}.jpg`)
          .resize(width, height, { fit: 'cover' })
          .removeAlpha()
          .raw()
          .toBuffer();
        const pixels = () => sharp(source, { raw: { width, height, channels: 3 } });
        const raster = await decode(await pixels().png({ compressionLevel: 1 }).toBuffer());
        const turns = 6;
        const references = [
          ['JPEG 85', await pixels().jpeg({ quality: 85 }).toBuffer(), ['all', 'JPEG alone']],
          ['WebP 80', await pixels().webp({ quality: 80 }).toBuffer(), ['all']],
        ] as const;
        for (const [against, file, kinds] of references) {
          for (const formats of kinds) {
            const { wanted, found } = await atLikeness(
              raster,
              file,
              formats === 'all' ? pressFormats : ['jpeg'],
              turns,
              codecs,
            );
            if (!found) {
              throw new Error(
                `${name}, ${width}×${height}: nothing of ours was found as alike as ${against}.`,
              );
            }
            const round = (v: number, digits: number) => Number(v.toFixed(digits));
            const row: PressRow = {
              photograph: name.replace(/^.*\//, ''),
              size: `${width}×${height}`,
              against,
              formats,
              reference_kb: round(file.length / 1000, 1),
              ours_kb: round(found.best.judgement.bytes / 1000, 1),
              ratio: round(found.best.judgement.bytes / file.length, 3),
              ours: pressWords(found.best.judgement.settings),
              reference_ssim: round(wanted, 5),
              ours_ssim: round(found.ssim, 5),
              search_s: round(found.seconds, 1),
            };
            rows.push(row);
            console.log(Object.values(row).join('  '));
          }
        }
      }
    }
  } finally {
    close();
  }
  return rows;
}
