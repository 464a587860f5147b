'use client';

import { useRef } from 'react';
import type { ShelfItem } from '@/core/site/model/shelf';
import { useWindowed } from '../../hooks/useWindowed';
import { PhotoFace } from './faces';

const gap = 6;

/** Room for the mark of what is chosen, px. */
const edge = 2;

/** The shelf as a strip to choose from; of a long one what is in sight is there. */
export function PhotoStrip({
  items,
  width,
  height,
  chosen,
  nameOf,
  onChoose,
}: {
  items: readonly ShelfItem[];
  /** Px of each. */
  width: number;
  height: number;
  /** Asset of the one that is in use; undefined where choosing one puts in another. */
  chosen?: string;
  nameOf(item: ShelfItem): string;
  onChoose(item: ShelfItem): void;
}) {
  const box = useRef<HTMLDivElement>(null);
  const view = useWindowed(box, items.length, width + gap, { across: true });
  if (items.length === 0) {
    return null;
  }
  return (
    <div ref={box} className="mt-0.5 quiet-scroll shrink-0 overflow-x-auto">
      <ul
        className="flex py-0.5"
        style={{ gap, paddingLeft: view.above + edge, width: view.total - gap + 2 * edge }}
      >
        {items.slice(view.first, view.end).map((item, i) => (
          <li
            key={item.assetId}
            aria-setsize={items.length}
            aria-posinset={view.first + i + 1}
            className="shrink-0"
          >
            <button
              type="button"
              aria-pressed={chosen === undefined ? undefined : chosen === item.assetId}
              aria-label={nameOf(item)}
              title={`${item.name}, ${item.width} × ${item.height}`}
              onClick={() => onChoose(item)}
              style={{ width, height }}
              className="block overflow-hidden rounded-sm border border-line hover:border-soft aria-pressed:outline-2 aria-pressed:outline-act"
            >
              <PhotoFace assetId={item.assetId} />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
