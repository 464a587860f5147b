'use client';

import { Tooltip } from 'radix-ui';
import { lazy, Suspense, type ReactNode } from 'react';
import { X } from 'lucide-react';
import { useStore } from 'zustand';
import { fontStyles } from '../hooks/tab/fontStyles';
import { useGuardedLeaving } from '../hooks/useKept';
import { help } from '../help/topics';
import { tour } from '../help/tour';
import { Button } from './Button';
import { notices, dismiss } from './notices';
import { useFreedFiles } from './useFreedFiles';
import { useOffline } from './useOffline';
import { VerdictMark } from './VerdictMark';
import { glossary } from './words';

/** Loaded when they are asked for. */
const HelpCard = lazy(async () => ({ default: (await import('../help/HelpCard')).HelpCard }));
const TourCard = lazy(async () => ({ default: (await import('../help/TourCard')).TourCard }));

/** Loaded when a word is asked about. */
const WordsDialog = lazy(async () => ({ default: (await import('./WordsDialog')).WordsDialog }));

/** What every screen stands in: the fonts, hints on controls, and messages in one place. */
export function Frame({ children }: { children: ReactNode }) {
  useGuardedLeaving();
  useOffline();
  useFreedFiles();
  const asked = useStore(glossary, (s) => s.asked !== undefined);
  const helped = useStore(help, (s) => s.asked !== undefined);
  const toured = useStore(tour, (s) => s.on !== undefined);
  return (
    <Tooltip.Provider delayDuration={500}>
      <style>{fontStyles()}</style>
      {children}
      <Notices />
      {helped && (
        <Suspense fallback={null}>
          <HelpCard />
        </Suspense>
      )}
      {toured && (
        <Suspense fallback={null}>
          <TourCard />
        </Suspense>
      )}
      {asked && (
        <Suspense fallback={null}>
          <WordsDialog />
        </Suspense>
      )}
    </Tooltip.Provider>
  );
}

function Notices() {
  const list = useStore(notices, (s) => s.list);
  return (
    <div id="messages" aria-label="Messages" role="region">
      <div
        aria-live="assertive"
        className="pointer-events-none fixed top-[100px] left-1/2 z-50 flex w-[560px] max-w-[90vw] -translate-x-1/2 flex-col gap-1"
      >
        {list.map((notice) => (
          <div
            key={notice.id}
            className={`pointer-events-auto flex items-start gap-2 rounded-sm border bg-white px-3 py-2 ${notice.tone === 'bad' ? 'border-bad' : 'border-act'}`}
          >
            <VerdictMark verdict={notice.tone === 'bad' ? 'fails' : 'holds'} />
            <p className="min-w-0 grow break-words">{notice.text}</p>
            {notice.action && (
              <Button
                onClick={() => {
                  dismiss(notice.id);
                  notice.action?.run();
                }}
              >
                {notice.action.label}
              </Button>
            )}
            <button
              type="button"
              aria-label="Put this message away"
              onClick={() => dismiss(notice.id)}
              className="text-soft hover:text-ink"
            >
              <X size={15} />
            </button>
          </div>
        ))}
      </div>
    </div>
  );
}
