import { Session } from 'node:inspector';

/** Which parts of the core ran, by V8's own count of blocks. */
export class Coverage {
  private readonly session = new Session();

  constructor() {
    this.session.connect();
    this.session.post('Profiler.enable');
    this.session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: true });
  }

  /** Names of the blocks that ran since it was last asked. */
  ran(): Set<string> {
    const blocks = new Set<string>();
    // Answered before it returns, as everything of a session in its own thread is.
    this.session.post('Profiler.takePreciseCoverage', (error, { result }) => {
      if (error) {
        throw error;
      }
      for (const { url, functions } of result.filter((s) => s.url.includes('/src/core/'))) {
        for (const { startOffset, count } of functions.flatMap((f) => f.ranges)) {
          if (count > 0) {
            blocks.add(`${url} ${startOffset}`);
          }
        }
      }
    });
    return blocks;
  }

  close(): void {
    this.session.disconnect();
  }
}
