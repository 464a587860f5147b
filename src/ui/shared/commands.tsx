'use client';

import { useEffect, useRef } from 'react';

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
