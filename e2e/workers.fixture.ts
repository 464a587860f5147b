import type { Page } from '@playwright/test';

/** From now on the workers of a page hear of nothing. @returns how to let them hear of all of it */
export async function holdWorkers(page: Page): Promise<() => Promise<void>> {
  const release = await page.evaluateHandle(() => {
    const post = Worker.prototype.postMessage;
    const held: (() => void)[] = [];
    Worker.prototype.postMessage = function (this: Worker, ...all: unknown[]) {
      held.push(() => post.apply(this, all as Parameters<typeof post>));
    };
    return () => {
      Worker.prototype.postMessage = post;
      held.forEach((go) => go());
    };
  });
  return () => release.evaluate((go) => go());
}
