/* Headers of every answer, whoever gives it. */

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
export const everywhere = [
  ...isolation,
  // Addresses name sites and slots: they are nobody else's.
  { key: 'Referrer-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: denied.map((name) => `${name}=()`).join(', ') },
];
