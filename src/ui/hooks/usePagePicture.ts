'use client';

import { useEffect, useState } from 'react';
import type { FrozenPage } from '@/core/ownPage/frozen';
import type { Raster } from '@/core/raster/raster';
import { say } from '../shared/notices';
import { theEngine } from './tab/engine';

/**
 * The pixels of a page that is a picture; undefined until they are read, and where it is none.
 * @param page undefined for a page that is no picture
 */
export function usePagePicture(page: FrozenPage | undefined): Raster | undefined {
  const [held, setHeld] = useState<{ page: FrozenPage; raster: Raster }>();
  useEffect(() => {
    if (!page?.files[0]) {
      return;
    }
    let current = true;
    theEngine()
      .decode(page.files[0].bytes)
      .then((raster) => {
        if (current) {
          setHeld({ page, raster });
        }
      })
      .catch((error: unknown) =>
        say('bad', error instanceof Error ? error.message : String(error)),
      );
    return () => {
      current = false;
    };
  }, [page]);
  return held && held.page === page ? held.raster : undefined;
}
