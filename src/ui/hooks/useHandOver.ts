'use client';

import type { Site } from '@/core/site/model/site';
import { makeHandOver, nothingMade, type Making as Made } from '@/work/handOverFiles';
import { theHandOver } from './tab/handOver';
import { useKeyed } from './useKeyed';
import { useOwnFonts } from './useOwnFonts';

export interface Making extends Made {
  stop(): void;
  start(): void;
}

/** Makes the hand-over of a site as it is, and anew whenever it has changed. */
export function useHandOver(site: Site): Making {
  useOwnFonts(site);
  const { value, running, stop, start } = useKeyed(
    site,
    nothingMade,
    (turn) => makeHandOver(site, theHandOver(), turn),
    { rest: 250 },
  );
  return { ...value, running: running ? value.running : undefined, stop, start };
}
