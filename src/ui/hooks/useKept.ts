'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { allKept, type SaveState } from '@/work/saveStatus';
import { theSaveStatus } from './tab/saveStatus';

/** Whether everything done in this tab is on the disk, and of which site it is not. */
export const useKept = (): SaveState =>
  useSyncExternalStore(
    (changed) => theSaveStatus().state.subscribe(changed),
    () => theSaveStatus().state.getState(),
    () => allKept,
  );

/** Closes a site that another tab removed; what was not kept of it goes. */
export const letGo = (siteId: string): void => theSaveStatus().forget(siteId);

/** Keeps what is still open when the tab is hidden, and asks before unwritten work is left. */
export function useGuardedLeaving(): void {
  useEffect(() => {
    const flush = () => theSaveStatus().flush();
    const hidden = () => {
      if (document.visibilityState === 'hidden') {
        flush();
      }
    };
    const leaving = (event: BeforeUnloadEvent) => {
      flush();
      if (theSaveStatus().unwritten) {
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
