'use client';

import type { ReactNode } from 'react';
import { useDrop } from './useDrop';

/** A place that files are dropped on; it says so while they are held over it. */
export function DropArea({
  label,
  className: look,
  rest,
  onDrop,
  children,
}: {
  label: string;
  /** Its classes, whatever is held over it. */
  className: string;
  /** Its colours while nothing is. */
  rest: string;
  onDrop(data: DataTransfer): void;
  children: ReactNode;
}) {
  const { over, handlers } = useDrop(onDrop);
  return (
    <div
      role="group"
      aria-label={label}
      {...handlers}
      className={`rounded-sm border border-dashed ${look} ${over ? 'border-act bg-act-wash' : rest}`}
    >
      {children}
    </div>
  );
}
