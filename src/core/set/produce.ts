import { strToU8 } from 'fflate';
import { safeName } from '../handover/fileName';
import { fileType } from '../handover/fileType';
import type { TypedFile } from '../handover/zipFiles';
import { kilobytes } from '../readings/say';
import type { PieceSet } from '../site/model/pieceSet';
import { encodeStylesheet } from '../theme/stylesheet';
import type { Followed } from './follow';
import type { Recoloured } from './recolourFile';

/** A piece that was written, with what the file was before. */
export interface WrittenPiece extends Pick<Recoloured, 'bytes' | 'note'> { readonly path: string }

/** A file of a set that is handed over. */
export interface SetHanded extends TypedFile { readonly changed: boolean }

export const listName = 'recoloured.txt';

const same = (a: Uint8Array, b: Uint8Array): boolean => a.length === b.length && a.every((v, i) => v === b[i]);

/** What was changed, to be read: each piece with its size and bytes, each line of the style sheets with both colours. */
function changeList(set: PieceSet, changed: readonly SetHanded[], { lines, inline }: Pick<Followed, 'lines' | 'inline'>): string {
  const paths = new Set(changed.map((c) => c.path)), bytes = new Map(changed.map((c) => [c.path, c.bytes.length])), notes = set.others.filter((o) => o.why);
  const pieces = set.pieces.filter((p) => paths.has(p.path)), followed = lines.filter((l) => l.follows && l.old !== l.to);
  return [
    `${set.name}, recoloured${set.recipe.name ? ` with “${set.recipe.name}”` : ''}`, '',
    `${pieces.length} of ${set.pieces.length} pictures`, ...pieces.map((p) => `  ${p.path}  ${p.width}×${p.height}  ${kilobytes(p.bytes)} → ${kilobytes(bytes.get(p.path)!)}`), '',
    `${followed.length} colours of the style sheets`, ...followed.map((l) => `  ${l.file}, line ${l.line}  ${l.selector} { ${l.property} }  ${l.old} → ${l.to}`),
    ...(notes.length + inline.length > 0 ? ['', 'Left as they are', ...notes.map((o) => `  ${o.path}  ${o.why}`), ...inline.map((i) => `  ${i.file}, line ${i.line}  a picture inside the style sheet`)] : []), '',
  ].join('\n');
}

/**
 * The files of a recoloured set under their own paths, and a list of what changed.
 * @param originals every file of the set as it came, by its path
 * @param pieces the written pieces by path; those left out need none
 * @param all whether files that did not change are among them
 */
export function setFiles(set: PieceSet, originals: ReadonlyMap<string, Uint8Array<ArrayBuffer>>, pieces: ReadonlyMap<string, WrittenPiece>, followed: Followed, all: boolean): SetHanded[] {
  const original = (path: string): Uint8Array<ArrayBuffer> => { const bytes = originals.get(path); if (!bytes) throw new Error(`Expected the file ${path} of the set.`); return bytes; };
  const file = (path: string, bytes: Uint8Array<ArrayBuffer>): SetHanded => ({ path, type: fileType(path), bytes, changed: !same(bytes, original(path)) });
  const files = [
    ...set.pieces.map((p) => file(p.path, (p.leftOut ? undefined : pieces.get(p.path)?.bytes) ?? original(p.path))),
    ...set.sheets.map((s) => file(s.path, encodeStylesheet(followed.sheets.get(s.path)!, original(s.path)))),
    ...set.others.map((o) => file(o.path, original(o.path))),
  ];
  const changed = files.filter((f) => f.changed), taken = new Set(files.map((f) => f.path));
  const list: SetHanded = { path: taken.has(listName) ? `soyez-${listName}` : listName, type: 'text/plain', bytes: strToU8(changeList(set, changed, followed)) as Uint8Array<ArrayBuffer>, changed: true };
  return [...(all ? files : changed), list];
}

export const setArchiveName = (set: Pick<PieceSet, 'name'>): string => `${safeName(set.name)}-recoloured.zip`;
