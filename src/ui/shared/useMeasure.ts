'use client';

import { useCallback, useState } from 'react';

/** The inner size of an element, px, kept as it changes. */
export function useMeasure(): [
  (element: HTMLElement | null) => (() => void) | undefined,
  { width: number; height: number },
] {
  const [size, setSize] = useState({ width: 0, height: 0 });
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) {
      return;
    }
    const observer = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = element;
      // An observer answers when it begins, too: the same size must not render anew.
      setSize((before) =>
        before.width === width && before.height === height ? before : { width, height },
      );
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
