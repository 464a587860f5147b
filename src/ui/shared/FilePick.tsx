'use client';

import { useRef, type ReactNode } from 'react';
import { Button } from './Button';

/** A button that lets a file be chosen. */
export function FilePick({
  label,
  accept,
  onFile,
  children,
  disabled,
  className,
}: {
  label: string;
  accept: string;
  onFile(file: File): void;
  children?: ReactNode;
  disabled?: boolean;
  className?: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button
        disabled={disabled}
        className={className}
        aria-label={label}
        onClick={() => input.current?.click()}
      >
        {children ?? label}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        tabIndex={-1}
        aria-hidden
        className="hidden"
        data-picks={label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) {
            onFile(file);
          }
        }}
      />
    </>
  );
}
