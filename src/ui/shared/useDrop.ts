'use client';

import { useState, type DragEvent } from 'react';

/** What is dropped on an element goes to it alone; it knows while something is held over it. */
export function useDrop(onDrop: (data: DataTransfer) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    handlers: {
      onDragOver(event: DragEvent) {
        event.preventDefault();
        event.stopPropagation();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop(event: DragEvent) {
        event.preventDefault();
        event.stopPropagation();
        setOver(false);
        onDrop(event.dataTransfer);
      },
    },
  };
}
