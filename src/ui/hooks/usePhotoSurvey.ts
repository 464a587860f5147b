'use client';

import type { PhotoSurvey } from '@/core/frame/photoSurvey';
import type { Size } from '@/core/frame/placement';
import type { PhotoLayer } from '@/core/site/model/photoLayer';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

/**
 * Best parts and main colours of a photo for a slot; undefined while they are sought, and where
 * the photo cannot be read.
 */
export function usePhotoSurvey(
  photo: Pick<PhotoLayer, 'assetId' | 'sourceWidth' | 'sourceHeight'> | undefined,
  { width, height }: Size,
): PhotoSurvey | undefined {
  const { value, current } = useLatestTask<PhotoSurvey | undefined>(
    photo && `${photo.assetId} ${width}×${height}`,
    undefined,
    async ({ update }) => {
      // The bench says what is wrong with a photo that cannot be read.
      const { assetId, sourceWidth, sourceHeight } = photo!;
      const size = { width: sourceWidth, height: sourceHeight };
      const survey = await theEngine().surveyPhoto({ assetId, size }, { width, height });
      update(() => survey);
    },
  );
  return current ? value : undefined;
}
