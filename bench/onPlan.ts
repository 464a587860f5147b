/** The production build in Chromium. */
import { spawn } from 'node:child_process';
import { chromium, type Browser, type Page } from '@playwright/test';
import config from '../playwright.config';
import type { Rows } from './rows';

const port = 3217;
const address = `http://localhost:${port}`;

/** A page of its own on the plan of the sample, in a profile where nothing was before. */
export interface OnPlan {
  readonly browser: Browser;
  /** Of the server. */
  readonly address: string;
  readonly page: Page;
  /** Address of the plan. */
  readonly plan: string;
}

const answers = (): Promise<boolean> =>
  fetch(address).then(
    (r) => r.ok,
    () => false,
  );

async function* withServer(rows: () => Rows): Rows {
  const server = spawn('node', ['.next/standalone/server.js'], {
    stdio: 'ignore',
    env: { ...process.env, PORT: String(port), HOSTNAME: '0.0.0.0' },
  });
  try {
    for (let i = 0; !(await answers()); i++) {
      if (i > 100) {
        throw new Error('The server did not start; is there a production build?');
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    yield* rows();
  } finally {
    server.kill();
  }
}

/** Rows that are measured in Chromium. */
export const onPlan = (rows: (at: OnPlan) => Rows): Rows =>
  withServer(async function* () {
    const browser = await chromium.launch(config.use?.launchOptions);
    try {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      await page.goto(`${address}/?sample`);
      await page.waitForURL(/sites/);
      yield* rows({ browser, address, page, plan: page.url() });
    } finally {
      await browser.close();
    }
  });
