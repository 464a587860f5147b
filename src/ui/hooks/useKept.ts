'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { allKept, type Stood } from '@/work/standing';
import { theStanding } from './tab/standing';

/** Whether everything done in this tab is on the disk, and of which site it is not. */
export const useKept = (): Stood =>
  useSyncExternalStore(
    (changed) => theStanding().state.subscribe(changed),
    () => theStanding().state.getState(),
    () => allKept,
  );

/** Closes a site that another tab removed; what was not kept of it goes. */
export const letGo = (siteId: string): void => theStanding().forget(siteId);

/** Keeps what is still open when the tab is hidden, and asks before unwritten work is left. */
export function useGuardedLeaving(): void {
  useEffect(() => {
    const flush = () => theStanding().flush();
    const hidden = () => {
      if (document.visibilityState === 'hidden') {
        flush();
      }
    };
    const leaving = (event: BeforeUnloadEvent) => {
      flush();
      if (theStanding().unwritten) {
        event.preventDefault();
      }
    };
    window.addEventListener('pagehide', flush);
    window.addEventListener('beforeunload', leaving);
    document.addEventListener('visibilitychange', hidden);
    return () => {
      window.removeEventListener('pagehide', flush);
      window.removeEventListener('beforeunload', leaving);
      document.removeEventListener('visibilitychange', hidden);
    };
  }, []);
}
