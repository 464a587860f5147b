'use client';

import { useEffect, useState } from 'react';
import type { FrozenPage } from '@/core/ownPage/frozen';
import { wordsOf } from '@/core/refusal';
import type { PagePicture } from '@/engine/engine';
import { notify } from '../shared/notices';
import { theEngine } from './tab/engine';

/**
 * What is seen in a page that is a picture; undefined until it is read, and where it is none.
 * @param page undefined for a page that is no picture
 */
export function usePagePicture(page: FrozenPage | undefined): PagePicture | undefined {
  const [held, setHeld] = useState<{ page: FrozenPage; picture: PagePicture }>();
  useEffect(() => {
    if (!page?.files[0]) {
      return;
    }
    let current = true;
    theEngine()
      .readPagePicture(page.files[0].bytes)
      .then(
        (picture) => {
          if (current) {
            setHeld({ page, picture });
          }
        },
        (error: unknown) => notify('bad', wordsOf(error)),
      );
    return () => {
      current = false;
    };
  }, [page]);
  return held && held.page === page ? held.picture : undefined;
}
