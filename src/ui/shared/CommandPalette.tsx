'use client';

import { Command as Palette } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { flushSync } from 'react-dom';
import type { Command } from './commands';

const shown = (keys: string) =>
  keys
    .replace('Mod', 'Ctrl')
    .replace('Arrow', '')
    .replace(/\b([a-z])$/, (c) => c.toUpperCase());

/** All commands, searched by typing. Also serves as the list of keys. */
export function CommandPalette({
  open,
  onOpenChange,
  commands,
  typed,
}: {
  open: boolean;
  onOpenChange(open: boolean): void;
  commands: readonly Command[];
  /** What was typed before it was there. */
  typed: string;
}) {
  const [search, setSearch] = useState(typed);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(o) => {
        onOpenChange(o);
        setSearch('');
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/20" />
        <Dialog.Content
          className="fixed top-16 left-1/2 z-40 w-[520px] -translate-x-1/2 rounded-sm border border-line bg-white"
          aria-describedby={undefined}
        >
          <Dialog.Title className="sr-only">All commands</Dialog.Title>
          <Palette label="All commands">
            <Palette.Input
              value={search}
              onValueChange={setSearch}
              placeholder="What do you want to do"
              className="w-full border-b border-hair bg-transparent px-4 py-2.5 outline-none"
            />
            <Palette.List className="max-h-[60vh] overflow-auto py-1">
              <Palette.Empty className="px-4 py-2 text-soft">
                No command with these words.
              </Palette.Empty>
              {commands
                .filter((c) => !c.unlisted)
                .map((c) => (
                  <Palette.Item
                    key={c.id}
                    value={c.label}
                    disabled={c.enabled === false}
                    onSelect={() => {
                      // The list tells of it by an event of its own, which is not urgent to React:
                      // the next key would meet the screen as it was.
                      flushSync(() => {
                        onOpenChange(false);
                        setSearch('');
                      });
                      flushSync(c.run);
                      if (c.release) {
                        setTimeout(() => c.release?.(), 1500);
                      }
                    }}
                    className="flex cursor-pointer justify-between px-4 py-1.5 data-[disabled=true]:opacity-40 data-[selected=true]:bg-act-wash"
                  >
                    {c.label}
                    <span className="figure text-soft">{c.keys?.map(shown).join('  ')}</span>
                  </Palette.Item>
                ))}
            </Palette.List>
          </Palette>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
