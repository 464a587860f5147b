'use client';

import { useState, type ReactNode } from 'react';

/** A place that files are dropped on; it says so while they are held over it. */
export function DropArea({
  label,
  look,
  rest,
  onDrop,
  children,
}: {
  label: string;
  /** Its classes, whatever is held over it. */
  look: string;
  /** Its colours while nothing is. */
  rest: string;
  onDrop(data: DataTransfer): void;
  children: ReactNode;
}) {
  const [over, setOver] = useState(false);
  return (
    <div
      role="group"
      aria-label={label}
      onDragOver={(e) => {
        e.preventDefault();
        e.stopPropagation();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(e) => {
        e.preventDefault();
        e.stopPropagation();
        setOver(false);
        onDrop(e.dataTransfer);
      }}
      className={`rounded-sm border border-dashed ${look} ${over ? 'border-act bg-act-wash' : rest}`}
    >
      {children}
    </div>
  );
}
