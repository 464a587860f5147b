import type { NextConfig } from 'next';
import { everywhere } from './src/served/everywhere';
import { filePolicy, workerPolicy } from './src/served/policy';

/** Below which the application is served, `/tools/soyez`; none where it has a host of its own. */
const path = process.env.SOYEZ_PATH ?? '';

const config: NextConfig = {
  poweredByHeader: false,
  basePath: path,
  // All that the server needs, in one folder.
  output: 'standalone',
  outputFileTracingRoot: import.meta.dirname,
  // What was measured and written by one build is not taken for what another would make of it.
  env: { SOYEZ_BUILT: String(Date.now()), SOYEZ_PATH: path },
  // Types are checked by `npm run typecheck`, tests' too; a build needs none of what tests need.
  typescript: { ignoreBuildErrors: true },
  // The stand-in host decodes pictures with the same codecs; they find their files beside
  // themselves.
  serverExternalPackages: ['wasm-vips'],
  allowedDevOrigins: ['127.0.0.1'],
  // Browsers ask for this name on pages that name no icon, such as rehearsed ones.
  async rewrites() {
    return [{ source: '/favicon.ico', destination: '/icon.svg' }];
  },
  async headers() {
    return [
      { source: '/:path*', headers: everywhere },
      // Documents have a policy each, from `src/proxy.ts`.
      ...['/api/:path*', '/((?!rehearsal/).*\\.[a-z0-9]+)'].map((source) => ({
        source,
        headers: [{ key: 'Content-Security-Policy', value: filePolicy }],
      })),
      {
        source: '/_next/static/:path*',
        headers: [{ key: 'Content-Security-Policy', value: workerPolicy }],
      },
      // Its start has no slash behind the path that it is served at.
      {
        source: '/offline.js',
        headers: [{ key: 'Service-Worker-Allowed', value: path || '/' }],
      },
      {
        source: '/vendor/:path*',
        headers: [
          { key: 'Content-Security-Policy', value: workerPolicy },
          { key: 'Cache-Control', value: 'public, max-age=31536000, immutable' },
        ],
      },
    ];
  },
};

export default config;
