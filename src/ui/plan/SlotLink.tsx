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

/** A slot on the page: its number opens the bench, and pictures can be dropped on it. */
export function SlotLink({ slot, number, rect, look, onFiles, ...rest }: Props) {
  const { over, handlers } = useDrop((data) => onFiles(slot, filesOf(data)));
  return (
    <>
      <Link
        {...rest}
        draggable={false}
        data-slot={slot.id}
        aria-label={`${slot.name}, ${slot.width} by ${slot.height} px: open its bench`}
        aria-describedby="slot-keys"
        className={`absolute border focus-visible:border-act ${over ? 'border-2 border-act bg-act/20' : look}`}
        style={{ left: rect.x, top: rect.y, width: rect.width, height: rect.height }}
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
