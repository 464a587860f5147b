import { inspectPicture } from '../measure/inspect';
import { isPacked, unzip, type PackedFile } from '../files/unzip';
import { readTheme, type ThemeStyles } from './readTheme';
import { decodeStylesheet, StylesheetError } from './sheetText';

export interface ThemeFile {
  readonly name: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

export interface PictureFile extends PackedFile {
  readonly width: number;
  readonly height: number;
  readonly format: string;
}

export interface OpenedTheme {
  readonly theme: ThemeStyles;
  /** The theme's pictures; files of other kinds and pictures that cannot be read are left out. */
  readonly pictures: readonly PictureFile[];
}

const isSheet = (path: string): boolean => /\.css$/i.test(path);
const isPicture = (path: string): boolean => /\.(jpe?g|png|gif|webp|avif|svg)$/i.test(path);

/**
 * Opens style sheets, pictures and zips of theme folders that were dropped together.
 * @throws ArchiveError, StylesheetError, IntakeError with a message for people
 */
export function openTheme(files: readonly ThemeFile[]): OpenedTheme {
  const packed = files.flatMap(({ name, bytes }): PackedFile[] =>
    isPacked(bytes) ? unzip(name, bytes) : [{ path: name, bytes }],
  );
  const sheets = packed.filter(({ path }) => isSheet(path));
  if (sheets.length === 0) {
    const names = files.map((f) => f.name).join(', ');
    throw new StylesheetError(
      `${names}: expected a style sheet (.css) or a zip of a theme folder with one, found ${packed.length === 1 && !isPicture(packed[0].path) ? 'neither' : 'no style sheet'}.`,
    );
  }
  const theme = readTheme(
    sheets.map(({ path, bytes }) => ({ path, text: decodeStylesheet(path, bytes) })),
  );
  const pictures = packed
    .filter(({ path }) => isPicture(path))
    .flatMap(({ path, bytes }): PictureFile[] => {
      try {
        return [{ path, bytes, ...inspectPicture(path, bytes) }];
      } catch {
        return [];
      }
    });
  return { theme, pictures };
}
