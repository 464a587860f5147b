/**
 * Renders the sample's photographs: `npm run photographs [-- NAME [SCALE]]`.
 * They take about a minute each, so the results are committed in public/sample.
 */
import sharp from 'sharp';
import { photograph } from './march';
import { scenes } from './scenes';

async function main(): Promise<void> {
  const [only, scale = '1', folder = 'public/sample'] = process.argv.slice(2);
  for (const [name, { scene, width, height }] of Object.entries(scenes)) {
    if (only && only !== 'all' && only !== name) {
      continue;
    }
    const w = Math.round(width * Number(scale));
    const h = Math.round(height * Number(scale));
    const rgb = photograph(scene, w, h, (share) =>
      process.stdout.write(`\r${name} ${(share * 100).toFixed(0)} %  `),
    );
    const file = `${folder}/${name}.jpg`;
    await sharp(rgb, { raw: { width: w, height: h, channels: 3 } })
      .jpeg({ quality: 88, chromaSubsampling: '4:4:4' })
      .toFile(file);
    process.stdout.write(`\r${file} ${w}×${h}\n`);
  }
}

void main();
