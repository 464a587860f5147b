'use client';

import type { PhotoLook } from '@/core/frame/photoLook';
import type { Size } from '@/core/frame/placement';
import { theEngine } from './tab/engine';
import { useKeyed } from './useKeyed';

/**
 * Best parts and main colours of a photo for a slot; undefined while they are looked for, and where
 * the photo cannot be read.
 */
export function usePhotoLook(
  assetId: string | undefined,
  { width, height }: Size,
): PhotoLook | undefined {
  const { value, current } = useKeyed<PhotoLook | undefined>(
    assetId && `${assetId} ${width}×${height}`,
    undefined,
    async ({ put }) => {
      // The bench says what is wrong with a photo that cannot be read.
      const look = await theEngine().look(assetId!, { width, height });
      put(() => look);
    },
  );
  return current ? value : undefined;
}
