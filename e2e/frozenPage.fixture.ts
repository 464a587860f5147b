/** Saved pages in the frame that the app shows them in, put on a page of the app itself. */
import { buildSync } from 'esbuild';
import type { Browser, Page } from '@playwright/test';
import type { FrozenPage } from '../src/core/ownPage/frozen';
import { openPages } from '../src/core/ownPage/openPages';
import type { PageSurvey } from '../src/core/ownPage/survey';
import type { OwnPage } from './ownPages.fixture';

type Bytes = Uint8Array<ArrayBuffer>;

/** Modules of the project as one script that puts what they export into a page. */
export const bundled = (exports: Readonly<Record<string, string>>): string =>
  buildSync({
    stdin: {
      contents: Object.entries(exports)
        .map(
          ([name, file]) =>
            `import { ${name} } from './src/${file}'; globalThis.${name} = ${name};`,
        )
        .join('\n'),
      resolveDir: '.',
      loader: 'ts',
    },
    bundle: true,
    write: false,
    format: 'iife',
    alias: { '@': './src' },
  }).outputFiles[0].text;

const script = bundled({
  openPageFrame: 'engine/page/frame',
  rulesNamingFiles: 'core/ownPage/ruleText',
  pageWordsReport: 'core/legibility/pageWords',
});

export const bytesOf = (data: Uint8Array): Bytes => new Uint8Array(data) as Bytes;

/** A page as a browser's folder has it, with everything that belongs to it. */
export const asFolder = ({ html, files }: OwnPage): FrozenPage =>
  openPages([
    { path: 'saved/index.html', bytes: bytesOf(Buffer.from(html)) },
    ...Object.entries(files).map(([path, data]) => ({
      path: `saved/${path}`,
      bytes: bytesOf(data),
    })),
  ])[0].page;

/** The page as Chromium saves it in one file. */
export async function asMime(page: Page): Promise<FrozenPage> {
  const session = await page.context().newCDPSession(page);
  const { data } = (await session.send('Page.captureSnapshot', { format: 'mhtml' })) as {
    data: string;
  };
  return openPages([{ path: 'saved.mhtml', bytes: bytesOf(Buffer.from(data)) }])[0].page;
}

/** Shows a frozen page over everything of a page of the application, under its policies. */
export async function showIn(app: Page, frozen: FrozenPage): Promise<void> {
  await app.evaluate(
    async ({ page, files }) => {
      const place = document.createElement('div');
      place.style.cssText = 'position:fixed;inset:0;z-index:9999;background:#fff;overflow:hidden';
      document.body.append(place);
      const bytes = (base64: string) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
      type Open = (place: Element, page: object) => Promise<unknown>;
      const { openPageFrame } = globalThis as never as { openPageFrame: Open };
      const frame = await openPageFrame(place, {
        ...page,
        files: files.map((f) => ({ ...f, bytes: bytes(f.bytes) })),
      });
      Object.assign(globalThis, { frame, place });
    },
    {
      page: { ...frozen, files: [] },
      files: frozen.files.map((f) => ({ ...f, bytes: Buffer.from(f.bytes).toString('base64') })),
    },
  );
}

export interface Frame {
  show(width: number, height?: number): Promise<void>;
  scheme(scheme: string): void;
  close(): void;
  survey(widths: number[], readRules: (sheets: string[]) => Promise<unknown>): Promise<PageSurvey>;
}
export const shown = (app: Page, width: number, scheme: 'light' | 'dark') =>
  app.evaluate(
    async ([px, of]) => {
      const { frame } = globalThis as never as { frame: Frame };
      frame.scheme(of);
      await frame.show(px, 800);
    },
    [width, scheme] as const,
  );

/** Maps do not cross from the browser: they come as lists. */
export async function surveyIn(app: Page, widths: number[]): Promise<PageSurvey> {
  const found = await app.evaluate(async (list) => {
    const { frame, rulesNamingFiles } = globalThis as never as {
      frame: Frame;
      rulesNamingFiles(css: string): unknown;
    };
    const survey = await frame.survey(list, async (sheets) => sheets.map(rulesNamingFiles));
    return {
      ...survey,
      occlusions: [...survey.occlusions],
      at: survey.at.map((a) => ({ ...a, placed: [...a.placed], parts: [...a.parts] })),
    };
  }, widths);
  return {
    ...found,
    occlusions: new Map(found.occlusions),
    at: found.at.map((a) => ({ ...a, placed: new Map(a.placed), parts: new Map(a.parts) })),
  };
}

/** Takes the page away again. */
export const closed = (app: Page): Promise<void> =>
  app.evaluate(() => {
    const { frame, place } = globalThis as never as { frame: Frame; place: Element };
    frame.close();
    place.remove();
  });

export const home = 'http://localhost:3219/';

export async function application(browser: Browser): Promise<Page> {
  const app = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await app.goto(`${home}sites/none-such`);
  // Its own storage is open once it says so.
  await app.getByRole('heading', { name: 'There is no such site in this browser.' }).waitFor();
  await app.addScriptTag({ content: script });
  return app;
}
