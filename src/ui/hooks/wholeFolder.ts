import { wholeFolder, type ChangedFile } from '@/core/handover/ownPageChanges';
import type { TypedFile } from '@/core/handover/zipFiles';
import type { OwnPage } from '@/core/site/model/ownPage';
import { storedAsset } from './tab/assets';

/** The folder that a page came in, with what changes of it. */
export const folderWith = (
  own: OwnPage,
  changed: readonly ChangedFile[],
  pictures: readonly TypedFile[],
): Promise<TypedFile[]> => wholeFolder(own, changed, pictures, storedAsset);
