'use client';

import { safeArea } from '@/core/widths/visible';
import { useEditing } from '../useBench';
import { AreaSvg } from './AreaSvg';
import type { Area } from './AreaBox';

/** The part of the picture that is seen at every screen width, and the side margin inside of it. */
export function SafeAreaLines({ area }: { area: Area }) {
  const { site, slot, picture } = useEditing();
  const px = 1 / area.scale;
  const { part } = safeArea(site, slot);
  if (
    !picture.layers.some((l) => l.kind === 'text' && !l.hidden) ||
    part.width <= 0 ||
    part.height <= 0
  ) {
    return null;
  }
  const frame = { x: part.x, y: part.y, width: part.width, height: part.height, strokeWidth: px };
  return (
    <AreaSvg area={area} alone testId="safe-area">
      <rect {...frame} stroke="#fcfcfb" />
      <rect {...frame} stroke="#0d6b62" strokeDasharray={`${4 * px} ${4 * px}`} />
    </AreaSvg>
  );
}
