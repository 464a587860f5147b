'use client';

import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { useStore } from 'zustand';
import { openSession, type Session } from '@/store/session';
import type { Site } from '@/core/site/model/site';
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
export const forgetSession = (siteId: string): void => {
  sessions.delete(siteId);
};

export function useSession(siteId: string): Opened {
  const [opened, setOpened] = useState<{ siteId: string; value: Opened }>();
  useEffect(() => {
    let current = true;
    const set = (value: Opened) => {
      if (current) {
        setOpened({ siteId, value });
      }
    };
    const existing = sessions.get(siteId) ?? openSession(theDatabase(), siteId, now);
    sessions.set(siteId, existing);
    existing.then(
      (session) => {
        if (!session) {
          sessions.delete(siteId);
        }
        set(session ? { state: 'open', session } : { state: 'absent' });
      },
      (error: unknown) => {
        sessions.delete(siteId);
        set({ state: 'failed', message: error instanceof Error ? error.message : String(error) });
      },
    );
    return () => {
      current = false;
    };
  }, [siteId]);
  return opened?.siteId === siteId ? opened.value : { state: 'opening' };
}

/**
 * While a gesture goes on, screens follow it this often, ms; the picture itself is drawn without
 * waiting for them.
 */
const followEvery = 90;

/** The site as it is to be seen now: at once after an edit, every few frames during a gesture. */
export function useSite(session: Session): Site {
  const subscribe = useCallback(
    (changed: () => void) => {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const stop = () => {
        clearTimeout(timer);
        timer = undefined;
      };
      const leave = session.state.subscribe((state) => {
        if (!state.previewing) {
          stop();
          seen.current = state.site;
          changed();
        } else {
          timer ??= setTimeout(() => {
            timer = undefined;
            seen.current = session.state.getState().site;
            changed();
          }, followEvery);
        }
      });
      return () => {
        stop();
        leave();
      };
    },
    [session],
  );
  const seen = useRef<Site>(undefined);
  return useSyncExternalStore(
    subscribe,
    () => (seen.current ??= session.state.getState().site),
    () => session.state.getState().site,
  );
}

export const useHistory = (
  session: Session,
): { undoLabel?: string; redoLabel?: string; saved: 'saved' | 'saving' | 'failed' } => ({
  undoLabel: useStore(session.state, (s) => s.undoLabel),
  redoLabel: useStore(session.state, (s) => s.redoLabel),
  saved: useStore(session.state, (s) => s.saved),
});
