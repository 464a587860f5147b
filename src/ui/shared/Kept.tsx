'use client';

import { useState } from 'react';
import { letGo, useKept } from '../hooks/useKept';
import { Button } from './Button';
import { saveSiteFile } from './saveFiles';
import { VerdictMark } from './VerdictMark';

const words = { kept: 'Kept', writing: 'Writing…', not: 'Not kept' } as const;
const verdicts = { kept: 'holds', writing: 'unknown', not: 'fails' } as const;

/** In a word, whether everything done is on the disk. */
export function KeptMark() {
  const { kept } = useKept();
  return (
    <span
      role="status"
      aria-label="What is kept"
      data-kept={kept.state}
      className={`shrink-0 whitespace-nowrap ${kept.state === 'not' ? 'text-bad' : 'text-soft'}`}
    >
      <VerdictMark verdict={verdicts[kept.state]} />
      {words[kept.state]}
    </span>
  );
}

/** Below the bar while something is not on the disk: why, and the ways out. */
export function NotKept() {
  const { kept, session } = useKept();
  const [busy, setBusy] = useState(false);
  if (kept.state !== 'not' || !session) {
    return null;
  }
  const doing = (work: () => Promise<void>) => async () => {
    setBusy(true);
    await work();
    setBusy(false);
  };
  return (
    <div
      role="alert"
      className="flex shrink-0 items-center gap-2 border-b border-bad bg-bad-wash px-3.5 py-1.5"
    >
      <p className="min-w-0 grow">
        <VerdictMark verdict="fails" />
        {kept.words}
      </p>
      {kept.why === 'removed' ? (
        <>
          <Button disabled={busy} onClick={doing(() => session.putBack())}>
            Put it back
          </Button>
          <Button disabled={busy} onClick={() => letGo(session.siteId)}>
            Let it go
          </Button>
        </>
      ) : (
        <Button disabled={busy} onClick={doing(() => session.retry())}>
          Try again
        </Button>
      )}
      <Button
        variant="main"
        disabled={busy}
        onClick={doing(() => saveSiteFile(session.state.getState().site))}
      >
        Save the site file now
      </Button>
    </div>
  );
}
