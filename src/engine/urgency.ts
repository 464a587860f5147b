/** Somebody waits for it, it will be seen soon, or nobody waits for it. */
export type Urgency = 'now' | 'soon' | 'later';

const order: readonly Urgency[] = ['now', 'soon', 'later'];

/** Below 0 where the first goes before the second. */
export const before = (a: Urgency, b: Urgency): number => order.indexOf(a) - order.indexOf(b);

/** Counts what somebody waits for, so that all else can wait for that. */
export class Foreground {
  private pending = 0;
  private waiting: (() => void)[] = [];

  get busy(): boolean {
    return this.pending > 0;
  }

  /** Something that somebody waits for. */
  async during<T>(work: () => Promise<T>): Promise<T> {
    this.pending++;
    try {
      return await work();
    } finally {
      this.pending--;
      if (this.pending === 0) {
        const waiting = this.waiting;
        this.waiting = [];
        for (const go of waiting) {
          go();
        }
      }
    }
  }

  /** Once nobody waits for anything. */
  async quiet(): Promise<void> {
    while (this.busy) {
      await new Promise<void>((resolve) => {
        this.waiting.push(resolve);
      });
    }
  }
}
