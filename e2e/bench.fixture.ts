import { expect, test as base, type Locator, type Page } from '@playwright/test';

/** What a user does at a bench, in the words of the screen. */
export class BenchPage {
  constructor(readonly page: Page) {}

  /** The sample is put in place and its plan is shown, instead of all sites there are. */
  async start(): Promise<void> {
    if (this.page.url() === 'about:blank') {
      await this.page.goto('/?sample');
    } else {
      await this.startAgain();
    }
    await this.planned();
  }

  private async startAgain(): Promise<void> {
    const home = this.page.getByRole('link', { name: 'Soyez', exact: true });
    if (!(await home.isVisible())) {
      await this.page.goto('/');
    }
    // What a test before left open.
    await this.page.keyboard.press('Escape');
    await this.page.keyboard.press('Escape');
    // Messages lie over the screen, and go by themselves too.
    const told = this.page.getByRole('button', { name: 'Put this message away' }).first();
    while (await told.isVisible()) {
      await told.click({ timeout: 5000 }).catch(async (error: unknown) => {
        // It may have gone by itself meanwhile.
        if (await told.isVisible()) {
          throw error;
        }
      });
    }
    await home.click();
    await this.page.getByRole('heading', { name: 'Start' }).waitFor({ state: 'attached' });
    const more = this.page.getByRole('button', { name: /^More for / });
    await more.first().waitFor();
    for (let left = await more.count(); left > 0; left--) {
      await this.removeSite(more.first());
      await expect(more).toHaveCount(left - 1);
    }
    await this.page.getByRole('button', { name: 'Open the sample' }).click();
  }

  /** Removes the site whose card has that button for more. */
  async removeSite(more: Locator): Promise<void> {
    await more.click();
    await this.page.getByRole('menuitem', { name: 'Remove…' }).click();
    await this.page.getByRole('button', { name: 'Remove the site' }).click();
  }

  async planned(): Promise<void> {
    await expect(
      this.page.getByRole('heading', { name: 'Page plan of Veldrin Clayworks' }),
    ).toBeAttached();
  }

  /** From the start, a slot of a size with a photo. @param photo path of its file */
  async begin(width: number, height: number, photo: string): Promise<void> {
    await this.page.getByRole('textbox', { name: 'Width' }).fill(`${width}`);
    await this.page.getByRole('textbox', { name: 'Height' }).fill(`${height}`);
    const asked = this.page.waitForEvent('filechooser');
    await this.page.getByRole('button', { name: 'Choose a photo' }).click();
    await (await asked).setFiles(photo);
    await this.drawn();
  }

  async open(slot: string): Promise<void> {
    await this.page.getByRole('link', { name: new RegExp(`^${slot}, .* open its bench`) }).click();
    await this.drawn();
  }

  get picture(): Locator {
    return this.page.locator('canvas[data-ready]');
  }

  async drawn(): Promise<void> {
    await expect(this.picture).toHaveAttribute('data-ready', 'true');
  }

  ask(question: string): Promise<void> {
    return this.page
      .getByRole('navigation', { name: 'Questions' })
      .getByRole('button', { name: new RegExp(`^${question}`) })
      .click();
  }

  answer(question: number): Locator {
    return this.page.locator(`[data-answer="${question}"]`);
  }

  /** Fills a field that is read on Enter. */
  async type(label: string, text: string): Promise<void> {
    const field = this.page.getByRole('textbox', { name: label, exact: true });
    await field.fill(text);
    await field.press('Enter');
  }

  layer(name: string): Locator {
    return this.page
      .getByRole('region', { name: 'Layers, back to front' })
      .getByRole('button', { name });
  }

  async add(kind: 'Photo' | 'Wash' | 'Text'): Promise<void> {
    await this.page.getByRole('button', { name: '+ Add' }).click();
    await this.page.getByRole('menuitem', { name: kind }).click();
  }

  /** Drops files on the page around the picture, as a file manager would. */
  async drop(
    on: Locator,
    files: readonly { name: string; type: string; bytes: Buffer }[],
  ): Promise<void> {
    const data = await this.page.evaluateHandle(
      (list) => {
        const transfer = new DataTransfer();
        for (const f of list) {
          transfer.items.add(
            new File([Uint8Array.from(atob(f.base64), (c) => c.charCodeAt(0))], f.name, {
              type: f.type,
            }),
          );
        }
        return transfer;
      },
      files.map((f) => ({ name: f.name, type: f.type, base64: f.bytes.toString('base64') })),
    );
    await on.dispatchEvent('dragover', { dataTransfer: data });
    await on.dispatchEvent('drop', { dataTransfer: data });
  }

  /**
   * SHA-256 of the canvas's pixels once the newest state is drawn: equal for pictures that are
   * equal to the level.
   */
  async pixels(page = this.page): Promise<string> {
    await page.locator('canvas[data-settled=true]').waitFor({ state: 'attached' });
    return page.locator('canvas[data-ready]').evaluate(async (canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
      const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', data));
      return `${canvas.width}×${canvas.height} ${Array.from(digest, (b) => b.toString(16).padStart(2, '0')).join('')}`;
    });
  }

