import { useEffect, useRef, type RefObject } from 'react';
import type { Raster } from '@/core/raster/raster';

/** A canvas that has a raster's px, one for one. */
export function useRasterCanvas(raster: Raster | undefined): RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const element = canvas.current;
    if (!element || !raster) {
      return;
    }
    element.width = raster.width;
    element.height = raster.height;
    element
      .getContext('2d')!
      .putImageData(new ImageData(raster.data, raster.width, raster.height), 0, 0);
  }, [raster]);
  return canvas;
}
