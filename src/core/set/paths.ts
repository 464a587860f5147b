import type { PieceSet, SetFile } from '../site/model/pieceSet';

/** Every asset a set needs. */
export const filesOfSet = ({ pieces, sheets, others }: PieceSet): readonly SetFile[] => [
  ...pieces,
  ...sheets,
  ...others,
];

/** The path is of a picture inside one of the style sheets. */
export const isInside = (path: string, sheets: readonly { readonly path: string }[]): boolean =>
  sheets.some((s) => path.startsWith(`${s.path}/`));
