import { defineConfig } from '@playwright/test';

const port = 3219;
/** Where a build is served below a path, only what is for that is tested. */
const below = process.env.SOYEZ_PATH ?? '';

export default defineConfig({
  testDir: 'e2e',
  testMatch: below ? 'below.spec.ts' : undefined,
  testIgnore: below ? undefined : 'below.spec.ts',
  // Two cores; most of a test is waiting for one worker or the screen.
  workers: 2,
  // Files differ in length: their tests are shared out one by one.
  fullyParallel: true,
  timeout: 240_000,
  // Two cores that share their machine are at times several times slower than usual.
  expect: { timeout: 100_000 },
  forbidOnly: true,
  reporter: process.env.BROWSER_REPORT
    ? [['list'], ['json', { outputFile: process.env.BROWSER_REPORT }]]
    : 'list',
  use: {
    baseURL: `http://localhost:${port}`,
    viewport: { width: 1280, height: 800 },
    // What is kept for use without a connection has tests of its own.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node .next/standalone/server.js',
    env: { PORT: `${port}`, HOSTNAME: '0.0.0.0' },
    url: `http://localhost:${port}${below}`,
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
});
