import type { Raster } from './raster';

interface Transferable {
  /** ES2024; not in every runtime yet. */
  transfer?(length: number): ArrayBuffer;
}

/**
 * Gives the memory of pixels back at once; they are gone afterwards. Left alone it is given back
 * when the runtime next looks for what nobody needs, which may be many pictures later.
 * @param raster that nobody else has, and that shares its memory with nothing
 */
export function releasePixels({ data }: Raster): void {
  (data.buffer as Transferable).transfer?.(0);
}
