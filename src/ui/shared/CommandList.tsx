'use client';

import { useEffect, useState, type ComponentProps } from 'react';
import type { CommandPalette } from './CommandPalette';

type Palette = typeof CommandPalette;

/**
 * All commands. Their list is loaded as soon as the screen is there; what is typed before it has come
 * goes into it.
 */
export function CommandList(props: Omit<ComponentProps<Palette>, 'typed'>) {
  const [loaded, setLoaded] = useState<{ readonly Palette: Palette }>();
  const [typed, setTyped] = useState('');
  useEffect(() => {
    let current = true;
    void import('./CommandPalette').then(({ CommandPalette: found }) => {
      if (current) {
        setLoaded({ Palette: found });
      }
    });
    return () => {
      current = false;
    };
  }, []);
  if (loaded) {
    return <loaded.Palette {...props} typed={typed} />;
  }
  return props.open ? (
    <input
      autoFocus
      aria-label="All commands"
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      className="fixed top-16 left-1/2 z-40 w-[520px] -translate-x-1/2 rounded-sm border border-line bg-white px-4 py-2.5"
    />
  ) : null;
}
