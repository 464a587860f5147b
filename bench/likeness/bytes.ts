/**
 * Bytes of the files that the search finds against files of a fixed quality that an outside judge
 * finds no more alike. Arguments: how many pictures, and photographs other than the application's.
 */
import sharp from 'sharp';
import { imageFormats } from '../../src/core/encode/formats/registry';
import type { Raster } from '../../src/core/raster/raster';
import type { ImageFormat } from '../../src/core/site/model/picture';
import type { Codecs } from '../../src/core/encode/codecs';
import { lossTo, referenceOf } from '../../src/core/likeness/loss';
import { nodeCodecs } from '../../src/engine/nodeCodecs';
import { judge, readPixels, writePixels } from './judge';
import { benchPictures } from './pictures';
import { taken, under } from './taken';

const turns = 4;

/** Bytes of the lightest of ours whose 3-norm is no larger. */
async function atNorm(
  drawn: Raster,
  norm: number,
  from: number,
  formats: readonly ImageFormat[],
  folder: string,
  codecs: Codecs,
): Promise<number> {
  let limit = from;
  let least = Infinity;
  for (let turn = 0; turn < turns; turn++) {
    // The worst place is not asked about: the judge's norm is all that is held equal.
    const goal = { by: 'limit', limit: { overall: limit, worst: 100 } } as const;
    const { file } = await taken(drawn, goal, formats, codecs);
    await sharp(file).removeAlpha().png().toFile(`${folder}/ours.png`);
    const judged = await judge(`${folder}/before.png`, `${folder}/ours.png`);
    if (judged.norm <= norm) {
      least = Math.min(least, file.length);
    }
    if (judged.norm <= norm && judged.norm > 0.97 * norm) {
      break;
    }
    limit *= (0.985 * norm) / judged.norm;
  }
  return least;
}

async function main(): Promise<void> {
  const [count = '40', folder = '/tmp', ...photographs] = process.argv.slice(2);
  const { codecs, close } = await nodeCodecs();
  const pictures = benchPictures(photographs.length > 0 ? photographs : undefined).filter(
    (p) => p.held,
  );
  const ratios = new Map<string, number[]>();
  const step = Math.max(1, pictures.length / Number(count));
  for (let i = 0; i < pictures.length; i += step) {
    const picture = pictures[Math.floor(i)];
    const drawn = await picture.draw();
    await writePixels(drawn, `${folder}/before.png`);
    const plain = () => sharp(`${folder}/before.png`);
    const references = [
      ['JPEG 85', await plain().jpeg({ quality: 85 }).toBuffer(), ['all', 'JPEG alone']],
      ['WebP 80', await plain().webp({ quality: 80 }).toBuffer(), ['all']],
    ] as const;
    for (const [name, file, kinds] of references) {
      await sharp(file).png().toFile(`${folder}/reference.png`);
      const { norm } = await judge(`${folder}/before.png`, `${folder}/reference.png`);
      const ours = lossTo(
        referenceOf(drawn, under),
        await readPixels(`${folder}/reference.png`),
        under,
      );
      for (const kind of kinds) {
        const formats: readonly ImageFormat[] = kind === 'all' ? imageFormats : ['jpeg'];
        const bytes = await atNorm(drawn, norm, ours.overall, formats, folder, codecs);
        const ratio = bytes / file.length;
        const row = `${kind} against ${name}`;
        ratios.set(row, [...(ratios.get(row) ?? []), ratio]);
        console.log(
          `${picture.name} ${row}: ${file.length} B at ${norm.toFixed(2)}, ours ${bytes} B, ${ratio.toFixed(2)}`,
        );
      }
    }
  }
  close();
  for (const [row, list] of ratios) {
    const mean = Math.exp(list.reduce((a, r) => a + Math.log(r), 0) / list.length);
    console.log(
      `${row}: ${list.length} pictures, mean ${mean.toFixed(3)}, most ${Math.max(...list).toFixed(2)}`,
    );
  }
}

void main();
