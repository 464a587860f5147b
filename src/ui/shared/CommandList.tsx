'use client';

import { lazy, Suspense, useEffect, type ComponentProps } from 'react';
import type { CommandPalette as Palette } from './CommandPalette';

const load = () => import('./CommandPalette');
const CommandPalette = lazy(async () => ({ default: (await load()).CommandPalette }));

/** Its code comes once the screen is there, so that it is at hand when it is asked for. */
export function CommandList(props: ComponentProps<typeof Palette>) {
  useEffect(() => {
    const timer = setTimeout(() => void load(), 1500);
    return () => clearTimeout(timer);
  }, []);
  return props.open ? (
    <Suspense fallback={null}>
      <CommandPalette {...props} />
    </Suspense>
  ) : null;
}
