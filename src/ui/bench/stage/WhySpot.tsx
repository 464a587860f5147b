'use client';

import { useEditing, useFiled } from '../useBench';
import type { Area } from './AreaBox';

/** The place on the picture of the reading that is asked about. */
export function WhySpot({ area }: { area: Area }) {
  const { readings, why } = useFiled();
  const { slot } = useEditing();
  const spot = readings.find((r) => r.id === why)?.spot;
  if (!spot) {
    return null;
  }
  const px = 1 / area.scale;
  return (
    <svg
      className="pointer-events-none absolute overflow-visible"
      style={{ left: area.rect.x, top: area.rect.y }}
      width={area.rect.width}
      height={area.rect.height}
      viewBox={`0 0 ${slot.width} ${slot.height}`}
      fill="none"
      data-testid="why-spot"
    >
      {(['#fcfcfb', '#a8322a'] as const).map((colour, i) => (
        <rect
          key={colour}
          {...spot}
          stroke={colour}
          strokeWidth={(i === 0 ? 4 : 1.5) * px}
          strokeDasharray={i === 0 ? undefined : `${5 * px} ${3 * px}`}
        />
      ))}
    </svg>
  );
}
