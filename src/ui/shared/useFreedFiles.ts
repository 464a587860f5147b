'use client';

import { useEffect } from 'react';

/** How long after a screen has come all that the owner began is done first, ms. */
const after = 20_000;

/** Files that nothing needs any more are taken out of the browser, once the screen is calm. */
export function useFreedFiles(): void {
  useEffect(() => {
    const timer = setTimeout(() => {
      void import('../hooks/tab/looseFiles')
        .then(({ freeFilesDaily }) => freeFilesDaily())
        // It is done another time.
        .catch(() => undefined);
    }, after);
    return () => clearTimeout(timer);
  }, []);
}
