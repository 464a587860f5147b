'use client';

import { useEffect, useRef, useState } from 'react';
import { useStore } from 'zustand';
import { LatestTask, type LatestTaskOptions, type TaskContext } from '@/work/latestTask';
import { later } from './tab/later';

export interface LatestTaskValue<T> {
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
export function useLatestTask<T>(
  key: unknown,
  nothing: T,
  work: (turn: TaskContext<T>) => Promise<void>,
  options?: LatestTaskOptions,
): LatestTaskValue<T> {
  const [task] = useState(() => new LatestTask<T>(nothing, later, options));
  const [round, setRound] = useState(0);
  const newest = useRef({ work, rest: options?.debounceMs });
  useEffect(() => {
    newest.current = { work, rest: options?.debounceMs };
  });
  useEffect(() => {
    if (key === undefined) {
      return;
    }
    return task.start(key, (turn) => newest.current.work(turn), newest.current.rest);
  }, [task, key, round]);
  const { key: of, value, running } = useStore(task.state);
  return {
    value,
    current: of === key,
    running,
    stop: () => task.stop(),
    start: () => setRound((r) => r + 1),
  };
}
