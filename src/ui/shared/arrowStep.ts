import type { KeyboardEvent } from 'react';

const steps: Readonly<Record<string, number>> = {
  ArrowDown: 1,
  ArrowRight: 1,
  ArrowUp: -1,
  ArrowLeft: -1,
};

/** Which way an arrow key goes in a list: 1 forward, -1 back, 0 for any other key. */
export const arrowStep = (key: string): number => steps[key] ?? 0;

/**
 * In a group of radio buttons an arrow chooses the next one, round and round, and gives it the focus.
 * @param at place of the one that has it
 */
export function chooseByArrow<T>(
  event: KeyboardEvent<HTMLElement>,
  at: number,
  choices: readonly T[],
  choose: (choice: T) => void,
): void {
  const by = arrowStep(event.key);
  if (by === 0) {
    return;
  }
  event.preventDefault();
  const next = (at + by + choices.length) % choices.length;
  choose(choices[next]);
  const group = event.currentTarget.closest('[role=radiogroup]');
  group?.querySelectorAll<HTMLElement>('[role=radio]')[next].focus();
}
