'use client';

import { Intake } from '@/work/intake';
import { notify } from '../../shared/notices';
import { storeAsset } from './assets';
import { theEngine } from './engine';

/** Takes pictures in, for one place where they are dropped. */
export const newIntake = (): Intake =>
  new Intake({
    inspect: async (name, bytes) =>
      (await import('@/core/measure/inspect')).inspectPicture(name, bytes),
    read: theEngine().readPhoto,
    store: storeAsset,
    adopt: theEngine().adopt,
    refused: (words) => notify('bad', words),
  });
