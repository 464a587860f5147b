import type { Browser, Page } from '@playwright/test';

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  readonly args: { readonly name?: string };
  /** Processor time of the thread, µs. */
  readonly tdur?: number;
}

/**
 * The longest that a page's main thread is held by one task while something is done, ms of processor
 * time by Chromium's own tracing, so that a busy machine does not matter.
 */
export async function longestHold(
  browser: Browser,
  page: Page,
  act: () => Promise<void>,
): Promise<number> {
  await browser.startTracing(page, { categories: ['toplevel'] });
  let traced: Buffer | undefined;
  try {
    await act();
  } finally {
    traced = await browser.stopTracing();
  }
  const { traceEvents } = JSON.parse(traced.toString()) as { traceEvents: readonly TraceEvent[] };
  const mains = new Set(
    traceEvents
      .filter(({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain')
      .map(({ pid, tid }) => `${pid} ${tid}`),
  );
  const tasks = traceEvents.filter(
    ({ ph, pid, tid, tdur }) => ph === 'X' && tdur !== undefined && mains.has(`${pid} ${tid}`),
  );
  if (tasks.length === 0) {
    throw new Error('Chromium told of no task of the page.');
  }
  return Math.max(...tasks.map(({ tdur }) => tdur! / 1000));
}
