'use client';

import { useEffect } from 'react';

interface Reader<F> {
  open(files: readonly F[]): Promise<unknown>;
  cancel(): void;
  clear(): void;
}

/**
 * Reads the files that a dialog was opened with, and lets go of them when it is closed.
 * @returns what is to be told when it opens or closes
 */
export function useReadWhenOpened<F>(
  reader: Reader<F>,
  open: boolean,
  files: readonly F[],
  onOpenChange: (open: boolean) => void,
): (open: boolean) => void {
  const read = reader.open;
  useEffect(() => {
    if (open && files.length) {
      void read(files);
    }
  }, [open, files, read]);
  return (next) => {
    if (!next) {
      reader.cancel();
      reader.clear();
    }
    onOpenChange(next);
  };
}
