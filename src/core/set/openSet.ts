import type { Hex } from '../site/model/hex';
import { ArchiveError, unzip, type PackedFile } from '../files/unzip';
import { wordsOf } from '../refusal';
import { inspectPicture } from '../measure/inspect';
import { colourUses, proposedColours } from './families';
import { filesInside, readSheet } from './inside';
import { familyOfSelector, isMeant } from './meaning';
import { isInside } from './paths';
import { moves } from './moving';
import { rolesOf } from './roles';
import { scanSheet } from './scanSheet';
import { isSource, scanSource } from './sources';
import { decodeStylesheet } from '../theme/sheetText';

/** A picture of a theme. */
export interface PieceFile extends PackedFile {
  readonly width: number;
  readonly height: number;
  readonly format: string;
  /** It says something by its colours, such as a warning: it stays unless it is asked for. */
  readonly meant: boolean;
}

/** What was dropped, parted by what becomes of it. */
export interface OpenedSet {
  readonly name: string;
  readonly pieces: readonly PieceFile[];
  readonly sheets: readonly PackedFile[];
  /** Everything else; of pictures among them, why they stay as they are. */
  readonly others: readonly (PackedFile & { readonly why: string })[];
  /** The theme's colour: of those with a hue, the one that most grounds have. */
  readonly colour: Hex | undefined;
}

const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && bytes[2] === 3;
const isPicture = (path: string): boolean =>
  /\.(jpe?g|png|gif|webp|avif|svg|bmp|ico|tiff?)$/i.test(path);

/** What the sheets of a theme say: its likely old colour, and the rules that lay pictures. */
function readSheets(
  files: readonly PackedFile[],
  pieces: readonly PieceFile[],
): { colour: Hex | undefined; selectors: ReadonlyMap<string, string> } {
  const sheets = files.filter((s) => !isSource(s.path)).map((s) => readSheet(s.path, s.bytes));
  const sources = files
    .filter((s) => isSource(s.path))
    .map((s) => ({ declared: scanSource(s.path, decodeStylesheet(s.path, s.bytes)) }));
  const scanned = [...sheets.map(({ text }) => ({ declared: scanSheet(text) })), ...sources];
  return {
    colour: proposedColours(colourUses(sheets, scanned), [])[0],
    selectors: new Map(
      [...rolesOf(sheets, pieces)].flatMap(([path, { where }]) =>
        where ? [[path, where.selector] as const] : [],
      ),
    ),
  };
}

/** The folder all files are in, or the first file's own name. */
function nameOf(packed: readonly PackedFile[], dropped: string): string {
  const folder = packed[0]?.path.split('/')[0] ?? '';
  return packed.length > 1 && packed.every((f) => f.path.startsWith(`${folder}/`))
    ? folder
    : dropped.replace(/^.*\//, '').replace(/\.[a-z0-9]+$/i, '');
}

type Sorted =
  { piece: PieceFile } | { sheet: PackedFile } | { other: PackedFile & { why: string } };

/** What `take` makes of a file, or the file among the others, with what is wrong with it. */
function orOther(file: PackedFile, take: () => Sorted[]): Sorted[] {
  try {
    return take();
  } catch (error) {
    return [
      {
        other: {
          ...file,
          why: wordsOf(error)
            .replace(`${file.path}: `, '')
            .replace(/^./, (c) => c.toUpperCase()),
        },
      },
    ];
  }
}

const picture = (file: PackedFile): Sorted[] =>
  orOther(file, () => {
    const found = inspectPicture(file.path, file.bytes);
    return moves(found.format, file.bytes)
      ? [
          {
            other: {
              ...file,
              why: 'It moves: pictures that follow each other are not recoloured.',
            },
          },
        ]
      : [{ piece: { ...file, ...found, meant: false } }];
  });

function sorted(file: PackedFile): Sorted[] {
  if (/\.css$/i.test(file.path)) {
    return orOther(file, () => [{ sheet: file }, ...filesInside(file).flatMap(picture)]);
  }
  if (isSource(file.path)) {
    return orOther(file, () => {
      // One that cannot be read is told as such.
      decodeStylesheet(file.path, file.bytes);
      return [{ sheet: file }];
    });
  }
  return isPicture(file.path) ? picture(file) : [{ other: { ...file, why: '' } }];
}

/**
 * Opens a theme's folder: files with their paths, pictures alone, or a zip of it; pictures inside a
 * style sheet are pieces too. What cannot be recoloured stays as it is, and the opened set says
 * why.
 * @throws ArchiveError when there is neither a picture nor a style sheet in it, or the zip is not as it should be
 */
export function openSet(files: readonly PackedFile[]): OpenedSet {
  const packed = files.flatMap(({ path, bytes }): PackedFile[] =>
    isZip(bytes) && /\.zip$/i.test(path) ? unzip(path, bytes) : [{ path, bytes }],
  );
  const unique = [...new Map(packed.map((f) => [f.path, f])).values()];
  const parted = unique.flatMap(sorted);
  const sheets = parted.flatMap((p) => ('sheet' in p ? [p.sheet] : []));
  const found = parted.flatMap((p) => ('piece' in p ? [p.piece] : []));
  const others = parted.flatMap((p) => ('other' in p ? [p.other] : []));
  const { colour, selectors } = readSheets(sheets, found);
  // Files of their own first.
  const pieces = [
    ...found.filter((p) => !isInside(p.path, sheets)),
    ...found.filter((p) => isInside(p.path, sheets)),
  ].map((p) => ({
    ...p,
    meant: isMeant(p.path) || familyOfSelector(selectors.get(p.path) ?? '') === 'meaning',
  }));
  if (pieces.length === 0 && sheets.length === 0) {
    const why = others.find((o) => o.why)?.why;
    throw new ArchiveError(
      `${files
        .map((f) => f.path)
        .slice(0, 3)
        .join(
          ', ',
        )}: expected pictures or style sheets of a theme, or a zip of its folder, found ${unique.length === 0 ? 'nothing' : `${unique.length} ${unique.length === 1 ? 'file' : 'files'} and none that can be recoloured`}.${why ? ` ${why}` : ''}`,
    );
  }
  return { name: nameOf(unique, files[0].path), pieces, sheets, others, colour };
}
