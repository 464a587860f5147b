'use client';

import type { Raster } from '@/core/raster/raster';
import { useRasterCanvas } from '../shared/useRasterCanvas';

interface Props {
  raster: Raster | undefined;
  width: number;
  height: number;
  /** Said of it; none where what stands beside it says it. */
  label?: string;
}

/**
 * How a piece fits into a box: a strip of a few px fills it, as it repeats; small ones are shown up
 * to three times as large.
 */
function fitted(
  { width, height }: Raster,
  room: { width: number; height: number },
): { width: number; height: number } {
  if (Math.min(width, height) < 4) {
    return {
      width: width < 4 ? room.width : Math.min(room.width, width),
      height: height < 4 ? room.height : Math.min(room.height, height),
    };
  }
  const k = Math.min(3, room.width / width, room.height / height);
  const whole = k >= 1 ? Math.floor(k) : k;
  return {
    width: Math.max(1, Math.round(width * whole)),
    height: Math.max(1, Math.round(height * whole)),
  };
}

/** A small picture of a piece, px for px where it is smaller than its box. */
export function PieceCanvas({ raster, width, height, label }: Props) {
  const canvas = useRasterCanvas(raster);
  return (
    <span
      className="grid shrink-0 place-items-center overflow-hidden border border-hair see-through"
      style={{ width: width + 2, height: height + 2 }}
    >
      {raster && (
        <canvas
          ref={canvas}
          role={label ? 'img' : undefined}
          aria-label={label}
          aria-hidden={label ? undefined : true}
          style={{ ...fitted(raster, { width, height }), imageRendering: 'pixelated' }}
        />
      )}
    </span>
  );
}
