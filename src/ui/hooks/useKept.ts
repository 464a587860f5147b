'use client';

import { useEffect, useSyncExternalStore } from 'react';
import type { Standing } from '@/work/openSites';
import { theTab } from './services';

const onServer: Standing = { kept: { state: 'kept' }, session: undefined };

/** Whether everything done in this tab is on the disk, and of which site it is not. */
export const useKept = (): Standing =>
  useSyncExternalStore(
    (changed) => theTab().sites.standing.subscribe(changed),
    () => theTab().sites.standing.getState(),
    () => onServer,
  );

/** Closes a site that another tab removed; what was not kept of it goes. */
export const letGo = (siteId: string): void => theTab().sites.forget(siteId);

/** Keeps what is still open when the tab is hidden, and asks before unwritten work is left. */
export function useGuardedLeaving(): void {
  useEffect(() => {
    const flush = () => theTab().sites.flush();
    const hidden = () => {
      if (document.visibilityState === 'hidden') {
        flush();
      }
    };
    const leaving = (event: BeforeUnloadEvent) => {
      flush();
      if (theTab().sites.unwritten) {
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
