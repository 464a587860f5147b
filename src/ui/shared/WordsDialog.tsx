'use client';

import { intoViewCentre } from './intoView';
import { Dialog } from 'radix-ui';
import { useStore } from 'zustand';
import { Button } from './Button';
import { closeWords, glossary, ourWords } from './words';

/** The one that was asked about is seen, however far down it stands. */

/** What our words mean. */
export function WordsDialog() {
  const asked = useStore(glossary, (s) => s.asked);
  return (
    <Dialog.Root open={asked !== undefined} onOpenChange={(open) => !open && closeWords()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 flex max-h-[min(560px,calc(100vh-2rem))] w-[min(520px,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 flex-col rounded-sm border border-line bg-white"
        >
          <div className="flex h-[46px] shrink-0 items-center justify-between gap-3 border-b border-hair px-4">
            <Dialog.Title className="font-semibold">What our words mean</Dialog.Title>
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
          </div>
          <dl className="min-h-0 overflow-auto px-4 py-2" tabIndex={0} aria-label="Words">
            {ourWords.map(({ word, means }) => (
              <div
                key={word}
                ref={word === asked ? intoViewCentre : undefined}
                data-word={word}
                className={`border-t border-hair px-2 py-1.5 first:border-0 ${word === asked ? 'bg-act-wash' : ''}`}
              >
                <dt className="font-semibold">{word}</dt>
                <dd className="text-soft">{means}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
