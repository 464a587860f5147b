import { before, type Foreground, type Urgency } from './urgency';

interface Ticket<W> {
  readonly count: number;
  readonly urgency: Urgency;
  give(workers: readonly W[]): void;
}

/**
 * Gives out workers. The most urgent work is first, of equal the one that came first; work that needs
 * several is not passed by what needs fewer. Work that nobody waits for begins once nobody waits for
 * anything else either.
 */
export class WorkerPool<W> {
  private readonly free: W[];
  private readonly queue: Ticket<W>[] = [];

  /** @param onIdle told when the last worker has come back and nothing waits for one */
  constructor(
    private readonly workers: readonly W[],
    private readonly foreground: Foreground,
    private readonly onIdle: () => void = () => {},
  ) {
    this.free = [...workers];
  }

  /** All workers are here and nothing waits for one. */
  get idle(): boolean {
    return this.queue.length === 0 && this.free.length === this.workers.length;
  }

  /** Work with so many workers of its own, which come back when it ends. */
  async use<T>(
    count: number,
    urgency: Urgency,
    work: (workers: readonly W[]) => Promise<T>,
  ): Promise<T> {
    if (urgency !== 'now') {
      await this.foreground.quiet();
    }
    const workers = await new Promise<readonly W[]>((give) => {
      const at = this.queue.findIndex((other) => before(urgency, other.urgency) < 0);
      this.queue.splice(at < 0 ? this.queue.length : at, 0, { count, urgency, give });
      this.next();
    });
    try {
      return await work(workers);
    } finally {
      this.free.push(...workers);
      this.next();
    }
  }

  /**
   * Work for a worker that is free at once and that nobody waits for.
   * @param fits whether it will do
   * @returns undefined where there is none
   */
  lend<T>(fits: (worker: W) => boolean, work: (worker: W) => Promise<T>): Promise<T> | undefined {
    const at = this.queue.length === 0 ? this.free.findIndex(fits) : -1;
    if (at < 0) {
      return undefined;
    }
    const [worker] = this.free.splice(at, 1);
    return work(worker).finally(() => {
      this.free.push(worker);
      this.next();
    });
  }

  private next(): void {
    for (
      let first = this.queue[0];
      first && first.count <= this.free.length;
      first = this.queue[0]
    ) {
      this.queue.shift();
      first.give(this.free.splice(0, first.count));
    }
    if (this.idle) {
      this.onIdle();
    }
  }
}
