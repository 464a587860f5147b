import { createStore, type StoreApi } from 'zustand/vanilla';

/** What a piece of work may ask and tell while it goes on. */
export interface TaskContext<T> {
  /** False once something else is wanted: nothing more needs to be done. */
  isCurrent(): boolean;
  /** What was found so far. */
  value(): T;
  /** Shows more of what was found; what comes of work that is not wanted any more is dropped. */
  update(change: (value: T) => T): void;
}

export interface LatestTaskState<T> {
  /** What the value was found for; undefined before anything was. */
  readonly key: unknown;
  readonly value: T;
  readonly running: boolean;
}

export interface LatestTaskOptions {
  /** Ms that pass before the work begins; it does not where another key comes first. */
  readonly debounceMs?: number;
  /** New work begins with what older work found, whatever its key was. */
  readonly keepPrevious?: boolean;
  /** Work begins in the very turn in which it is asked for. */
  readonly atOnce?: boolean;
  /** Work begins once what runs has ended; of those that came meanwhile only the newest does. */
  readonly oneAtATime?: boolean;
}

/** Work on the newest of many states, each told by a key. */
export class LatestTask<T> {
  readonly state: StoreApi<LatestTaskState<T>>;
  private turn = 0;
  private cancel: (() => void) | undefined;
  private busy: Promise<void> = Promise.resolve();

  /** @param later calls once after so many ms, and gives back how to call it off */
  constructor(
    private readonly nothing: T,
    private readonly later: (ms: number, call: () => void) => () => void,
    private readonly options: LatestTaskOptions = {},
  ) {
    this.state = createStore<LatestTaskState<T>>(() => ({
      key: undefined,
      value: nothing,
      running: false,
    }));
  }

  /**
   * Works on the state of that key from now on, in place of any other.
   * @param rest ms that pass before it begins
   * @returns how to give up
   */
  start(
    key: unknown,
    work: (turn: TaskContext<T>) => Promise<void>,
    rest = this.options.debounceMs ?? 0,
  ): () => void {
    const own = ++this.turn;
    this.cancel?.();
    const begin = () => {
      this.cancel = undefined;
      void this.begin(own, key, work);
    };
    if (this.options.atOnce) {
      begin();
    } else {
      this.cancel = this.later(rest, begin);
    }
    return () => {
      if (this.turn === own) {
        this.stop();
      }
    };
  }

  /** Gives up what goes on; what was found stays. */
  stop(): void {
    this.turn++;
    this.cancel?.();
    this.cancel = undefined;
    if (this.state.getState().running) {
      this.state.setState({ running: false });
    }
  }

  private async begin(own: number, key: unknown, work: (turn: TaskContext<T>) => Promise<void>) {
    if (this.options.oneAtATime) {
      await this.busy;
    }
    const wanted = () => this.turn === own;
    if (!wanted()) {
      return;
    }
    this.state.setState({ running: true });
    const value = () => {
      const state = this.state.getState();
      return this.options.keepPrevious || state.key === key ? state.value : this.nothing;
    };
    const put = (change: (value: T) => T) => {
      if (wanted()) {
        this.state.setState({ key, value: change(value()) });
      }
    };
    const done = work({ isCurrent: wanted, value, update: put }).catch(() => {
      // Work that can fail says so in its value; what is left was asked of something that is gone.
    });
    this.busy = done;
    await done;
    if (wanted()) {
      this.state.setState({ running: false });
    }
  }
}
