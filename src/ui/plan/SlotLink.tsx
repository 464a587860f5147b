'use client';

import Link from 'next/link';
import type { ComponentProps } from 'react';
import type { Rect } from '@/core/raster/raster';
import type { Slot } from '@/core/site/model/slot';
import { filesOf } from '../hooks/useIntake';
import { useDrop } from '../shared/useDrop';

interface Props extends Omit<ComponentProps<typeof Link>, 'style' | 'className' | 'slot'> {
  slot: Slot;
  number: number;
  /** On the board, px of the screen. */
  rect: Rect;
  /** Its border and ground; what a file held over it looks like is the link's own. */
  look: string;
  onFiles(slot: Slot, files: readonly File[]): void;
}

/** What can be hit has at least this length on each side (WCAG 2.2, 2.5.8), px of the screen. */
const leastTarget = 24;

/** A rectangle with at least that much on each side, around the same middle. */
function hittable({ x, y, width, height }: Rect): Rect {
  const [w, h] = [Math.max(width, leastTarget), Math.max(height, leastTarget)];
  return { x: x - (w - width) / 2, y: y - (h - height) / 2, width: w, height: h };
}

/** A slot on the page: its number opens the bench, and pictures can be dropped on it. */
export function SlotLink({ slot, number, rect, look, onFiles, ...rest }: Props) {
  const { x, y, width, height } = hittable(rect);
  const { over, handlers } = useDrop((data) => onFiles(slot, filesOf(data)));
  return (
    <>
      <Link
        {...rest}
        draggable={false}
        data-slot={slot.id}
        aria-label={`${slot.name}, ${slot.width} by ${slot.height} px: open its bench`}
        aria-describedby="slot-keys"
        aria-keyshortcuts={number > 0 && number <= 9 ? String(number) : undefined}
        className={`absolute border focus-visible:border-act ${over ? 'border-2 border-act bg-act/20' : look}`}
        style={{ left: x, top: y, width, height }}
        {...handlers}
      />
      <span
        aria-hidden
        className="pointer-events-none absolute grid h-5 w-5 place-items-center rounded-full border border-act bg-white figure font-semibold text-act"
        style={{ left: rect.x + 7, top: rect.y + 7 }}
      >
        {number}
      </span>
    </>
  );
}
