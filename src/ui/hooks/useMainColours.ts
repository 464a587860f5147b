'use client';

import { hexOf } from '@/core/colour/hex';
import type { MainColours } from '@/core/harmony/applyHarmony';
import type { ShelfItem } from '@/core/site/model/shelf';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

const none: MainColours = new Map();
/** The main colours do not depend on the frame that a file is looked at for. */
const frame = { width: 400, height: 300 };

/**
 * The commonest colour of each of some files; those that cannot be read are left out.
 * @param shelf says how large they are
 */
export function useMainColours(
  assetIds: readonly string[],
  shelf: readonly ShelfItem[],
): MainColours {
  const { value } = useLatestTask<MainColours>(
    assetIds.length > 0 ? assetIds.join(' ') : undefined,
    none,
    async ({ update, isCurrent }) => {
      for (const assetId of assetIds) {
        if (!isCurrent()) {
          return;
        }
        const survey = await theEngine()
          .surveyPhoto({ assetId, size: shelf.find((i) => i.assetId === assetId) }, frame)
          .catch(() => undefined);
        const main = survey?.colours[0];
        if (main) {
          update((known) => new Map([...known, [assetId, hexOf(main.colour)]]));
        }
      }
    },
  );
  return value;
}
