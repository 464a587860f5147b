'use client';

import { ratioWords } from '@/core/readings/legibility';

/**
 * A place that is hard to read, ringed, with the contrast there.
 * @param px of the drawing for one of the screen
 * @param width of the drawing: what would go beyond it stands on the other side
 */
export function Spot({
  x,
  y,
  contrast,
  px,
  width,
}: {
  x: number;
  y: number;
  contrast: number;
  px: number;
  width: number;
}) {
  const right = x < width - 70 * px;
  return (
    <g>
      <circle cx={x} cy={y} r={9 * px} stroke="#fcfcfb" strokeWidth={4 * px} />
      <circle cx={x} cy={y} r={9 * px} stroke="#a8322a" strokeWidth={1.5 * px} />
      <rect
        x={right ? x + 13 * px : x - 61 * px}
        y={y - 8 * px}
        width={48 * px}
        height={16 * px}
        fill="#fcfcfb"
      />
      <text
        x={right ? x + 37 * px : x - 37 * px}
        y={y + 4 * px}
        fontSize={11 * px}
        textAnchor="middle"
        fill="#a8322a"
        className="[font-family:var(--font-mono)] font-semibold"
      >
        {ratioWords(contrast)}
      </text>
    </g>
  );
}
