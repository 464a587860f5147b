import type { NextConfig } from 'next';

const documentPolicy = [
  "default-src 'self'",
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'",
  "style-src 'self' 'unsafe-inline' blob:",
  "img-src 'self' blob: data:",
  "font-src 'self' blob: data:",
  "connect-src 'self' blob:",
  "worker-src 'self' blob:",
  // Pages of the owner's: frames, style sheets and fonts, under a stricter policy of their own.
  "frame-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "form-action 'self'",
  "frame-ancestors 'none'",
].join('; ');

/**
 * A worker takes the policy of its own script's response, and the codecs generate code when they
 * start.
 */
const workerPolicy = documentPolicy.replace(
  "script-src 'self' 'unsafe-inline' 'wasm-unsafe-eval'",
  "script-src 'self' 'unsafe-eval'",
);

/** SharedArrayBuffer, which the codecs need, is only there on isolated pages. */
const isolation = [
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'X-Content-Type-Options', value: 'nosniff' },
];

/** What no screen needs is not to be had, whatever a page of the owner's asks for. */
const denied = [
  'accelerometer',
  'bluetooth',
  'camera',
  'display-capture',
  'geolocation',
  'gyroscope',
  'hid',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'serial',
  'usb',
];

/** On every answer, of whatever kind. */
const everywhere = [
  ...isolation,
  // Addresses name sites and slots: they are nobody else's.
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: denied.map((name) => `${name}=()`).join(', ') },
];

const config: NextConfig = {
  poweredByHeader: false,
  // What was measured and written by one build is not taken for what another would make of it.
  env: { SOYEZ_BUILT: String(Date.now()) },
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
      // Rehearsed pages bring the stand-in host's own policy.
      { source: '/rehearsal/:path*', headers: everywhere },
      {
        source: '/((?!rehearsal/).*)',
        headers: [...everywhere, { key: 'Content-Security-Policy', value: documentPolicy }],
      },
      {
        source: '/_next/static/:path*',
        headers: [{ key: 'Content-Security-Policy', value: workerPolicy }],
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
