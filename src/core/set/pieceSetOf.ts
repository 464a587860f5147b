import type { PieceSet } from '../site/model/pieceSet';
import type { Site } from '../site/model/site';
import { recipeForSet } from './edits';
import type { OpenedSet } from './openSet';

/**
 * A set of a site from what was opened: its first recipe is empty, from the set's main colour to
 * another of the theme.
 * @param idOf the asset that a file is stored as, by its path
 */
export function pieceSetOf(
  opened: OpenedSet,
  { theme }: Pick<Site, 'theme'>,
  idOf: (path: string) => string,
  recipeId: string,
): PieceSet {
  const filed = ({ path, bytes }: { path: string; bytes: Uint8Array }) => ({
    path,
    assetId: idOf(path),
    bytes: bytes.length,
  });
  const from = opened.colour ?? theme.colours[0]?.hex ?? '#3b4a45';
  return {
    name: opened.name.slice(0, 80),
    pieces: opened.pieces.map((piece) => ({
      ...filed(piece),
      width: piece.width,
      height: piece.height,
      format: piece.format,
      leftOut: piece.meant,
    })),
    sheets: opened.sheets.map(filed),
    others: opened.others.map((other) => ({ ...filed(other), why: other.why })),
    recipe: recipeForSet(recipeId, from),
    follows: [],
    from,
    to: theme.colours.find((c) => c.hex !== from)?.hex ?? '#a9b79a',
    lines: {},
  };
}
