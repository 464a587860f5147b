import type { KeptLimits } from './keptPhotos';

/**
 * Decoded photos that a render worker keeps: two of the largest that are taken in where a picture
 * needs them, else far less.
 */
export const photoLimits: KeptLimits = { most: 800e6, spare: 48e6 };

/** Small copies of a set's pieces, bytes. */
export const mostPieceBytes = 60e6;

/** Decoded photos that drawing outside of a browser keeps, bytes. */
export const mostNodePhotoBytes = 480e6;

/** Files that the worker of readings keeps decoded, bytes. */
export const mostReadBytes = 32e6;

/** How long a worker may be silent while something is asked of it, ms. */
export const silences = {
  render: 45_000,
  codec: 180_000,
  theme: 60_000,
  set: 120_000,
  sheet: 60_000,
  bulk: 120_000,
} as const;
