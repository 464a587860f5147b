import { strToU8 } from 'fflate';
import { safeName } from '../handover/fileName';
import { fileType } from '../handover/fileType';
import type { TypedFile } from '../handover/zipFiles';
import { kilobytes } from '../readings/say';
import type { PieceSet } from '../site/model/pieceSet';
import { encodeStylesheet } from '../theme/sheetText';
import type { RecolouredSheets } from './recolourSheets';
import { withInside } from './inside';
import { isInside } from './paths';
import type { Recoloured } from './recolourFile';

/** A piece that was written, with what the file was before. */
export interface WrittenPiece extends Pick<Recoloured, 'bytes' | 'note'> {
  readonly path: string;
}

/** A file of a set that is handed over. */
export interface SetHanded extends TypedFile {
  readonly changed: boolean;
}

export const listName = 'recoloured.txt';

const same = (a: Uint8Array, b: Uint8Array): boolean =>
  a.length === b.length && a.every((v, i) => v === b[i]);

/**
 * What was changed, to be read: each piece with its size and bytes, each line of the style sheets
 * with both colours.
 */
function changeList(
  set: PieceSet,
  changed: ReadonlyMap<string, Uint8Array>,
  { lines }: RecolouredSheets,
): string {
  const notes = set.others.filter((o) => o.why);
  const pieces = set.pieces.filter((p) => changed.has(p.path));
  const followed = lines.filter((l) => l.follows && l.old !== l.to);
  return [
    `${set.name}, recoloured${set.recipe.name ? ` with “${set.recipe.name}”` : ''}`,
    '',
    `${pieces.length} of ${set.pieces.length} pictures`,
    ...pieces.map(
      (p) =>
        `  ${p.path}  ${p.width}×${p.height}  ${kilobytes(p.bytes)} → ${kilobytes(changed.get(p.path)!.length)}`,
    ),
    '',
    `${followed.length} colours of the style sheets`,
    ...followed.map(
      (l) => `  ${l.file}, line ${l.line}  ${l.selector} { ${l.property} }  ${l.old} → ${l.to}`,
    ),
    ...(notes.length > 0
      ? ['', 'Left as they are', ...notes.map((o) => `  ${o.path}  ${o.why}`)]
      : []),
    '',
  ].join('\n');
}

/**
 * The files of a recoloured set under their own paths, and a list of what changed.
 * @param originals every file of the set as it came, by its path
 * @param pieces the written pieces by path; those left out need none
 * @param all whether files that did not change are among them
 */
export function setFiles(
  set: PieceSet,
  originals: ReadonlyMap<string, Uint8Array<ArrayBuffer>>,
  pieces: ReadonlyMap<string, WrittenPiece>,
  followed: RecolouredSheets,
  all: boolean,
): SetHanded[] {
  const original = (path: string): Uint8Array<ArrayBuffer> => {
    const bytes = originals.get(path);
    if (!bytes) {
      throw new Error(`Expected the file ${path} of the set.`);
    }
    return bytes;
  };
  const changed = new Map(
    set.pieces.flatMap((p) => {
      const bytes = p.leftOut ? undefined : pieces.get(p.path)?.bytes;
      return bytes && !same(bytes, original(p.path)) ? [[p.path, bytes] as const] : [];
    }),
  );
  const file = (path: string, bytes: Uint8Array<ArrayBuffer>): SetHanded => ({
    path,
    type: fileType(path),
    bytes,
    changed: !same(bytes, original(path)),
  });
  const sheet = (path: string) =>
    file(
      path,
      encodeStylesheet(
        withInside({ path, text: followed.sheets.get(path)! }, original(path), (p) =>
          changed.get(p),
        ),
        original(path),
      ),
    );
  const own = <F extends { readonly path: string }>(all: readonly F[]) =>
    all.filter((f) => !isInside(f.path, set.sheets));
  const files = [
    ...own(set.pieces).map((p) => file(p.path, changed.get(p.path) ?? original(p.path))),
    ...set.sheets.map((s) => sheet(s.path)),
    ...own(set.others).map((o) => file(o.path, original(o.path))),
  ];
  const taken = new Set(files.map((f) => f.path));
  const list: SetHanded = {
    path: taken.has(listName) ? `soyez-${listName}` : listName,
    type: 'text/plain',
    bytes: strToU8(changeList(set, changed, followed)) as Uint8Array<ArrayBuffer>,
    changed: true,
  };
  return [...(all ? files : files.filter((f) => f.changed)), list];
}

export const setArchiveName = (set: Pick<PieceSet, 'name'>): string =>
  `${safeName(set.name)}-recoloured.zip`;
