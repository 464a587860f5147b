'use client';

import { useSyncExternalStore } from 'react';

/** A window with too little room for the picture and what acts on it at once, CSS px. */
const low = '(max-height: 560px), (max-width: 767px)';

function subscribe(changed: () => void): () => void {
  const query = window.matchMedia(low);
  query.addEventListener('change', changed);
  return () => query.removeEventListener('change', changed);
}

/** The window is low or narrow, such as a usual one at 200 percent. */
export const useLow = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => window.matchMedia(low).matches,
    () => false,
  );
