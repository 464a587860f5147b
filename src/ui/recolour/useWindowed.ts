import { useEffect, useState, type RefObject } from 'react';

export interface Windowed {
  readonly first: number;
  /** Behind the last one. */
  readonly end: number;
  /** Px of rows that are not there above and below. */
  readonly above: number;
  readonly below: number;
  /** Brings a row into sight. */
  reveal(index: number): void;
}

/** Rows beyond what is in sight, on either side. */
const spare = 6;

/** Which of many rows of one height are in sight of a box that scrolls. */
export function useWindowed(
  box: RefObject<HTMLElement | null>,
  count: number,
  rowHeight: number,
  headHeight: number,
): Windowed {
  const [seen, setSeen] = useState({ top: 0, height: 600 });
  useEffect(() => {
    const element = box.current;
    if (!element) {
      return;
    }
    const read = () => setSeen({ top: element.scrollTop, height: element.clientHeight });
    const observer = new ResizeObserver(read);
    observer.observe(element);
    element.addEventListener('scroll', read, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', read);
    };
  }, [box]);
  const reveal = (index: number) => {
    const element = box.current;
    const top = index * rowHeight;
    const bottom = top + rowHeight - (element ? element.clientHeight - headHeight : 0);
    if (element && (top < element.scrollTop || bottom > element.scrollTop)) {
      element.scrollTo({ top: top < element.scrollTop ? top : bottom });
    }
  };
  const first = Math.max(0, Math.floor(seen.top / rowHeight) - spare);
  const end = Math.min(count, Math.ceil((seen.top + seen.height) / rowHeight) + spare);
  return {
    first,
    end,
    above: first * rowHeight,
    below: Math.max(0, (count - end) * rowHeight),
    reveal,
  };
}
