import type { WorkerPool } from './workerPool';

/** Pieces of work that one worker has at a time: it does not wait for the next to be sent. */
const atOnce = 2;

/** Work that comes first, and what is done where there is no such work left. */
type Place = 'first' | 'after';

/**
 * Work that somebody waits for, in its order, what comes first before what comes after it: by a
 * worker of its own, and by others for as long as they have nothing else to do. To start one for it
 * would take longer.
 */
export class WorkQueue<W extends { readonly started: boolean }> {
  private readonly queues: Readonly<Record<Place, ((by: W) => Promise<void>)[]>> = {
    first: [],
    after: [],
  };
  private inHand = 0;

  constructor(
    private readonly own: W,
    private readonly others: Pick<WorkerPool<W>, 'lend'>,
  ) {}

  done<T>(work: (by: W) => Promise<T>, place: Place = 'first'): Promise<T> {
    return new Promise((resolve, reject) => {
      this.queues[place].push((by) => work(by).then(resolve, reject));
      this.next();
    });
  }

  private next(): void {
    while (this.queues.first.length + this.queues.after.length > 0) {
      const lent = this.inHand > 0 ? this.lend() : undefined;
      if (!lent && this.inHand >= atOnce) {
        return;
      }
      if (!lent) {
        this.inHand++;
      }
      void (lent ?? this.take()(this.own)).then(() => {
        this.inHand -= lent ? 0 : 1;
        this.next();
      });
    }
  }

  private take(): (by: W) => Promise<void> {
    const { first, after } = this.queues;
    return (first.length > 0 ? first : after).shift()!;
  }

  private lend(): Promise<void> | undefined {
    return this.others.lend(
      ({ started }) => started,
      (one) => this.take()(one),
    );
  }
}
