'use client';

import { useStore } from 'zustand';
import { notSearched, type LightestState } from '@/work/lightestFiles';
import { theLightestFiles } from './tab/lightestFiles';
import type { Session } from './useSession';

export type { LightestEnd, LightestProgress, MissedFile } from '@/work/lightestFiles';

/** How far the search for all files of a site has come, begun and given up here. */
export function useLightestFiles(
  session: Session,
): LightestState & { start(): void; stop(): void } {
  const files = theLightestFiles();
  const state = useStore(files.state, (s) => s.get(session.siteId) ?? notSearched);
  return {
    ...state,
    start: () => void files.start(session),
    stop: () => files.stop(session.siteId),
  };
}
