'use client';

import { useFiled } from '../useBench';
import { AreaSvg } from './AreaSvg';
import type { Area } from './AreaBox';

/** The place on the picture of the reading that is asked about. */
export function WhySpot({ area }: { area: Area }) {
  const { readings, why } = useFiled();

  const spot = readings.find((r) => r.id === why)?.spot;
  if (!spot) {
    return null;
  }
  const px = 1 / area.scale;
  return (
    <AreaSvg area={area} alone testId="why-spot">
      {(['#fcfcfb', '#a8322a'] as const).map((colour, i) => (
        <rect
          key={colour}
          {...spot}
          stroke={colour}
          strokeWidth={(i === 0 ? 4 : 1.5) * px}
          strokeDasharray={i === 0 ? undefined : `${5 * px} ${3 * px}`}
        />
      ))}
    </AreaSvg>
  );
}
