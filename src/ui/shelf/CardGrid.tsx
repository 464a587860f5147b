'use client';

import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { useWindowed } from '../hooks/useWindowed';
import { scrollerOf } from '../shared/scrollerOf';

const cardWidth = 176;
const cardHeight = 154;
const gap = 12;

/** Cards in rows, of which those in sight are there. */
export function CardGrid<T>({
  items,
  keyOf,
  children,
}: {
  items: readonly T[];
  keyOf(item: T): string;
  children(item: T): ReactNode;
}) {
  const list = useRef<HTMLUListElement>(null);
  const [{ columns, before }, setLaid] = useState({ columns: 4, before: 0 });
  useLayoutEffect(() => {
    const element = list.current!;
    const read = () => {
      const scroller = scrollerOf(element);
      const top = scroller ? scroller.scrollTop - scroller.getBoundingClientRect().top : 0;
      setLaid({
        columns: Math.max(1, Math.floor((element.clientWidth + gap) / (cardWidth + gap))),
        before: top + element.getBoundingClientRect().top,
      });
    };
    read();
    const observer = new ResizeObserver(read);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const rows = Math.ceil(items.length / columns);
  const view = useWindowed(list, rows, cardHeight + gap, { before });
  const from = view.first * columns;
  return (
    <ul
      ref={list}
      className="mt-3 grid gap-3"
      style={{
        gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`,
        gridAutoRows: cardHeight,
        paddingTop: view.above,
        height: Math.max(0, view.total - gap),
      }}
    >
      {items.slice(from, view.end * columns).map((item, i) => (
        <li key={keyOf(item)} aria-setsize={items.length} aria-posinset={from + i + 1}>
          {children(item)}
        </li>
      ))}
    </ul>
  );
}
