import type { WorkerDesk } from './workerDesk';

/** Pieces of work that one worker has at a time: it does not wait for the next to be sent. */
const atOnce = 2;

/**
 * Work that somebody waits for, in its order: by a worker of its own, and by others for as long as
 * they have nothing else to do. To start one for it would take longer.
 */
export class SharedWork<W extends { readonly started: boolean }> {
  private readonly queue: ((by: W) => Promise<void>)[] = [];
  private inHand = 0;

  constructor(
    private readonly own: W,
    private readonly others: Pick<WorkerDesk<W>, 'lend'>,
  ) {}

  done<T>(work: (by: W) => Promise<T>): Promise<T> {
    return new Promise((resolve, reject) => {
      this.queue.push((by) => work(by).then(resolve, reject));
      this.next();
    });
  }

  private next(): void {
    while (this.queue.length > 0) {
      const lent = this.inHand > 0 ? this.lend() : undefined;
      if (!lent && this.inHand >= atOnce) {
        return;
      }
      if (!lent) {
        this.inHand++;
      }
      void (lent ?? this.queue.shift()!(this.own)).then(() => {
        this.inHand -= lent ? 0 : 1;
        this.next();
      });
    }
  }

  private lend(): Promise<void> | undefined {
    return this.others.lend(
      ({ started }) => started,
      (one) => this.queue.shift()!(one),
    );
  }
}
