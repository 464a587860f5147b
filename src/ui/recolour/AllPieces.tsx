'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import { isActive } from '@/core/recolour/activeSteps';
import type { PieceSet } from '@/core/site/model/pieceSet';
import { usePreviews } from '../hooks/usePieceSet';
import { PieceCanvas } from './PieceCanvas';

/** So many pieces are shown at once; the list has all. */
const most = 600;

/** All pieces at once, as they become. */
export function AllPieces({
  set,
  looked,
  selected,
  onSelect,
}: {
  set: PieceSet;
  looked: number;
  selected: string | undefined;
  onSelect(path: string): void;
}) {
  const shown = set.pieces.slice(0, most);
  const ids = useMemo(() => set.pieces.slice(0, most).map((p) => p.assetId), [set.pieces]);
  const before = usePreviews(null, ids, looked);
  const after = usePreviews(isActive(set.recipe) ? set.recipe : null, ids, looked);
  return (
    <div
      className="h-full overflow-y-auto bg-board p-2"
      role="group"
      aria-label="All pieces at once"
    >
      <div className="flex flex-wrap content-start gap-1.5">
        {shown.map((p) => (
          <button
            key={p.path}
            type="button"
            tabIndex={p.path === selected ? 0 : -1}
            aria-label={p.path}
            aria-pressed={p.path === selected}
            title={p.path}
            onClick={() => onSelect(p.path)}
            className={clsx(
              'outline-offset-1',
              p.path === selected && 'outline-2 outline-act',
              p.leftOut && 'opacity-45',
            )}
          >
            <PieceCanvas
              raster={(p.leftOut ? before : after).get(p.assetId)}
              width={72}
              height={52}
            />
          </button>
        ))}
      </div>
      {set.pieces.length > most && (
        <p className="mt-2">and {set.pieces.length - most} more in the list.</p>
      )}
    </div>
  );
}
