'use client';

import { useEffect, useState } from 'react';
import type { Place } from '@/core/arrange/box';
import type { Area } from './AreaBox';

/**
 * What the arrows do while a tool is held: they move a cursor over the picture, and Enter uses the
 * tool where it is.
 */
export function useCursor(
  area: Area,
  start: Place,
  act: (at: Place) => void,
  leave: () => void,
): [Place | undefined, (at: Place | undefined) => void] {
  const [at, setAt] = useState<Place>();
  useEffect(() => {
    area.element.current?.focus({ preventScroll: true });
  }, [area.element]);
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      // Fields and buttons keep their keys.
      if (
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, button, select, [role="slider"], [role="dialog"]')
      ) {
        return;
      }
      const by = event.shiftKey ? 10 : 1;
      const [dx, dy] = (
        {
          ArrowLeft: [-by, 0],
          ArrowRight: [by, 0],
          ArrowUp: [0, -by],
          ArrowDown: [0, by],
        } as Record<string, [number, number]>
      )[event.key] ?? [0, 0];
      if (dx || dy) {
        setAt((p) => ({ x: (p ?? start).x + dx, y: (p ?? start).y + dy }));
      } else if (event.key === 'Enter') {
        act(at ?? start);
      } else if (event.key === 'Escape') {
        leave();
      } else {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
    };
    window.addEventListener('keydown', key, true);
    return () => window.removeEventListener('keydown', key, true);
  });
  return [at, setAt];
}
