'use client';

import { Popover } from 'radix-ui';
import { useStore } from 'zustand';
import { served } from '@/served/address';
import { Button } from '../shared/Button';
import { askWord } from '../shared/words';
import { closeHelp, help, topics } from './topics';

const middle = () => new DOMRect(window.innerWidth / 2, window.innerHeight / 4, 0, 0);

/** What a panel is for, beside the question mark that asked, with a picture of it. */
export function HelpCard() {
  const asked = useStore(help, (s) => s.asked);
  if (!asked) {
    return null;
  }
  const { topic, at } = asked;
  const { title, says } = topics[topic];
  return (
    <Popover.Root open onOpenChange={(open) => !open && closeHelp()}>
      <Popover.Anchor
        virtualRef={{
          current: { getBoundingClientRect: () => at?.getBoundingClientRect() ?? middle() },
        }}
      />
      <Popover.Portal>
        <Popover.Content
          aria-label={`Help: ${title}`}
          side="bottom"
          align="center"
          sideOffset={6}
          collisionPadding={8}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            at?.focus();
          }}
          className="z-50 w-[300px] rounded-sm border border-soft bg-white p-3 outline-none"
        >
          <h2 className="font-semibold">{title}</h2>
          {/* Small pictures that ship with the application need no other sizes. */}
          {/* eslint-disable-next-line @next/next/no-img-element */}
          <img
            src={served(`/help/${topic}.webp`)}
            alt=""
            width={274}
            height={130}
            className="mt-2 border border-hair"
          />
          <p className="mt-2">{says}</p>
          <div className="mt-2.5 flex justify-between gap-2">
            <Button
              onClick={() => {
                closeHelp();
                askWord('Page plan');
              }}
            >
              What our words mean
            </Button>
            <Popover.Close asChild>
              <Button variant="main">Close</Button>
            </Popover.Close>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
