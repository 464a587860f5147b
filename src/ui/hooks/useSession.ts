'use client';

import { useCallback, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { useStore } from 'zustand';
import { wordsOf } from '@/core/refusal';
import type { Kept } from '@/work/kept';
import type { Session } from '@/work/session';
import type { Site } from '@/core/site/model/site';
import { theSites } from './tab/sites';

export type { Session } from '@/work/session';

export type Opened =
  | { readonly state: 'opening' }
  | { readonly state: 'absent' }
  | { readonly state: 'failed'; readonly message: string }
  | { readonly state: 'open'; readonly session: Session };

export function useSession(siteId: string): Opened {
  const [opened, setOpened] = useState<{ siteId: string; value: Opened }>();
  useEffect(() => {
    let current = true;
    const set = (value: Opened) => {
      if (current) {
        setOpened({ siteId, value });
      }
    };
    theSites()
      .open(siteId)
      .then(
        (session) => set(session ? { state: 'open', session } : { state: 'absent' }),
        (error: unknown) => set({ state: 'failed', message: wordsOf(error) }),
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
        if (!state.previewing || state.begun) {
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

/** The site without what is only tried. */
export const useCommitted = (session: Session): Site => useStore(session.state, (s) => s.committed);

export const useHistory = (
  session: Session,
): { undoLabel?: string; redoLabel?: string; kept: Kept } => ({
  undoLabel: useStore(session.state, (s) => s.undoLabel),
  redoLabel: useStore(session.state, (s) => s.redoLabel),
  kept: useStore(session.state, (s) => s.kept),
});
