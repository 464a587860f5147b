'use client';

import type { Ref } from 'react';

/** The browser's own file chooser, out of sight; a button of ours opens it. */
export function FileButton({
  ref,
  onFiles,
}: {
  ref: Ref<HTMLInputElement>;
  onFiles(files: File[]): void;
}) {
  return (
    <input
      ref={ref}
      type="file"
      multiple
      accept="image/*"
      tabIndex={-1}
      aria-hidden
      className="hidden"
      onChange={(e) => {
        const files = Array.from(e.target.files ?? []);
        e.target.value = '';
        onFiles(files);
      }}
    />
  );
}
