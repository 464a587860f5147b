'use client';

import { lazily } from '@/core/lazily';
import { smallRooms, type SmallKind } from '@/core/shelf/small';
import { putSmallPicture, smallPicture } from '@/store/smallPictures';
import { SmallPictures } from '@/work/smallPictures';
import { storedAsset } from './assets';
import { theDatabase } from './database';
import { theEngine } from './engine';
import { pictureFile } from './pictureFile';

type Bytes = Uint8Array<ArrayBuffer>;

/** Drawings too: a browser reads what styles and uses again in one, however deep. */
const shrink = async (bytes: Bytes, kind: SmallKind): Promise<Blob> =>
  pictureFile(await theEngine().shrink(bytes, smallRooms[kind]), 'image/webp');

/** The owner's pictures made small. */
export const theSmallPictures = lazily(
  () =>
    new SmallPictures<Blob>({
      kept: (assetId, kind) => smallPicture(theDatabase(), assetId, kind),
      bytes: storedAsset,
      shrink,
      keep: (assetId, kind, small) => putSmallPicture(theDatabase(), assetId, kind, small),
    }),
);
