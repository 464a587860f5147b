'use client';

import { useState, type MouseEvent } from 'react';
import { useStore } from 'zustand';
import { sampleAt } from '@/core/colour/sample';
import { hexOf } from '@/core/colour/hex';
import type { Raster } from '@/core/raster/raster';
import type { Role } from '@/core/set/roles';
import type { SetPiece } from '@/core/site/model/pieceSet';
import type { Recipe } from '@/core/site/model/recipe';
import { useWhole } from '../hooks/usePieceSet';
import { endSampling, sampling } from '../shared/sampling';
import { useMeasure } from '../shared/useMeasure';
import { useRasterCanvas } from '../shared/useRasterCanvas';

/** How large a px of the piece is shown: whole px where it is small, less where it has no room. */
function scaleOf({ width, height }: Raster, room: { width: number; height: number }): number {
  const k = Math.min(room.width / width, room.height / height);
  return k >= 2 ? Math.min(8, Math.floor(k)) : Math.min(1, k);
}

/** The chosen piece as it is and as it becomes, with every px of it. */
export function PieceView({
  piece,
  recipe,
  role,
  note,
}: {
  piece: SetPiece | undefined;
  recipe: Recipe;
  role: Role | undefined;
  note: string;
}) {
  const whole = useWhole(recipe, piece?.assetId);
  const [ref, room] = useMeasure();
  if (!piece) {
    return <p className="m-4 text-soft">Choose a piece in the list.</p>;
  }
  const tall = piece.height > piece.width * 1.5;
  const half = tall
    ? { width: room.width / 2 - 24, height: room.height - 44 }
    : { width: room.width - 24, height: room.height / 2 - 40 };
  return (
    <div className="flex h-full min-h-0 flex-col">
      <div
        ref={ref}
        className={`flex min-h-0 grow bg-board p-2 ${tall ? 'flex-row' : 'flex-col'} gap-2`}
      >
        {whole ? (
          (['before', 'after'] as const).map((which) => (
            <figure
              key={which}
              className="flex min-h-0 min-w-0 flex-1 basis-0 flex-col items-center justify-center gap-1 overflow-hidden"
            >
              <Pixels
                raster={piece.leftOut ? whole.before : whole[which]}
                scale={Math.max(0, scaleOf(whole.before, half))}
                label={`${piece.path}, ${which}`}
                strip={Math.min(piece.width, piece.height) < 4}
              />
              <figcaption className="shrink-0 figure text-[11px]!">
                {which}
                {which === 'after' &&
                  `, ${scaleWords((scaleOf(whole.before, half) * whole.before.width) / piece.width)}`}
              </figcaption>
            </figure>
          ))
        ) : (
          <p role="status" className="m-auto">
            Reading {piece.path.split('/').at(-1)}…
          </p>
        )}
      </div>
      <p
        className="shrink-0 truncate border-t border-hair px-3 py-1 text-soft"
        title={
          role?.where
            ? `${role.where.selector}, ${role.where.file}, line ${role.where.line}`
            : piece.path
        }
      >
        {note && <span className="text-warn">{note} </span>}
        {role?.where ? (
          <>
            {role.title}: <span className="figure">{role.where.selector}</span>,{' '}
            {role.where.file.split('/').at(-1)} line {role.where.line}
            {role.laid && `, ${role.laid.repeat}`}
          </>
        ) : (
          'No style sheet speaks of it.'
        )}
      </p>
    </div>
  );
}

const scaleWords = (scale: number): string => {
  if (scale === 1) {
    return '1:1';
  }
  if (scale > 1) {
    return `${scale}:1`;
  }
  return `${Math.round(scale * 100)}%`;
};

function Pixels({
  raster,
  scale,
  label,
  strip,
}: {
  raster: Raster;
  scale: number;
  label: string;
  strip: boolean;
}) {
  const canvas = useRasterCanvas(raster);
  const taking = useStore(sampling, (s) => s.onPick);
  const size = useStore(sampling, (s) => s.size);
  const [seen, setSeen] = useState('');
  // A strip of a few px is as wide as it needs to be to be seen: it repeats.
  const width = strip && raster.width < 4 ? 120 : raster.width * scale;
  const height = strip && raster.height < 4 ? 60 : raster.height * scale;
  const colourAt = (event: MouseEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    const rgb = sampleAt(
      raster,
      ((event.clientX - box.left) / box.width) * raster.width,
      ((event.clientY - box.top) / box.height) * raster.height,
      size,
    );
    return rgb && hexOf(rgb);
  };
  return (
    <>
      <canvas
        ref={canvas}
        role="img"
        aria-label={label}
        style={{
          width,
          height,
          imageRendering: scale > 1 ? 'pixelated' : undefined,
          cursor: taking ? 'crosshair' : undefined,
        }}
        className="max-w-full shrink-0 see-through"
        onMouseMove={(e) => setSeen(colourAt(e) ?? '')}
        onMouseLeave={() => setSeen('')}
        onClick={(e) => {
          const hex = colourAt(e);
          if (taking && hex) {
            taking(hex);
            endSampling();
          }
        }}
      />
      <span
        aria-hidden
        className="pointer-events-none absolute right-3 bottom-9 figure text-[11px]!"
      >
        {seen}
      </span>
    </>
  );
}
