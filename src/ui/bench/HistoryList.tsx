'use client';

import { History } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useRef } from 'react';
import { useStore } from 'zustand';
import type { Session } from '../hooks/useSession';
import { IconButton } from '../shared/Button';

/** Every step by its name, newest first; a click goes back or forward to it. */
export function HistoryList({
  session,
  open,
  onOpenChange,
}: {
  session: Session;
  open: boolean;
  onOpenChange(open: boolean): void;
}) {
  return (
    <Popover.Root open={open} onOpenChange={onOpenChange}>
      <Popover.Trigger asChild>
        <IconButton label="All steps so far">
          <History size={15} />
        </IconButton>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          aria-label="All steps so far"
          className="z-40 w-72 rounded-sm border border-line bg-white"
          onOpenAutoFocus={(e) => e.preventDefault()}
        >
          <Steps session={session} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Steps({ session }: { session: Session }) {
  const steps = useStore(session.state, (s) => s.steps);
  const cursor = useStore(session.state, (s) => s.cursor);
  const list = useRef<HTMLUListElement>(null);
  useEffect(() => {
    list.current?.querySelector<HTMLElement>('[aria-current]')?.focus();
  }, []);
  const first = (steps[0]?.seq ?? cursor + 1) - 1;
  const all = [
    ...steps.toReversed(),
    {
      seq: first,
      label: first === 0 ? 'At the start' : 'Older steps are forgotten',
    },
  ];
  return (
    <>
      <p className="border-b border-hair px-3 py-2 caption">Steps, newest first</p>
      <ul
        ref={list}
        className="max-h-80 overflow-auto py-1"
        onKeyDown={(e) => {
          const by = { ArrowDown: 1, ArrowUp: -1 }[e.key] ?? 0;
          const buttons = [...(list.current?.querySelectorAll('button') ?? [])];
          if (!by) {
            return;
          }
          e.preventDefault();
          buttons[buttons.indexOf(document.activeElement as HTMLButtonElement) + by]?.focus();
        }}
      >
        {all.map(({ seq, label }) => (
          <li key={seq}>
            <button
              type="button"
              aria-current={seq === cursor ? 'step' : undefined}
              onClick={() => session.goTo(seq)}
              title={label}
              className={`block w-full truncate px-3 py-1 text-left hover:bg-act-wash focus-visible:-outline-offset-2 aria-[current]:bg-act-wash aria-[current]:text-act ${seq > cursor ? 'text-soft' : ''}`}
            >
              {label}
              {seq > cursor && <span className="sr-only"> (undone)</span>}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
