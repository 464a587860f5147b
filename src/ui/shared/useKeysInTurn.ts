'use client';

import { useRef, type KeyboardEvent } from 'react';

/** Keys that act on what has the focus, wherever the ones before them moved it. */
const isPlain = (event: KeyboardEvent): boolean =>
  !event.ctrlKey && !event.altKey && !event.metaKey && event.key !== 'Escape';

/** Keys that move the focus: letters to what begins with them. */
const moves = ({ key }: KeyboardEvent): boolean =>
  key.length === 1 || /^(Arrow|Page|Home$|End$)/.test(key);

/**
 * A list moves its focus in a task after the key, before which the next key may come when the page
 * is busy: Enter would choose what the focus is leaving. Such a key waits until the focus has come.
 * @returns for `onKeyDownCapture` of the list
 */
export function useKeysInTurn(): (event: KeyboardEvent) => void {
  const moving = useRef(false);
  const waiting = useRef<KeyboardEventInit[]>([]);

  function arrived(): void {
    moving.current = false;
    while (!moving.current && waiting.current.length > 0) {
      const key = waiting.current.shift()!;
      document.activeElement?.dispatchEvent(
        new KeyboardEvent('keydown', { ...key, bubbles: true, cancelable: true }),
      );
    }
  }

  return (event) => {
    if (!isPlain(event)) {
      return;
    }
    if (moving.current) {
      event.preventDefault();
      event.stopPropagation();
      waiting.current.push({ key: event.key, code: event.code, shiftKey: event.shiftKey });
      return;
    }
    if (!moves(event)) {
      return;
    }
    moving.current = true;
    // The first of these comes before that of the list, which is asked for next; the second after.
    setTimeout(() => setTimeout(arrived));
  };
}
