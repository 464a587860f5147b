'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import type { RefObject } from 'react';
import { scrollerOf } from '../shared/scrollerOf';

export interface Windowed {
  readonly first: number;
  /** Behind the last one. */
  readonly end: number;
  /** Px of rows that are not there before the first. */
  readonly above: number;
  /**
   * Px of all rows. What they lie in is to be so high whatever is there of them: a browser lays out
   * what is left where the row with the focus goes, and would scroll back to its end.
   */
  readonly total: number;
  /** Brings a row into sight. */
  reveal(index: number): void;
}

/** Rows beyond what is in sight, on either side. */
const spare = 6;

interface Laid {
  /** What lies before the rows in what scrolls, px. */
  readonly before?: number;
  /** What stays over them, px. */
  readonly over?: number;
  /** They are columns beside each other. */
  readonly across?: boolean;
}

/**
 * Which of many rows of one height are in sight.
 * @param box that scrolls them, or that lies in what does
 */
export function useWindowed(
  box: RefObject<HTMLElement | null>,
  count: number,
  rowHeight: number,
  { before = 0, over = 0, across = false }: Laid = {},
): Windowed {
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scrollerOf(box.current),
    estimateSize: () => rowHeight,
    overscan: spare,
    scrollMargin: before,
    scrollPaddingStart: over,
    horizontal: across,
    initialRect: { width: 600, height: 600 },
  });
  const shown = rows.getVirtualItems();
  const first = shown[0]?.index ?? 0;
  const end = (shown.at(-1)?.index ?? -1) + 1;
  return {
    first,
    end,
    above: first * rowHeight,
    total: count * rowHeight,
    reveal: (index) => rows.scrollToIndex(index, { align: 'auto' }),
  };
}
