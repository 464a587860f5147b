'use client';

import type { ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Button } from './Button';
import { VerdictMark } from './VerdictMark';

/** Keeps a fault in one part of a screen from taking the rest of it away. */
export function Boundary({
  what,
  as: Tag = 'div',
  resetOn,
  children,
}: {
  /** The part in words, as in “The chart”. */
  what: string;
  as?: 'div' | 'li';
  /** Whenever it changes, the part is shown again. */
  resetOn?: unknown;
  children: ReactNode;
}) {
  return (
    <ErrorBoundary
      resetKeys={[resetOn]}
      fallbackRender={({ resetErrorBoundary }) => (
        <Tag role="alert" className="m-3 rounded-sm border border-bad bg-white px-3 py-2">
          <p>
            <VerdictMark verdict="fails" />
            <span className="font-semibold">{what} cannot be shown.</span>
          </p>
          <p className="break-words text-soft">
            This is a fault of Soyez itself. Everything else goes on, and nothing is lost.
          </p>
          <Button className="mt-2" onClick={resetErrorBoundary}>
            Show it again
          </Button>
        </Tag>
      )}
    >
      {children}
    </ErrorBoundary>
  );
}
