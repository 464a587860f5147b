'use client';

import { Dialog } from 'radix-ui';
import type { WordsMeasured } from '../hooks/useLostContrast';
import { beyondWords } from '../shared/beyondWords';
import { Button } from '../shared/Button';
import { VerdictMark } from '../shared/VerdictMark';

/** Words that are named; the page has all. */
const most = 5;

/** Said before a theme is given whose words cannot all be read any more. */
export function LostDialog({
  measured,
  onLook,
  onSave,
  onClose,
}: {
  /** Undefined where nothing is to be said. */
  measured: WordsMeasured | undefined;
  onLook(): void;
  onSave(): void;
  onClose(): void;
}) {
  const lost = measured?.lost ?? [];
  const many = lost.length !== 1;
  return (
    <Dialog.Root
      open={lost.length > 0}
      onOpenChange={(open) => {
        if (!open) {
          onClose();
        }
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content className="fixed top-1/2 left-1/2 z-50 w-[440px] max-w-[calc(100vw-32px)] -translate-1/2 rounded-sm border border-line bg-white p-4">
          <Dialog.Title className="font-semibold">
            {lost.length} {many ? 'texts' : 'text'} of the page can hardly be read any more
          </Dialog.Title>
          <Dialog.Description className="mt-1 text-soft">
            Measured on the page as it will be handed over, against what lies behind the words.
            {measured && beyondWords(measured)}
          </Dialog.Description>
          <ul className="mt-2">
            {lost.slice(0, most).map((words) => (
              <li
                key={`${words.page} ${words.scheme} ${words.selector} ${words.text}`}
                className="flex items-baseline gap-1"
              >
                <VerdictMark verdict="look" />
                <span className="min-w-0 grow truncate" title={words.text}>
                  “{words.text}”
                </span>
                <span className="shrink-0 figure text-[11px]!">
                  {words.before.toFixed(1)} → {words.after.toFixed(1)}
                </span>
              </li>
            ))}
          </ul>
          {lost.length > most && <p className="text-soft">and {lost.length - most} more</p>}
          <div className="mt-3 flex justify-end gap-2">
            <Button onClick={onSave}>Save all the same</Button>
            <Button variant="main" onClick={onLook}>
              Look at the page
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
