'use client';

import { useEffect, useState } from 'react';
import { assetBytes } from '@/store/assets';
import { letGoOfUrl } from '../shared/letGoOfUrl';
import { theDatabase } from './tab/database';

/** An address for an asset's own bytes, for small previews; undefined until it is read. */
export function useAssetUrl(assetId: string): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let made: string | undefined;
    let gone = false;
    assetBytes(theDatabase(), assetId).then(
      (bytes) => {
        if (gone) {
          return;
        }
        const type = bytes[0] === 0x3c ? 'image/svg+xml' : '';
        made = URL.createObjectURL(new Blob([bytes], { type }));
        setUrl(made);
      },
      () => {},
    );
    return () => {
      gone = true;
      if (made) {
        letGoOfUrl(made);
      }
    };
  }, [assetId]);
  return url;
}
