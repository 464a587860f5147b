'use client';

import { useRef, type ReactNode } from 'react';
import { filesOf } from '../hooks/useIntake';
import { Button } from '../shared/Button';
import { DropArea } from '../shared/DropArea';

/** A place to drop files on; a button opens the browser's own chooser. */
export function FileDrop({
  label,
  button,
  accept,
  multiple = false,
  busy,
  onCancel,
  onFiles,
  children,
}: {
  label: string;
  button: string;
  accept: string;
  multiple?: boolean;
  busy?: string;
  onCancel?(): void;
  onFiles(files: File[]): void;
  children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <DropArea
      label={label}
      className="flex flex-wrap items-center gap-3 px-3 py-2.5"
      rest="border-line bg-sheet"
      onDrop={(data) => onFiles(filesOf(data))}
    >
      <input
        ref={input}
        type="file"
        aria-label={`${label}, file`}
        multiple={multiple}
        accept={accept}
        tabIndex={-1}
        className="hidden"
        onChange={(e) => {
          const files = Array.from(e.target.files ?? []);
          e.target.value = '';
          onFiles(files);
        }}
      />
      {busy ? (
        <>
          <p role="status" className="min-w-0 grow truncate">
            Reading {busy}…
          </p>
          {onCancel && <Button onClick={onCancel}>Cancel</Button>}
        </>
      ) : (
        <>
          <p className="min-w-0 grow basis-40 text-soft">{children}</p>
          <Button onClick={() => input.current?.click()}>{button}</Button>
        </>
      )}
    </DropArea>
  );
}
