/** Small pictures and what files make of them, which an outside judge was asked about once. */
import { encodeSettings } from '../../src/core/encode/settings';
import type { EncodeSettings } from '../../src/core/site/model/picture';
import { benchPictures, type BenchPicture } from './pictures';

export interface JudgedFile {
  readonly name: string;
  readonly settings: EncodeSettings;
  readonly norm: number;
}

export const judgedSettings: readonly EncodeSettings[] = [
  encodeSettings('jpeg', 60),
  encodeSettings('jpeg', 85),
  encodeSettings('webp', 60),
  encodeSettings('webp', 88),
  encodeSettings('avif', 45),
  encodeSettings('avif', 66),
];

/** Small ones that were left out of the fit, of every kind. */
export const judgedPictures = (): BenchPicture[] =>
  benchPictures().filter(
    (p) => p.held && /small strip|strong grain|slope aside|red on blue|mosaic|paper$/.test(p.name),
  );
