import { createStore } from 'zustand/vanilla';

export interface Notice {
  readonly id: number;
  readonly tone: 'bad' | 'done';
  readonly text: string;
}

/** Messages to the owner; bad ones stay until they are put away. */
export const notices = createStore<{ list: readonly Notice[] }>(() => ({ list: [] }));

let nextId = 1;

export function say(tone: Notice['tone'], text: string): void {
  const notice = { id: nextId++, tone, text };
  notices.setState(({ list }) => ({
    list: [...list.filter((n) => n.text !== text), notice].slice(-4),
  }));
  if (tone === 'done') {
    setTimeout(() => putAway(notice.id), 4000);
  }
}

export const putAway = (id: number): void =>
  notices.setState(({ list }) => ({ list: list.filter((n) => n.id !== id) }));
