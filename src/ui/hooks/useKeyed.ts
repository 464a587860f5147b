'use client';

import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { Keyed, type KeyedOptions, type Turn } from '@/work/keyed';
import { later } from './tab/later';

export interface KeyedValue<T> {
  /** The newest that was found, which may be of an earlier key. */
  readonly value: T;
  /** It is of this very key. */
  readonly current: boolean;
  readonly running: boolean;
  /** Gives up; what was found stays. */
  stop(): void;
  /** Works on it anew. */
  start(): void;
}

/**
 * Work on what a key stands for, begun anew whenever it changes and given up when it is not wanted
 * any more.
 * @param key everything that the work depends on; while it is undefined nothing is begun
 */
export function useKeyed<T>(
  key: unknown,
  nothing: T,
  work: (turn: Turn<T>) => Promise<void>,
  options?: KeyedOptions,
): KeyedValue<T> {
  const [keyed] = useState(() => new Keyed<T>(nothing, later, options));
  const [round, setRound] = useState(0);
  const newest = useRef({ work, rest: options?.rest });
  useEffect(() => {
    newest.current = { work, rest: options?.rest };
  });
  useEffect(() => {
    if (key === undefined) {
      return;
    }
    return keyed.start(key, (turn) => newest.current.work(turn), newest.current.rest);
  }, [keyed, key, round]);
  const { key: of, value, running } = useStore(keyed.state);
  return {
    value,
    current: of === key,
    running,
    stop: () => keyed.stop(),
    start: () => setRound((r) => r + 1),
  };
}
