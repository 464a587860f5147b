/** Lets the thread do what else it has to do, once that is due. */
export class MainThreadTurns {
  private since = performance.now();

  /** @param slice how long the thread is kept at most, ms */
  constructor(private readonly slice = 40) {}

  async yieldToMain(): Promise<void> {
    if (performance.now() - this.since < this.slice) {
      return;
    }
    await new Promise<void>((resolve) => {
      const { port1, port2 } = new MessageChannel();
      port1.onmessage = () => {
        port1.close();
        resolve();
      };
      port2.postMessage(undefined);
    });
    this.since = performance.now();
  }
}
