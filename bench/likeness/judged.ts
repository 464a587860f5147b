/**
 * `npm run likeness:judged`: writes what the outside judge says of small pictures that were left out
 * of the fit, for the tests to hold the measure against.
 */
import { writeFileSync } from 'node:fs';
import { nodeCodecs } from '../../src/engine/nodeCodecs';
import { judge, writePixels } from './judge';
import { judgedPictures, judgedSettings, type JudgedFile } from './judgedFiles';

async function main(): Promise<void> {
  const folder = process.argv[2] ?? '/tmp';
  const { codecs, close } = await nodeCodecs();
  const rows: JudgedFile[] = [];
  for (const picture of judgedPictures()) {
    const drawn = await picture.draw();
    await writePixels(drawn, `${folder}/before.png`);
    for (const settings of judgedSettings) {
      const file = await codecs.encode(drawn, settings, []);
      await writePixels(await codecs.decode(file), `${folder}/after.png`);
      const { norm } = await judge(`${folder}/before.png`, `${folder}/after.png`);
      rows.push({ name: picture.name, settings, norm });
    }
  }
  close();
  writeFileSync('bench/likeness/judged.json', `${JSON.stringify(rows, null, 1)}\n`);
}

void main();
