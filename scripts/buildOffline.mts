/**
 * Writes the service worker of the build that lies in `.next`: with the list of all that belongs to
 * the application, so that it can be used without a connection.
 */
import { injectManifest } from '@serwist/build';
import { build } from 'esbuild';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { keptAddresses } from '../src/offline/screens';
import { below } from '../src/served/below';

const base = process.env.SOYEZ_PATH ?? '';
const folder = mkdtempSync('.next/offline-');
const bundled = join(folder, 'worker.js');
await build({
  entryPoints: ['src/offline/worker.ts'],
  outfile: bundled,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'chrome120',
  define: { 'process.env.NODE_ENV': '"production"' },
});

const revision = readFileSync('.next/BUILD_ID', 'utf8');
const { count, size, warnings } = await injectManifest({
  swSrc: bundled,
  swDest: 'public/offline.js',
  globDirectory: '.',
  globPatterns: ['.next/static/**/*', 'public/**/*'],
  globIgnores: ['public/offline.js', '**/*.map', '**/LICENSE*', '**/*NOTICES*'],
  modifyURLPrefix: { '.next/': `${base}/_next/`, 'public/': `${base}/` },
  // Files whose names change with what is in them need no revision beside.
  dontCacheBustURLsMatching: /\/_next\/static\/|\/vendor\//,
  maximumFileSizeToCacheInBytes: 2 ** 25,
  additionalPrecacheEntries: [...keptAddresses, '/manifest.webmanifest', '/icon.svg'].map(
    (path) => ({ url: below(base, path), revision }),
  ),
});
rmSync(folder, { recursive: true });
if (warnings.length > 0) {
  throw new Error(warnings.join('\n'));
}
console.log(`The service worker keeps ${count} files, ${(size / 2 ** 20).toFixed(1)} MB.`);
