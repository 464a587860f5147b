/** A screen that nobody touches does nothing: it renders nothing, lays nothing out and asks for no frame. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './bench.fixture';

declare global {
  interface Window {
    /** When something last happened on the main thread, ms; see `countActivity`. */
    lastActivity: number;
    /** What it was, the newest last. */
    activity: string[];
  }
}

/** Notes frames that are asked for, messages of React's scheduler, answers of observers and changes of the DOM. */
function countActivity() {
  window.lastActivity = 0;
  window.activity = [];
  const note = (what: string) => {
    window.lastActivity = performance.now();
    window.activity = [...window.activity.slice(-9), what];
  };
  const frame = window.requestAnimationFrame.bind(window);
  window.requestAnimationFrame = (callback) => {
    note('frame');
    return frame(callback);
  };
  const post = MessagePort.prototype.postMessage;
  MessagePort.prototype.postMessage = function (this: MessagePort, ...words: unknown[]) {
    note('message');
    return (post as (...all: unknown[]) => void).apply(this, words);
  };
  const Observer = window.ResizeObserver;
  window.ResizeObserver = class extends Observer {
    constructor(callback: ResizeObserverCallback) {
      super((...answer) => {
        note('resize');
        callback(...answer);
      });
    }
  };
  new MutationObserver(() => note('change')).observe(document, {
    subtree: true,
    childList: true,
    attributes: true,
    characterData: true,
  });
}

/** Waits until nothing has happened for two seconds; work that was asked for may go on before. */
async function rests(page: Page, screen: string): Promise<void> {
  await test.step(screen, async () => {
    await page.mouse.move(1, 1);
    await expect
      .poll(() => page.evaluate(() => performance.now() - window.lastActivity), {
        message: `${screen} rests`,
        timeout: 60_000,
      })
      .toBeGreaterThan(2000);
  });
}

test('every screen rests when nobody touches it', async ({ bench, page }) => {
  await page.addInitScript(countActivity);
  await page.goto('/');
  await rests(page, 'start');
  await bench.start();
  await rests(page, 'plan');
  const plan = new URL(page.url()).pathname;
  await bench.open('Header');
  for (let digit = 1; digit <= 7; digit++) {
    await page.keyboard.press(String(digit));
    await rests(page, `bench, question ${digit}`);
  }
  for (const screen of ['shelf', 'recolour', 'hand-over', 'before-after']) {
    await page.goto(`${plan}/${screen}`);
    await rests(page, screen);
  }
  await page.goto(plan);
  await bench.planned();
  await bench.drop(page.getByRole('main'), [
    {
      name: 'kiln-weekend.mhtml',
      type: '',
      bytes: readFileSync('public/sample/kiln-weekend.mhtml'),
    },
  ]);
  const dialog = page.getByRole('dialog', { name: 'My own page' });
  await expect(dialog.getByRole('button', { name: 'Take it over' })).toBeEnabled();
  await rests(page, 'my own page');
  await dialog.getByRole('button', { name: 'Take it over' }).click();
  await expect(dialog).toBeHidden();
  await page.getByRole('button', { name: 'Put this message away' }).click();
  await rests(page, 'plan with a page of its own');
  const place = page.getByRole('link', { name: /^Corner mark 2, / });
  await place.focus();
  await place.press('Enter');
  await bench.drawn();
  await rests(page, 'bench in a page of its own');
});
