'use client';

import { useEffect } from 'react';
import { notify } from './notices';

/** How long after a screen has come other work still goes first, in ms. */
const after = 3000;

/** Keeps the application for use without a connection, once the screen is there and calm. */
export function useOffline(): void {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) {
      return;
    }
    const timer = setTimeout(() => {
      void import('../hooks/tab/offline')
        .then(({ keepForOffline }) =>
          keepForOffline((take) =>
            notify('done', 'A newer Soyez is ready.', { label: 'Start it', run: take }),
          ),
        )
        // It works as well as before, with a connection.
        .catch(() => undefined);
    }, after);
    return () => clearTimeout(timer);
  }, []);
}
