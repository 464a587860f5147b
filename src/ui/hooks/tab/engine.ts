'use client';

import type { WorkerLike } from '@/engine/channel';
import { createEngine, type Engine } from '@/engine/engine';
import { storedAsset } from './assets';
import { lazily } from '@/core/lazily';

export type { View } from '@/engine/engine';

const asWorker = (worker: Worker): WorkerLike => worker as unknown as WorkerLike;

/** The workers. Bundlers find a worker by these very words. */
export const theEngine = lazily((): Engine =>
  createEngine({
    spawnRender: () =>
      asWorker(
        new Worker(new URL('../../../engine/render.worker.ts', import.meta.url), {
          type: 'module',
        }),
      ),
    spawnCodec: () =>
      asWorker(
        new Worker(new URL('../../../engine/codec.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnTheme: () =>
      asWorker(
        new Worker(new URL('../../../engine/theme.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnSet: () =>
      asWorker(
        new Worker(new URL('../../../engine/set.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnSheet: () =>
      asWorker(
        new Worker(new URL('../../../engine/sheet.worker.ts', import.meta.url), { type: 'module' }),
      ),
    spawnBulk: () =>
      asWorker(
        new Worker(new URL('../../../engine/bulk.worker.ts', import.meta.url), { type: 'module' }),
      ),
    assetBytes: storedAsset,
  }),
);
