'use client';

import type { Raster } from '@/core/raster/raster';

/** A file by the browser's own encoder, for what is only looked at here. */
export function pictureFile(
  { width, height, data }: Raster,
  type: 'image/png' | 'image/webp',
): Promise<Blob> {
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d')!.putImageData(new ImageData(data, width, height), 0, 0);
  return canvas.convertToBlob({ type, quality: 0.85 });
}
