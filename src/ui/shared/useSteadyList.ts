'use client';

import { useEffect, useState, type FocusEvent, type HTMLAttributes } from 'react';

/** Those asked for before first, in that order; then all others as they come. */
function inOrderOf<T>(items: readonly T[], keyOf: (item: T) => string, before: readonly string[]) {
  const place = new Map(before.map((key, at) => [key, at]));
  const at = (item: T) => place.get(keyOf(item)) ?? before.length;
  return [...items].sort((a, b) => at(a) - at(b));
}

/**
 * A list in an order that changes by itself, for somebody who is about to press something in it:
 * while it is pressed nothing in it changes, and while the pointer or the keyboard's focus is in it
 * its rows keep their order.
 *
 * @param sorted the rows in the order in which they belong
 * @param settling the order is not known yet: the one before holds
 * @returns the rows to show, and what the element around them listens to
 */
export function useSteadyList<T>(
  sorted: readonly T[],
  keyOf: (item: T) => string,
  settling: boolean,
): { rows: readonly T[]; steadied: HTMLAttributes<HTMLElement> } {
  const [pointed, setPointed] = useState(false);
  const [focused, setFocused] = useState(false);
  const [pressed, setPressed] = useState<readonly T[]>();
  const [order, setOrder] = useState<readonly string[]>([]);
  useEffect(() => {
    if (!pressed) {
      return;
    }
    // The click that a press ends in comes after it.
    const release = () => setTimeout(() => setPressed(undefined));
    window.addEventListener('pointerup', release);
    window.addEventListener('pointercancel', release);
    return () => {
      window.removeEventListener('pointerup', release);
      window.removeEventListener('pointercancel', release);
    };
  }, [pressed]);

  const still = pointed || focused || settling;
  const ordered = still ? inOrderOf(sorted, keyOf, order) : sorted;
  const keys = ordered.map(keyOf);
  if (keys.join('\n') !== order.join('\n')) {
    setOrder(keys);
  }
  return {
    rows: pressed ?? ordered,
    steadied: {
      onPointerEnter: () => setPointed(true),
      onPointerLeave: () => setPointed(false),
      onPointerDown: () => setPressed(ordered),
      // Only where keys move it: a click leaves focus behind when the pointer goes.
      onFocus: (event: FocusEvent) => setFocused(event.target.matches(':focus-visible')),
      onBlur: () => setFocused(false),
    },
  };
}
