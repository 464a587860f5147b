/** Pictures and what files make of them, with what the judges say; written once and kept on disk. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { encodeSettings } from '../../src/core/encode/settings';
import type { EncodeSettings } from '../../src/core/site/model/picture';
import { nodeCodecs } from '../../src/engine/nodeCodecs';
import { judge, writePixels, type Judged } from './judge';
import { benchPictures } from './pictures';

export interface Pair extends Judged {
  readonly name: string;
  readonly held: boolean;
  readonly settings: EncodeSettings;
  readonly bytes: number;
  /** PNGs of the pixels before and after. */
  readonly before: string;
  readonly after: string;
}

const many = (format: 'jpeg' | 'webp' | 'avif', qualities: readonly number[]): EncodeSettings[] =>
  qualities.map((quality) => encodeSettings(format, quality));

const tried: readonly EncodeSettings[] = [
  ...many('jpeg', [40, 60, 75, 85, 93]),
  ...many('webp', [45, 70, 85, 94]),
  ...many('avif', [35, 50, 62, 74, 86]),
  { ...encodeSettings('png'), colours: 24 },
  { ...encodeSettings('png'), colours: 128 },
];

/** @param photographs other than the application's own, if given */
export async function pairs(folder: string, photographs?: string[]): Promise<Pair[]> {
  const list = `${folder}/pairs.json`;
  if (existsSync(list)) {
    return JSON.parse(readFileSync(list, 'utf8')) as Pair[];
  }
  mkdirSync(folder, { recursive: true });
  const { codecs, close } = await nodeCodecs();
  const found: Pair[] = [];
  try {
    for (const [n, picture] of benchPictures(photographs).entries()) {
      const drawn = await picture.draw();
      const before = `${folder}/${n}.png`;
      await writePixels(drawn, before);
      const made = [];
      for (const [k, settings] of tried.entries()) {
        const file = await codecs.encode(drawn, settings, []);
        const after = `${folder}/${n}-${k}.png`;
        await writePixels(await codecs.decode(file), after);
        made.push({ settings, bytes: file.length, before, after });
      }
      const { name, held } = picture;
      for (const one of made) {
        found.push({ name, held, ...one, ...(await judge(before, one.after)) });
      }
    }
  } finally {
    close();
  }
  writeFileSync(list, JSON.stringify(found));
  return found;
}
