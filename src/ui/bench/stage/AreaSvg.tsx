'use client';

import type { CSSProperties, ReactNode } from 'react';
import { useEditing } from '../useBench';
import type { Area } from './AreaBox';

/** Lines over the picture, in px of the slot; they take no pointer and may go beyond it. */
export function AreaSvg({
  area,
  alone = false,
  testId,
  style,
  children,
}: {
  area: Area;
  /** It stands beside the picture's area and not in it. */
  alone?: boolean;
  testId?: string;
  style?: CSSProperties;
  children: ReactNode;
}) {
  const { slot } = useEditing();
  const { x, y, width, height } = area.rect;
  return (
    <svg
      className="pointer-events-none absolute overflow-visible"
      style={{ left: alone ? x : 0, top: alone ? y : 0, ...style }}
      width={width}
      height={height}
      viewBox={`0 0 ${slot.width} ${slot.height}`}
      fill="none"
      data-testid={testId}
    >
      {children}
    </svg>
  );
}
