import type Vips from 'wasm-vips';
import { Refusal } from '@/core/refusal';
import { WorkerSpent } from './channel';

export type VipsLibrary = typeof Vips;
export type VipsImage = Vips.Image;

/** Declares an image one's own, to be freed at the end. */
export type Own = (image: VipsImage) => VipsImage;

/**
 * Runs `work`, then frees every image it declared its own: they live in the library's memory, which
 * no collector sweeps.
 */
export function scoped<R>(work: (own: Own) => R): R {
  const images: VipsImage[] = [];
  try {
    return work((image) => {
      images.push(image);
      return image;
    });
  } finally {
    for (const image of images.reverse()) {
      image.delete();
    }
  }
}

/**
 * What is told of a failure of the library. Its own words are for programmers, and not told; where
 * its memory is damaged, nothing more can be asked of it.
 * @param words for people
 */
export function failure(error: unknown, words: string): Error {
  const isSpent = (error as { name?: unknown } | null)?.name === 'RuntimeError';
  return isSpent ? new WorkerSpent(words, { cause: error }) : new Refusal(words, { cause: error });
}
