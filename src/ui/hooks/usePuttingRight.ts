'use client';

import { useEffect, useState } from 'react';
import type { Reading } from '@/core/readings/reading';
import { chain, type Edit } from '@/core/site/edit';
import type { Site } from '@/core/site/model/site';
import type { Slot } from '@/core/site/model/slot';
import { puttingRight } from '@/work/puttingRight';
import { theFiles } from './tab/files';

/**
 * The mends of some readings as one edit, made to hold together.
 * @returns undefined while that is being measured
 */
export function usePuttingRight(
  site: Site,
  slot: Slot,
  chosen: readonly Reading[],
): Edit | undefined {
  const [found, setFound] = useState<{ chosen: readonly Reading[]; edit: Edit }>();
  useEffect(() => {
    let current = true;
    const first = chain(...chosen.map((r) => r.mend!.edit));
    const ids = chosen.map((r) => r.id);
    // One mend was found with all else as it is.
    const all =
      chosen.length < 2
        ? Promise.resolve(first)
        : puttingRight(theFiles(), { site, slot }, first, ids, () => current);
    void all
      // Where nothing can be measured now, each is done as it was found; its reading tells.
      .catch(() => first)
      .then((edit) => {
        if (current) {
          setFound({ chosen, edit });
        }
      });
    return () => {
      current = false;
    };
  }, [site, slot, chosen]);
  return found?.chosen === chosen ? found.edit : undefined;
}
