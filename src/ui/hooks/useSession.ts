'use client';

import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { openSession, type Session } from '@/store/session';
import type { Site } from '@/core/site/model';
import { theDatabase } from './services';

export type { Session } from '@/store/session';

export type Opened =
  | { readonly state: 'opening' }
  | { readonly state: 'absent' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'open'; readonly session: Session };

/** Sessions are kept for the tab, so that undo and unsaved writes outlive a change of screen. */
const sessions = new Map<string, Promise<Session | undefined>>();

/** The clock; the store is handed it so that its tests can hand in another. */
const now = () => Date.now();

/** Drops a session, after its site was removed. */
export const forgetSession = (siteId: string): void => { sessions.delete(siteId); };

export function useSession(siteId: string): Opened {
  const [opened, setOpened] = useState<{ siteId: string; value: Opened }>();
  useEffect(() => {
    let current = true;
    const set = (value: Opened) => { if (current) setOpened({ siteId, value }); };
    const existing = sessions.get(siteId) ?? openSession(theDatabase(), siteId, now);
    sessions.set(siteId, existing);
    existing.then(
      (session) => {
        if (!session) sessions.delete(siteId);
        set(session ? { state: 'open', session } : { state: 'absent' });
      },
      (error: unknown) => {
        sessions.delete(siteId);
        set({ state: 'failed', message: error instanceof Error ? error.message : String(error) });
      },
    );
    return () => { current = false; };
  }, [siteId]);
  return opened?.siteId === siteId ? opened.value : { state: 'opening' };
}

/** The site as it is to be seen now, previews included. */
export const useSite = (session: Session): Site => useStore(session.state, (s) => s.site);

export const useHistory = (session: Session): { undoLabel?: string; redoLabel?: string; saved: 'saved' | 'saving' | 'failed' } => ({
  undoLabel: useStore(session.state, (s) => s.undoLabel),
  redoLabel: useStore(session.state, (s) => s.redoLabel),
  saved: useStore(session.state, (s) => s.saved),
});
