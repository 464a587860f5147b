'use client';

import type { HarmonySeed } from '@/core/harmony/harmony';
import { seedOfPhoto } from '@/core/harmony/seedOfPhoto';
import { wordsOf } from '@/core/refusal';
import type { LookedAt } from '@/engine/protocol';
import { theEngine } from './tab/engine';
import { useLatestTask } from './useLatestTask';

export interface PhotoSeed {
  /** Undefined while the photograph is looked at, and where it cannot be read. */
  readonly seed: HarmonySeed | undefined;
  readonly problem: string | undefined;
}

/** The main colours do not depend on the frame that a photograph is looked at for. */
const frame = { width: 400, height: 300 };
const nothing: PhotoSeed = { seed: undefined, problem: undefined };

/** The colours that a photograph speaks of. */
export function usePhotoSeed(photo: LookedAt | undefined): PhotoSeed {
  const { value, current } = useLatestTask<PhotoSeed>(
    photo?.assetId,
    nothing,
    async ({ update }) => {
      try {
        const { colours } = await theEngine().surveyPhoto(photo!, frame);
        const seed = seedOfPhoto(colours);
        update(() => ({ seed, problem: seed ? undefined : 'It is see-through all over.' }));
      } catch (error) {
        update(() => ({
          seed: undefined,
          problem: wordsOf(error),
        }));
      }
    },
  );
  return current ? value : nothing;
}
