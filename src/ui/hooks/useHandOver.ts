'use client';

import { useState } from 'react';
import type { Site } from '@/core/site/model/site';
import { makeHandOver, nothingMade, type Making as Made } from '@/work/handOverFiles';
import { theHandOver } from './tab/handOver';
import { useLatestTask } from './useLatestTask';
import { useOwnFonts } from './useOwnFonts';

export interface Making extends Made {
  /** Nothing is made, and nothing will be before it is asked for. */
  readonly stopped: boolean;
  stop(): void;
  start(): void;
}

/** Makes the hand-over of a site as it is, and anew whenever it has changed. */
export function useHandOver(site: Site): Making {
  useOwnFonts(site);
  const { value, running, stop, start } = useLatestTask(
    site,
    nothingMade,
    (turn) => makeHandOver(site, theHandOver(), turn),
    { debounceMs: 250 },
  );
  const [stoppedFor, setStoppedFor] = useState<Site>();
  return {
    ...value,
    running: running ? value.running : undefined,
    stopped: !running && (stoppedFor === site || value.failure !== undefined),
    stop() {
      setStoppedFor(site);
      stop();
    },
    start() {
      setStoppedFor(undefined);
      start();
    },
  };
}
