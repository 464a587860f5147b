'use client';

import { useEffect, useState } from 'react';
import type { SmallKind } from '@/core/shelf/small';
import { theAddresses } from './tab/addresses';
import { theSmallPictures } from './tab/smallPictures';

/**
 * An address for an asset made small; undefined until it is there, or where there is none. What was
 * shown lately is there at once.
 */
export function useSmallPicture(assetId: string, kind: SmallKind = 'card'): string | undefined {
  const key = `${kind} ${assetId}`;
  const [, setCame] = useState<Blob>();
  useEffect(() => {
    const release = theAddresses().hold(key);
    const leave = theAddresses().at(key)
      ? undefined
      : theSmallPictures().want(assetId, kind, (small) => {
          if (small) {
            theAddresses().put(key, small);
            setCame(small);
          }
        });
    return () => {
      leave?.();
      release();
    };
  }, [key, assetId, kind]);
  return theAddresses().at(key);
}
