'use client';

import { Command as Palette } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';

/**
 * Something that can be done; it is in the list of all commands, and has keys where the design
 * names some.
 */
export interface Command {
  readonly id: string;
  readonly label: string;
  /** Such as `1`, `Mod+Shift+z`, `Shift+ArrowLeft`; Mod is Ctrl or Cmd. */
  readonly keys?: readonly string[];
  readonly enabled?: boolean;
  run(event?: KeyboardEvent): void;
  /** For keys that act while they are held. */
  release?(): void;
  /** Not worth a line of its own in the list. */
  readonly unlisted?: boolean;
}

function keyName(event: KeyboardEvent): string {
  const letter = event.key.length === 1 ? event.key.toLowerCase() : event.key;
  const plain = event.key.length === 1 && !/[a-z]/.test(letter);
  return `${event.ctrlKey || event.metaKey ? 'Mod+' : ''}${event.shiftKey && !plain ? 'Shift+' : ''}${letter}`;
}

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable ||
    /^(TEXTAREA|SELECT)$/.test(target.tagName) ||
    (target instanceof HTMLInputElement && !/^(button|checkbox|radio|range)$/.test(target.type)));

/** Enter and Delete belong to the control that has the focus. */
const onControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('button, a, [role="dialog"], [role="listbox"], [role="menu"]') !== null;

/**
 * Listens for the keys of the commands. Fields keep their keys, apart from those with Mod that are
 * not for text.
 */
export function useCommandKeys(commands: readonly Command[]): void {
  const current = useRef(commands);
  useEffect(() => {
    current.current = commands;
  });
  useEffect(() => {
    const held = new Map<string, Command>();
    const down = (event: KeyboardEvent) => {
      if (event.defaultPrevented) {
        return;
      }
      const name = keyName(event);
      if (typing(event.target) && name !== 'Mod+k') {
        return;
      }
      if (onControl(event.target) && ['Enter', ' ', 'Escape'].includes(event.key)) {
        return;
      }
      const command = current.current.find((c) => c.enabled !== false && c.keys?.includes(name));
      if (!command) {
        return;
      }
      event.preventDefault();
      if (command.release) {
        if (event.repeat) {
          return;
        }
        held.set(event.key, command);
      }
      command.run(event);
    };
    const up = (event: KeyboardEvent) => {
      held.get(event.key)?.release?.();
      held.delete(event.key);
    };
    const away = () => {
      for (const c of held.values()) {
        c.release?.();
      }
      held.clear();
    };
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', away);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', away);
    };
  }, []);
}

const shown = (keys: string) =>
  keys
    .replace('Mod', 'Ctrl')
    .replace('Arrow', '')
    .replace(/\b([a-z])$/, (c) => c.toUpperCase());

/** All commands, searched by typing. Also serves as the list of keys. */
export function CommandList({
  open,
  onOpenChange,
  commands,
}: {
  open: boolean;
  onOpenChange(open: boolean): void;
  commands: readonly Command[];
}) {
  const [search, setSearch] = useState('');
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
                      onOpenChange(false);
                      setSearch('');
                      c.run();
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
