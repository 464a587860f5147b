import type { PackedFile } from '@/core/files/unzip';
import type { OpenedPage } from '@/core/ownPage/openPages';
import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { HandedFile } from '@/core/handover/ports';
import { themeFolder } from '@/core/handover/produce';
import { filesOfSet, isInside } from '@/core/set/paths';
import type { Recoloured } from '@/core/set/recolourFile';
import type { PieceSet } from '@/core/site/model/pieceSet';
import type { SetFiles } from './setFiles';

/** Opens saved pages, or builds one of style sheets. */
type OpenPages = (files: readonly PackedFile[]) => Promise<readonly OpenedPage[]>;

/** The pages of a set as they came: those among its files, or one that is built of its sheets. */
export async function pagesOfSet(
  files: SetFiles,
  set: PieceSet,
  open: OpenPages,
): Promise<readonly OpenedPage[]> {
  const originals = await files.originals(set);
  return open(
    [...originals].flatMap(([path, bytes]) =>
      isInside(path, set.sheets) ? [] : [{ path, bytes }],
    ),
  );
}

/** The same with what is written so far, and with the style sheets that follow. */
export async function pagesRecoloured(
  files: SetFiles,
  set: PieceSet,
  written: ReadonlyMap<string, Recoloured>,
  followed: RecolouredSheets,
  open: OpenPages,
): Promise<readonly OpenedPage[]> {
  const handed = await files.handed(set, written, followed, true);
  const own = new Set([...set.pieces, ...set.sheets, ...set.others].map((f) => f.path));
  return open(handed.filter((f) => own.has(f.path)).map(({ path, bytes }) => ({ path, bytes })));
}

/**
 * The files of a set among those of a hand-over, by their own paths: some lie on the plan and are
 * the plan's, or all are in a folder of their own.
 */
export function setFilesAmong(set: PieceSet, files: readonly HandedFile[]): PackedFile[] {
  const own = new Set(filesOfSet(set).map((f) => f.path));
  const apart = `${themeFolder}/`;
  return files.flatMap(({ path, bytes, theme, planned }) => {
    const known =
      theme && path.startsWith(apart) && !own.has(path) ? path.slice(apart.length) : path;
    return (theme || planned) && own.has(known) ? [{ path: known, bytes }] : [];
  });
}