  /** Levels of the drawn picture, red green blue alpha in a row, once the newest state is drawn. */
  async raster(): Promise<{ width: number; height: number; data: Uint8Array }> {
    await this.page.locator('canvas[data-settled=true]').waitFor({ state: 'attached' });
    const { width, height, base64 } = await this.page
      .locator('canvas[data-ready]')
      .evaluate((canvas: HTMLCanvasElement) => {
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let text = '';
        for (let i = 0; i < data.length; i += 8192) {
          text += String.fromCharCode(...data.subarray(i, i + 8192));
        }
        return { width: canvas.width, height: canvas.height, base64: btoa(text) };
      });
    return { width, height, data: Uint8Array.from(Buffer.from(base64, 'base64')) };
  }

  /** Presses, moves and lets go on the picture; places in px of the slot at 1:1. */
  async drag(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
    const box = (await this.page.getByTestId('picture-area').boundingBox())!;
    await this.page.mouse.move(box.x + from[0], box.y + from[1]);
    await this.page.mouse.down();
    await this.page.mouse.move(box.x + (from[0] + to[0]) / 2, box.y + (from[1] + to[1]) / 2, {
      steps: 3,
    });
    await this.page.mouse.move(box.x + to[0], box.y + to[1], { steps: 3 });
    await this.page.mouse.up();
    await this.page.locator('canvas[data-settled=true]').waitFor({ state: 'attached' });
  }

  /** Drags a handle of what is selected by px of the screen. */
  async grip(handle: string, dx: number, dy: number): Promise<void> {
    const box = (await this.page.locator(`[data-grip="${handle}"]`).boundingBox())!;
    const x = box.x + box.width / 2;
    const y = box.y + box.height / 2;
    await this.page.mouse.move(x, y);
    await this.page.mouse.down();
    await this.page.mouse.move(x + dx / 2, y + dy / 2, { steps: 3 });
    await this.page.mouse.move(x + dx, y + dy, { steps: 3 });
    await this.page.mouse.up();
    await this.page.locator('canvas[data-settled=true]').waitFor({ state: 'attached' });
  }

  /** Finds a command in the list by its words and runs it, all by keys. */
  async command(words: string): Promise<void> {
    await this.page.keyboard.press('Control+k');
    await this.page.getByRole('combobox', { name: 'All commands' }).waitFor();
    await this.page.keyboard.type(words);
    await this.page.keyboard.press('Enter');
    await expect(this.page.getByRole('dialog', { name: 'All commands' })).toBeHidden();
  }

  /**
   * Waits until everything is written; a moment first, since the screen says so a frame after the
   * edit.
   */
  async kept(): Promise<void> {
    await this.page.evaluate(
      () =>
        new Promise((resolve) => {
          requestAnimationFrame(() => setTimeout(resolve, 60));
        }),
    );
    await expect(this.page.locator('[data-kept=kept]')).toBeVisible();
  }

  /** Turns to the settings of the file that are made by hand. */
  async byHand(): Promise<void> {
    await this.ask('How heavy');
    await this.page.getByRole('radio', { name: 'By hand' }).click();
  }

  /** Downloads the file of the picture as it is now. */
  async download(): Promise<{ name: string; path: string }> {
    await this.ask('Hand over');
    const button = this.page.getByRole('button', { name: /^Download / });
    await expect(button).toBeEnabled();
    const [download] = await Promise.all([this.page.waitForEvent('download'), button.click()]);
    return { name: download.suggestedFilename(), path: await download.path() };
  }
}

/**
 * The lines that are handed over, as they are where there is one file alone; with all of them they
 * are tested in archive.spec.ts.
 */
export function withOneFile<L extends { readonly css: string; readonly html: string }>(
  lines: L,
  name: string,
): L {
  const css = lines.css
    .replace(/\n\s*background-image: image-set\([^;]*\);/g, '')
    .replace(/url\("pictures\/[^"]+"\)/g, `url("${name}")`);
  const html = lines.html
    .replace(/\s*<source type=[^>]*>/g, '')
    .replace(/(<img[^>]*?) srcset="[^"]*" sizes="[^"]*"/g, '$1')
    .replace(/src="pictures\/[^"]+"/g, `src="${name}"`);
  return { ...lines, css, html };
}

/** A tab of a test's own. Every test fails on an error in the browser's console. */
export const inNewTab = base.extend<{ bench: BenchPage }, { tab: Page }>({
  bench: async ({ page }, use) => {
    const problems: string[] = [];
    page.on('console', (message) => {
      if (message.type() === 'error') {
        problems.push(`${message.text()} ${message.location().url}`.trim());
      }
    });
    page.on('pageerror', (error) => problems.push(error.message));
    await use(new BenchPage(page));
    expect(problems).toEqual([]);
  },
  tab: [
    async ({ browser }, use) => {
      const { baseURL, viewport } = base.info().project.use;
      const tab = await browser.newPage({ baseURL, viewport });
      await use(tab);
      await tab.close();
    },
    { scope: 'worker' },
  ],
});

/**
 * Tests one after another in one tab, as an owner works on one thing after another: the workers
 * that run stay, the site begins anew. For all that neither look at a first start nor leave
 * anything in the browser.
 */
export const test = inNewTab.extend({
  page: async ({ tab }, use) => {
    await tab.setViewportSize(base.info().project.use.viewport!);
    await use(tab);
    tab.removeAllListeners();
    // A tab behind another is drawn seldom or never.
    for (const opened of tab.context().pages()) {
      if (opened !== tab) {
        await opened.close();
      }
    }
    await tab.bringToFront();
  },
});

export { expect };
