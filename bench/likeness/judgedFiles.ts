/** Small pictures and what files make of them, which an outside judge was asked about once. */
import { pressAs } from '../../src/core/press/settings';
import type { PressSettings } from '../../src/core/site/model/picture';
import { benchPictures, type BenchPicture } from './pictures';

export interface JudgedFile {
  readonly name: string;
  readonly settings: PressSettings;
  readonly norm: number;
}

export const judgedSettings: readonly PressSettings[] = [
  pressAs('jpeg', 60),
  pressAs('jpeg', 85),
  pressAs('webp', 60),
  pressAs('webp', 88),
  pressAs('avif', 45),
  pressAs('avif', 66),
];

/** Small ones that were left out of the fit, of every kind. */
export const judgedPictures = (): BenchPicture[] =>
  benchPictures().filter(
    (p) => p.held && /small strip|strong grain|slope aside|red on blue|mosaic|paper$/.test(p.name),
  );
