import type { Followed } from '@/core/set/follow';
import type { SetHanded } from '@/core/set/produce';
import type { Recoloured } from '@/core/set/recolourFile';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { theSetFiles } from './tab/setFiles';

/** What is handed over of a set; with `all`, files that did not change too. */
export const handedOf = (
  set: PieceSet,
  files: ReadonlyMap<string, Recoloured>,
  followed: Followed,
  all: boolean,
): Promise<readonly SetHanded[]> => theSetFiles().handed(set, files, followed, all);
