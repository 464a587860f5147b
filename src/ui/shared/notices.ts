import { createStore } from 'zustand/vanilla';

export interface Notice {
  readonly id: number;
  readonly tone: 'bad' | 'done';
  readonly text: string;
  readonly action?: Action;
}

/** What can be done about a message. */
export interface Action {
  readonly label: string;
  run(): void;
}

/** Messages to the owner; bad ones and those to act on stay until they are put away. */
export const notices = createStore<{ list: readonly Notice[] }>(() => ({ list: [] }));

let nextId = 1;

export function notify(tone: Notice['tone'], text: string, action?: Action): void {
  const notice = { id: nextId++, tone, text, action };
  notices.setState(({ list }) => ({
    list: [...list.filter((n) => n.text !== text), notice].slice(-4),
  }));
  if (tone === 'done' && !action) {
    setTimeout(() => dismiss(notice.id), 4000);
  }
}

export const dismiss = (id: number): void =>
  notices.setState(({ list }) => ({ list: list.filter((n) => n.id !== id) }));
