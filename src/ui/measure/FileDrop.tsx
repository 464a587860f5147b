'use client';

import { useRef, useState, type ReactNode } from 'react';
import { filesOf } from '../hooks/useIntake';
import { Button } from '../shared/Button';

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
        onFiles(filesOf(e.dataTransfer));
      }}
      className={`flex flex-wrap items-center gap-3 rounded-sm border border-dashed px-3 py-2.5 ${over ? 'border-act bg-act-wash' : 'border-line bg-sheet'}`}
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
    </div>
  );
}
