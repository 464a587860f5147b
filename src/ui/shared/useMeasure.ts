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
    const observer = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, size];
}
