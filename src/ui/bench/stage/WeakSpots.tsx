'use client';

import { useEditing, useFiled } from '../useBench';
import type { Area } from './AreaBox';

/**
 * Marks where words are hardest to read, with the contrast there, while it is asked whether all
 * blends.
 */
export function WeakSpots({ area }: { area: Area }) {
  const { press } = useFiled();
  const { slot } = useEditing();
  const px = 1 / area.scale;
  const texts = press.current ? press.file?.texts : undefined;
  const weak = Object.entries(texts ?? {}).filter(
    ([, { contrast, wanted }]) => contrast.worst < wanted,
  );
  return (
    <svg
      className="pointer-events-none absolute overflow-visible"
      style={{ left: area.rect.x, top: area.rect.y }}
      width={area.rect.width}
      height={area.rect.height}
      viewBox={`0 0 ${slot.width} ${slot.height}`}
      fill="none"
      data-testid="weak-spots"
    >
      {weak.map(([id, { contrast }]) => {
        const x = contrast.at.x + 0.5;
        const y = contrast.at.y + 0.5;
        const words = `${(Math.floor(contrast.worst * 10) / 10).toFixed(1)}:1`;
        const right = x < slot.width - 70 * px;
        return (
          <g key={id}>
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
              {words}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
