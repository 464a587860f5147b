'use client';

import { useEffect, useState } from 'react';
import type { SmallKind } from '@/core/shelf/small';
import { letGoOfUrl } from '../shared/letGoOfUrl';
import { theSmallPictures } from './tab/smallPictures';

/** An address for an asset made small; undefined until it is there, or where there is none. */
export function useSmallPicture(assetId: string, kind: SmallKind = 'card'): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    const leave = theSmallPictures().want(assetId, kind, (small) => {
      made = small && URL.createObjectURL(small);
      setUrl(made);
    });
    return () => {
      leave();
      if (made) {
        letGoOfUrl(made);
      }
    };
  }, [assetId, kind]);
  return url;
}
