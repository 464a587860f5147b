'use client';

import { createEngine, type Engine } from '@/engine/engine';
export type { View } from '@/engine/engine';
import type { WorkerLike } from '@/engine/channel';
import { assetBytes } from '@/store/assets';
import { Database } from '@/store/database';
import { siteStore } from '@/store/siteStore';
import { tabsOf, type Tabs } from '@/store/tabs';
import { OpenSites } from '@/work/openSites';
import { say } from '../shared/notices';

let database: Database | undefined;
let tabs: Tabs | undefined;
let sites: OpenSites | undefined;
let engine: Engine | undefined;

/** The browser's one database; opened by the first one who asks, and never on the server. */
export const theDatabase = (): Database => (database ??= new Database());

export const theTabs = (): Tabs => (tabs ??= tabsOf(theDatabase().name));

/** The sites that are open in this tab. */
export const theSites = (): OpenSites =>
  (sites ??= new OpenSites({
    store: siteStore(theDatabase(), theTabs()),
    now: () => Date.now(),
    newId: () => crypto.randomUUID(),
    later(ms, call) {
      const timer = setTimeout(call, ms);
      return () => clearTimeout(timer);
    },
    tell: (words) => say('bad', words),
  }));

/**
 * The one engine; its workers live as long as the tab, so decoded photos are kept from screen to
 * screen.
 */
export function theEngine(): Engine {
  engine ??= createEngine({
    spawnRender: () =>
      new Worker(new URL('../../engine/render.worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike,
    spawnCodec: () =>
      new Worker(new URL('../../engine/codec.worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike,
    spawnTheme: () =>
      new Worker(new URL('../../engine/theme.worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike,
    spawnSet: () =>
      new Worker(new URL('../../engine/set.worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike,
    spawnArchive: () =>
      new Worker(new URL('../../engine/archive.worker.ts', import.meta.url), {
        type: 'module',
      }) as unknown as WorkerLike,
    assetBytes: (id) => assetBytes(theDatabase(), id),
  });
  return engine;
}

/** Fonts for words drawn by the page itself: cards, the font list, headings of the plan. */
export { fontStyles } from '@/engine/fontFaces';
