/**
 * What the judges say of the files that the search takes at each level of care. Arguments: how many
 * pictures, a folder to work in, and photographs other than the application's own; `--large` for
 * pictures of 1400×900.
 */
import { parseArgs } from 'node:util';
import { quantileSorted } from 'd3-array';
import sharp from 'sharp';
import { cares } from '../../src/core/lightest/care';
import { imageFormats } from '../../src/core/encode/formats/registry';
import { encodeSettingsWords } from '../../src/core/encode/settings';
import type { Care } from '../../src/core/site/model/picture';
import { nodeCodecs } from '../../src/engine/nodeCodecs';
import { judge, writePixels, type Judged } from './judge';
import { benchPictures, largePictures } from './pictures';
import { taken } from './taken';

/** Least, most, and the quantiles of 5, 50 and 95 percent. */
const told = (name: string, values: readonly number[]): string => {
  const sorted = values.toSorted((a, b) => a - b);
  const shares = [0, 0.05, 0.5, 0.95, 1];
  return `${name} ${shares.map((p) => quantileSorted(sorted, p)!.toFixed(3)).join(' ')}`;
};

async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    options: { large: { type: 'boolean' } },
    allowPositionals: true,
  });
  const [count = '40', folder = '/tmp', ...photographs] = positionals;
  const { codecs, close } = await nodeCodecs();
  const all = values.large ? largePictures : benchPictures;
  const pictures = all(photographs.length > 0 ? photographs : undefined).filter((p) => p.held);
  const found = new Map<Care, Judged[]>();
  const step = Math.max(1, pictures.length / Number(count));
  for (let i = 0; i < pictures.length; i += step) {
    const picture = pictures[Math.floor(i)];
    const drawn = await picture.draw();
    const before = `${folder}/before.png`;
    await writePixels(drawn, before);
    for (const care of cares) {
      const { file, judgement, wholes, ms } = await taken(
        drawn,
        { by: 'care', care },
        imageFormats,
        codecs,
      );
      const after = `${folder}/after.png`;
      await sharp(file).removeAlpha().png().toFile(after);
      const judged = await judge(before, after);
      found.set(care, [...(found.get(care) ?? []), judged]);
      console.log(
        `${picture.name} ${drawn.width}×${drawn.height} ${care}: ${encodeSettingsWords(judgement.settings)}` +
          ` ${judgement.settings.chroma} ${judgement.bytes} B, ours ${judgement.loss.overall.toFixed(2)}` +
          ` ${judgement.loss.worst.toFixed(2)}, judge ${judged.norm.toFixed(2)} ${judged.most.toFixed(2)}` +
          ` ${judged.other.toFixed(4)}, ${wholes} whole, ${(ms / 1000).toFixed(1)} s`,
      );
    }
  }
  close();
  for (const [care, list] of found) {
    console.log(care, list.length);
    console.log(
      told(
        '  3-norm',
        list.map((j) => j.norm),
      ),
    );
    console.log(
      told(
        '  largest',
        list.map((j) => j.most),
      ),
    );
    console.log(
      told(
        '  second judge',
        list.map((j) => j.other),
      ),
    );
  }
}

void main();
