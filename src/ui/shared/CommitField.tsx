'use client';

import clsx from 'clsx';
import { useId, useState, type KeyboardEvent } from 'react';
import { inputLook } from './inputLook';

interface CommitFieldProps {
  label: string;
  value: string;
  /** Takes the text or says what is wrong with it. */
  onCommit(text: string): string | undefined;
  className?: string;
  id?: string;
  suffix?: string;
  /** Words and not a figure. */
  words?: boolean;
}

/**
 * A text field that is read on Enter or on leaving; what cannot be read is said below it and
 * changes nothing. Escape puts the old value back.
 */
export function CommitField({
  label,
  value,
  onCommit,
  className,
  id,
  suffix,
  words = false,
}: CommitFieldProps) {
  const [draft, setDraft] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const problemId = useId();
  const commit = () => {
    if (draft === undefined || draft === value) {
      setDraft(undefined);
      setProblem(undefined);
      return;
    }
    const refused = onCommit(draft);
    setProblem(refused);
    if (!refused) {
      setDraft(undefined);
    }
  };
  const keys = (event: KeyboardEvent) => {
    if (event.key === 'Enter') {
      commit();
    }
    if (event.key === 'Escape') {
      setDraft(undefined);
      setProblem(undefined);
    }
  };
  return (
    <span className={clsx('relative inline-flex', className)}>
      <input
        id={id}
        aria-label={label}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? problemId : undefined}
        className={clsx(
          inputLook,
          'w-full',
          !words && 'figure',
          suffix !== undefined && 'text-right',
          suffix && 'pr-7',
        )}
        value={draft ?? value}
        onChange={(e) => {
          setDraft(e.target.value);
          setProblem(undefined);
        }}
        onBlur={commit}
        onKeyDown={keys}
      />
      {suffix && (
        <span
          aria-hidden
          className="pointer-events-none absolute top-1/2 right-2 -translate-y-1/2 figure text-soft"
        >
          {suffix}
        </span>
      )}
      {problem && (
        <span
          id={problemId}
          role="alert"
          className="absolute top-full right-0 z-20 mt-0.5 w-max max-w-72 rounded-sm border border-bad bg-bad-wash px-2 py-0.5 text-bad"
        >
          {problem}
        </span>
      )}
    </span>
  );
}
