'use client';

import { useEffect, useState } from 'react';
import type { Size } from '@/core/frame/placement';
import type { PhotoLook } from '@/engine/protocol';
import { theEngine } from './services';

export type { PhotoLook } from '@/engine/protocol';

/**
 * Best parts and main colours of a photo for a slot; undefined while they are looked for, and where
 * the photo cannot be read.
 */
export function usePhotoLook(
  assetId: string | undefined,
  { width, height }: Size,
): PhotoLook | undefined {
  const key = `${assetId} ${width}×${height}`;
  const [found, setFound] = useState<{ key: string; look: PhotoLook }>();
  useEffect(() => {
    if (!assetId) {
      return;
    }
    let current = true;
    // The bench says what is wrong with a photo that cannot be read.
    theEngine()
      .look(assetId, { width, height })
      .then(
        (look) => {
          if (current) {
            setFound({ key, look });
          }
        },
        () => {},
      );
    return () => {
      current = false;
    };
  }, [assetId, width, height, key]);
  return found?.key === key ? found.look : undefined;
}
