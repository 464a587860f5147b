/**
 * Folders that `scripts/copyVendor.ts` fills. Their names carry a version, since they are cached
 * for good: raise it with the package's.
 */
export const vipsFolder = '/vendor/vips-few-threads-0.0.19';
export const fontFolder = '/vendor/fonts-4';
