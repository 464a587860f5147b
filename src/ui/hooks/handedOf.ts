import type { RecolouredSheets } from '@/core/set/recolourSheets';
import type { SetHanded } from '@/core/set/produce';
import type { Recoloured } from '@/core/set/recolourFile';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { theSetFiles } from './tab/setFiles';

/** A set as it is given, with its files written and its style sheets as they follow. */
export interface SetGiven {
  readonly set: PieceSet;
  readonly files: ReadonlyMap<string, Recoloured>;
  readonly followed: RecolouredSheets;
}

/** What is handed over of a set; with `all`, files that did not change too. */
export const handedOf = (
  { set, files, followed }: SetGiven,
  all: boolean,
): Promise<readonly SetHanded[]> => theSetFiles().handed(set, files, followed, all);
